/** The run of a half-day: job after job with its time, the sun and shade at its plant through the hours drawn beside it. */
import { useDraggable } from "@dnd-kit/core";
import { Box, Typography } from "@mui/material";
import {
  DUE_NAMES,
  halfText,
  jobCost,
  jobText,
  namedJobText,
  PART_NAMES,
  priceText,
  SunOfDay,
  TASK_TABLE,
  type DayRun,
  type GardenModel,
  type HalfDay,
  type Job,
  type JobCost,
  type RunStep,
} from "@wren/core";
import { Lock, LockOpen } from "lucide-react";
import { useMemo } from "react";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Why, type Explanation } from "../../ui/Why.tsx";
import { clockText, rangeText } from "./runTexts.ts";

const COLUMNS = { xs: "48px 1fr", md: "56px minmax(0, 1.2fr) minmax(110px, 1fr) 318px" } as const;
const CELL_MIN = 15;
/** Sun and shade at the job's plant through the half-day, the time it is worked at framed. */
function SunStrip({
  step,
  from,
  to,
  sun,
}: {
  readonly step: RunStep;
  readonly from: number;
  readonly to: number;
  readonly sun: SunOfDay;
}) {
  const cells = Array.from({ length: Math.max(1, Math.ceil((to - from) / CELL_MIN)) }, (_, i) => from + i * CELL_MIN);
  const at = (minute: number): number => ((minute - from) / (cells.length * CELL_MIN)) * 100;
  return (
    <svg
      width="100%"
      height="22"
      role="img"
      aria-label={`${clockText(step.fromMin)} to ${clockText(step.toMin)}, ${Math.round(step.sun * 100)} % of the sun`}
      style={{ display: "block" }}
    >
      {cells.map((m) => {
        const share = sun.at(step.job.plantId, m + CELL_MIN / 2);
        return (
          <rect
            key={m}
            x={`${at(m)}%`}
            y="3"
            width={`${100 / cells.length}%`}
            height="16"
            fill={`color-mix(in srgb, var(--heart) ${Math.round(share * 85)}%, var(--shade-cell))`}
          />
        );
      })}
      <rect
        x={`${at(step.fromMin)}%`}
        y="1.5"
        width={`${Math.max(2, at(step.toMin) - at(step.fromMin))}%`}
        height="19"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
    </svg>
  );
}

function explainCost(job: Job, cost: JobCost, left: number): Explanation {
  const parts = (
    Object.entries({ ...cost.parts, putOff: cost.putOff, moved: cost.moved }) as [keyof typeof PART_NAMES, number][]
  )
    .filter(([, x]) => Math.abs(x) >= 0.002)
    .map(([name, x]): readonly [string, string] => [PART_NAMES[name], `${x < 0 ? "−" : ""}${priceText(Math.abs(x))}`]);
  return {
    formula:
      "What the day costs the plant over its best day of the year, in hundredths of a year’s flowers: the same prices that the answer and the year’s ribbon are read from. Left undone, it costs what its days are worth.",
    inputs: [
      ["Why it is due", DUE_NAMES[job.due.kind]],
      [
        "Minutes",
        `${rangeText(job)}, by ${job.minutes.from === "log" ? "your log" : job.minutes.from === "pace" ? "its size and your pace" : "its size"}`,
      ],
      ...parts,
      ["Left undone", priceText(left)],
    ],
    sources: ["assumption"],
  };
}

