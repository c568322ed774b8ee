/** The half-days of a plan side by side, and one of them with its run and its kit. */
import { useDndContext, useDroppable } from "@dnd-kit/core";
import { Box, Typography } from "@mui/material";
import {
  closedText,
  dayRunOf,
  HALF_NAMES,
  halfText,
  inHalf,
  kitOf,
  dearerText,
  withMoved,
  type GardenModel,
  type HalfDay,
  type InHalf,
  type Job,
  type Voice,
  type WorkPlan,
} from "@wren/core";
import { useMemo, useState, type ReactNode } from "react";
import { now, today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { useVoice } from "../../state/voice.ts";
import { fullWeekday } from "../../words/dates.ts";
import { KitList } from "./KitList.tsx";
import { RunDay } from "./RunDay.tsx";

/** A half-day that jobs can be dropped on. */
function Half({
  id,
  closed,
  children,
}: {
  readonly id: string;
  readonly closed: boolean;
  readonly children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id, disabled: closed });
  return (
    <Box ref={setNodeRef} sx={{ outline: isOver ? "3px dashed var(--plum)" : "none", outlineOffset: 4 }}>
      {children}
    </Box>
  );
}

interface PlanProps {
  readonly model: GardenModel;
  readonly plan: WorkPlan;
  readonly onMove: (job: Job, half: number) => void;
  readonly onFree: (job: Job) => void;
}
const used = (jobs: readonly InHalf[]): number => Math.round(jobs.reduce((s, j) => s + j.minutes, 0));
const nameOf = (h: HalfDay, say: Voice): string => `${fullWeekday(h.on)} ${HALF_NAMES[h.half]}, ${say.date(h.on)}`;

/** A half-day: its run, its kit, and what it can be handed out as. */
function OneHalf({ model, plan, at, onMove, onFree }: PlanProps & { readonly at: number }) {
  const say = useVoice();
  const half = plan.halves[at]!;
  const jobs = useMemo(() => inHalf(plan, at), [plan, at]);
  const run = useMemo(() => dayRunOf(model, half, jobs), [model, half, jobs]);
  const kit = useMemo(() => kitOf(model, half, jobs), [model, half, jobs]);
  return (
    <>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 320px" },
          columnGap: 4,
          rowGap: 2,
        }}
      >
        <section aria-label={nameOf(half, say)}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            {nameOf(half, say)}
          </Typography>
          {half.closed ? (
            <Typography className="alarm">{closedText(half.closed, say)}. This half-day is closed.</Typography>
          ) : jobs.length === 0 ? (
            <Typography>Nothing that is due needs this half-day.</Typography>
          ) : (
            <>
              <Typography>
                {jobs.length} {jobs.length === 1 ? "job" : "jobs"}, about {used(jobs)} of{" "}
                {Math.round(half.handsMinutes)} minutes
                {half.helpers > 0 && ` with ${half.helpers} helping`}
                {half.tmaxC !== null && `; ${say.temperature(half.tmaxC)} expected`}.
              </Typography>
              <RunDay {...{ model, run, onMove, onFree }} half={half} halves={plan.halves} />
            </>
          )}
        </section>
        <KitList kit={kit} model={model} />
      </Box>
      <div className="presses no-print" style={{ marginTop: 12 }}>
        <button type="button" className="press" onClick={() => window.print()}>
          Print this half-day
        </button>
        <button
          type="button"
          className="press"
          onClick={() =>
            void import("./dayFile.ts").then((m) =>
              download(`day-${half.id}.html`, m.dayFile(model, half, run, kit, say), "text/html"),
            )
          }
        >
          One file for whoever helps
        </button>
        <button
          type="button"
          className="press"
          onClick={() =>
            void import("../../data/workCalendar.ts").then((m) =>
              download(`work-days-${plan.on}.ics`, m.workCalendar(model, plan, today(), now()), "text/calendar"),
            )
          }
        >
          Calendar
        </button>
      </div>
    </>
  );
}

/** The half-days side by side, one of them opened. */
export function HalfDays({ model, plan, onMove, onFree }: PlanProps) {
  const say = useVoice();
  const [openId, setOpenId] = useState<string | null>(null);
  const { active } = useDndContext();
  /** While a job is dragged, what it would cost there. */
  const dragged = (h: number): string | null =>
    active === null || inHalf(plan, h).some((j) => j.job.id === active.id)
      ? null
      : dearerText(withMoved(plan, String(active.id), h).dearer);
  const filled = plan.halves.map((half, h) => ({ half, h, jobs: inHalf(plan, h) }));
  const first = filled.find((f) => f.jobs.length > 0) ?? filled[0];
  const open = filled.find((f) => f.half.id === openId) ?? first;
  if (!open) return null;
  return (
    <>
      <Box
        className="no-print"
        role="group"
        aria-label="Half-days"
        sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 2 }}
      >
        {filled.map(({ half, h, jobs }) => (
          <Half key={half.id} id={half.id} closed={half.closed !== null}>
            <button
              type="button"
              className="press"
              aria-pressed={half === open.half}
              onClick={() => setOpenId(half.id)}
              style={{
                textAlign: "left",
                lineHeight: 1.25,
                ...(half === open.half && { background: "var(--ink)", color: "var(--mist)" }),
              }}
            >
              <span style={{ display: "block" }}>
                {fullWeekday(half.on).slice(0, 3)}, {halfText(half, say)}
              </span>
              <span style={{ display: "block", fontWeight: 400, fontSize: "0.85em" }}>
                {half.closed
                  ? "closed"
                  : (dragged(h) ??
                    (jobs.length === 0
                      ? `${half.minutes} min free`
                      : `${jobs.length} ${jobs.length === 1 ? "job" : "jobs"}, ${used(jobs)} of ${Math.round(half.handsMinutes)} min`))}
              </span>
            </button>
          </Half>
        ))}
      </Box>
      <OneHalf key={open.half.id} {...{ model, plan, onMove, onFree }} at={open.h} />
    </>
  );
}