interface StepProps {
  readonly model: GardenModel;
  readonly step: RunStep;
  readonly half: HalfDay;
  readonly cost: JobCost;
  readonly halves: readonly HalfDay[];
  readonly from: number;
  readonly to: number;
  readonly sun: SunOfDay;
  readonly onMove: (job: Job, half: number) => void;
  readonly onFree: (job: Job) => void;
}
function Step({ model, step, half, cost, halves, from, to, sun, onMove, onFree }: StepProps) {
  const say = useVoice();
  const { job } = step;
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: job.id, disabled: job.task === null });
  const plant = model.plant(job.plantId);
  const bed = model.garden.beds.find((b) => b.id === plant.bedId);
  const fixed = job.due.plan?.fixed === true;
  return (
    <Box
      component="li"
      ref={setNodeRef}
      sx={{
        borderBottom: "1px solid var(--line)",
        py: 0.75,
        display: "grid",
        gridTemplateColumns: COLUMNS,
        columnGap: 1.25,
        alignItems: "center",
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        position: "relative",
        zIndex: transform ? 5 : undefined,
        bgcolor: transform ? "var(--paper)" : undefined,
        breakInside: "avoid",
      }}
    >
      <Typography className="numeral" sx={{ fontWeight: 700, fontSize: "1.1rem" }}>
        {clockText(step.fromMin)}
      </Typography>
      <Box
        {...listeners}
        {...attributes}
        role={undefined}
        tabIndex={-1}
        sx={{ cursor: job.task === null ? undefined : "grab", minWidth: 0 }}
      >
        <Typography sx={{ overflowWrap: "anywhere" }}>
          <DayLink to={`/plant/${plant.id}`} style={{ color: "inherit", fontWeight: 700 }}>
            {plant.label}
          </DayLink>
          : {jobText(job).toLowerCase()}
          {job.pieces > step.pieces && `, ${step.pieces} of ${job.pieces} parts`}
        </Typography>
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {bed?.name} · {rangeText(job)} ·{" "}
          <Why title={`The price of ${namedJobText(model, job)}`} of={() => explainCost(job, cost, job.undone)}>
            costs {priceText(Math.max(0, cost.total ?? job.undone))}
          </Why>
          {step.suspect && <strong> · suspect: last, wipe the blades</strong>}
        </Typography>
      </Box>
      <Box sx={{ gridColumn: { xs: "1 / -1", md: "auto" }, minWidth: 0 }}>
        <SunStrip step={step} from={from} to={to} sun={sun} />
      </Box>
      <Box
        className="no-print"
        sx={{
          gridColumn: { xs: "1 / -1", md: "auto" },
          display: "flex",
          gap: 0.5,
          alignItems: "center",
          flexWrap: "wrap",
        }}
      >
        {job.task !== null && (
          <>
            <select
              className="press"
              style={{ padding: "0 6px", maxWidth: 190 }}
              aria-label={`Another half-day for ${plant.label}`}
              value={half.id}
              onChange={(e) =>
                onMove(
                  job,
                  halves.findIndex((h) => h.id === e.target.value),
                )
              }
            >
              {halves.map((h) => (
                <option key={h.id} value={h.id} disabled={h.closed !== null}>
                  {halfText(h, say)}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="press-icon"
              aria-pressed={fixed}
              aria-label={fixed ? `${plant.label} may be moved again` : `Keep ${plant.label} on this half-day`}
              onClick={() => (fixed ? onFree(job) : onMove(job, halves.indexOf(half)))}
            >
              {fixed ? <Lock size={18} /> : <LockOpen size={18} />}
            </button>
            <DayLink
              to={`/at/${plant.id}`}
              more={{ task: job.task }}
              className="press"
              aria-label={`Begin: ${plant.label}, ${TASK_TABLE[job.task].label}`}
            >
              Begin
            </DayLink>
          </>
        )}
      </Box>
    </Box>
  );
}

interface Props {
  readonly model: GardenModel;
  readonly half: HalfDay;
  readonly halves: readonly HalfDay[];
  readonly run: DayRun;
  readonly onMove: (job: Job, half: number) => void;
  readonly onFree: (job: Job) => void;
}
export function RunDay({ model, half, halves, run, onMove, onFree }: Props) {
  const sun = useMemo(() => new SunOfDay(model, half.on), [model, half.on]);
  const from = half.startMin;
  const to = Math.max(from + half.minutes, run.steps.at(-1)?.toMin ?? from);
  return (
    <Box sx={{ "--shade-cell": "color-mix(in srgb, var(--leaf, #0c5f57) 55%, var(--mist))" }}>
      <Box
        aria-hidden
        sx={{
          display: { xs: "none", md: "grid" },
          gridTemplateColumns: COLUMNS,
          columnGap: 1.25,
          color: "text.secondary",
        }}
      >
        <Box sx={{ gridColumn: 3, display: "flex", justifyContent: "space-between", fontSize: "0.85rem" }}>
          <span>{clockText(from)}</span>
          <span>{clockText((from + to) / 2)}</span>
          <span>{clockText(to)}</span>
        </Box>
      </Box>
      <Box component="ol" aria-label={`The run of ${half.on}, ${half.half}`} className="bare">
        {run.steps.map((step) => (
          <Step
            key={step.job.id}
            {...{ model, step, half, halves, from, to, sun, onMove, onFree }}
            cost={jobCost(model, step.job, half)}
          />
        ))}
      </Box>
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
        Yellow: sun at the plant, green: shade; framed: the time you are there. Times by the sun, noon at 12.
        {run.proven < 0.999 && ` No other order saves more than ${Math.round((1 - run.proven) * 100)} %.`}
        {run.breaks.length > 0 && ` A break in the shade, and water, at ${run.breaks.map(clockText).join(", ")}.`}
      </Typography>
    </Box>
  );
}
