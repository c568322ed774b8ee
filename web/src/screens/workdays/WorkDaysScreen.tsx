/** "What shall I do this Saturday?" – the jobs that are due, fitted into the half-days there are, in the order of the sun. */
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { Box, Button, LinearProgress, Typography } from "@mui/material";
import {
  BOUNDS,
  costOfFixing,
  dearerText,
  halfText,
  inHalf,
  namedJobText,
  priceText,
  withMoved,
  type Half,
  type Job,
  type WorkPlan,
} from "@wren/core";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { now, today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useStation } from "../../state/useStation.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";
import { fullWeekday } from "../../words/dates.ts";
import { useWork } from "../../worker/useWork.ts";
import { LeftPart, MovedPart, NoTime, UnderWay } from "./asides.tsx";
import { HalfDays } from "./HalfDays.tsx";
import { MyTime } from "./MyTime.tsx";
import { isKept, withJobFree, withJobOn, withKept } from "./planEdits.ts";

const SPANS = [
  { value: "7", label: "A week" },
  { value: "14", label: "Two weeks" },
  { value: "28", label: "Four weeks" },
  { value: "84", label: "Twelve weeks" },
] as const;
type Span = (typeof SPANS)[number]["value"];
/** The afternoon begins here, in minutes of the day. */
const NOON_MIN = 12.5 * 60;
const NOW_MINUTES = ["30", "60", "90", "120"] as const;

export function WorkDaysScreen() {
  const { garden, model, change } = useGarden();
  const { on } = useDay();
  const [params, setParams] = useSearchParams();
  const days: Span = SPANS.find((s) => s.value === params.get("days"))?.value ?? "7";
  const nowMinutes = Math.min(BOUNDS.halfMinutes.to, Number(params.get("now") ?? 0));
  const [minutes, setMinutes] = useState<(typeof NOW_MINUTES)[number]>("90");
  const clock = now();
  const startMin = clock.getHours() * 60 + clock.getMinutes();
  const half: Half = startMin < NOON_MIN ? "morning" : "afternoon";
  const set = (name: string, value: string | null): void => {
    const next = new URLSearchParams(params);
    if (value === null) next.delete(name);
    else next.set(name, value);
    setParams(next, { replace: true });
  };
  const asked = {
    garden,
    on,
    days: Number(days),
    now: nowMinutes > 0 ? { half, minutes: nowMinutes, startMin } : null,
  } as const;
  const gardenKey = useGardenKey(garden);
  const { state, before, stop, again } = useWork("plan", asked, `${gardenKey} ${on} ${days} ${nowMinutes}`);
  // What was put elsewhere by hand stands there at once, and its price; what else changes follows.
  const [moved, setMoved] = useState<{ readonly from: WorkPlan; readonly to: WorkPlan; readonly said: string } | null>(
    null,
  );
  const fitted = state.is === "done" ? state.shown : before;
  const byHand = state.is !== "done" && moved?.from === fitted ? moved : null;
  const shown = byHand?.to ?? fitted;
  // A plant that was removed meanwhile has no job; the next answer knows.
  const plan = shown?.jobs.every((j) => garden.plants.some((p) => p.id === j.plantId)) === true ? shown : null;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const say = useVoice();
  const station = useStation();
  const move = (job: Job, h: number): void => {
    if (!plan || h < 0) return;
    const to = plan.halves[h]!;
    const { plan: next, dearer } = withMoved(plan, job.id, h);
    const said = `${namedJobText(model, job)} on ${halfText(to, say)}: ${dearerText(dearer)}.`;
    if (fitted) setMoved({ from: fitted, to: next, said });
    void change(said, (g) => withJobOn(g, job, to, { fixed: true, id: newId(), madeOn: today() }));
  };
  const free = (job: Job): void =>
    void change(`${namedJobText(model, job)} may be moved again`, (g) => withJobFree(g, job));
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    const job = plan?.jobs.find((j) => j.id === active.id);
    if (job && over && plan)
      move(
        job,
        plan.halves.findIndex((h) => h.id === over.id),
      );
  };
  const next = plan?.halves.find((_, h) => inHalf(plan, h).length > 0);
  const noTime = garden.rules.time.week.length === 0 && garden.rules.time.otherwise.length === 0 && nowMinutes === 0;
  const presses = (kept: WorkPlan | null) => (
    <div className="presses no-print" style={{ marginBottom: 12 }}>
      {kept && kept.jobs.length > 0 && (
        <button
          type="button"
          className="press press-main"
          disabled={isKept(kept)}
          onClick={() => void change("The plan is kept", (g) => withKept(g, kept, today(), newId))}
        >
          {isKept(kept) ? "Kept" : "Keep this plan"}
        </button>
      )}
      <button type="button" className="press" onClick={() => set("now", minutes)}>
        I have {minutes} minutes now
      </button>
      {nowMinutes > 0 && (
        <button type="button" className="press" onClick={() => set("now", null)}>
          Back to the half-days
        </button>
      )}
    </div>
  );
  return (
    <Box>
      <Typography variant="h1">
        {nowMinutes > 0
          ? `What shall I do in ${nowMinutes} minutes?`
          : next
            ? `What shall I do on ${fullWeekday(next.on)}?`
            : "What shall I do?"}
      </Typography>
      {state.is === "working" && !plan && (
        <Box sx={{ display: "flex", gap: 2, alignItems: "center", my: 2, maxWidth: 520 }}>
          <LinearProgress
            variant="determinate"
            value={state.done * 100}
            sx={{ flex: 1 }}
            aria-label="Fitting the jobs"
          />
          <Button size="small" onClick={stop}>
            Stop
          </Button>
        </Box>
      )}
      {(state.is === "stopped" || state.is === "failed") && (
        <Box role="alert" sx={{ my: 2 }}>
          <Typography>
            {state.is === "stopped" ? "The fitting was stopped." : "The fitting did not come to an end."} Nothing was
            changed.
          </Typography>
          <Button variant="outlined" onClick={again}>
            Fit the jobs again
          </Button>
        </Box>
      )}
      <UnderWay />
      {noTime && (
        <>
          {presses(null)}
          <NoTime />
        </>
      )}
      {plan && !noTime && (
        <DndContext sensors={sensors} onDragEnd={onDragEnd}>
          <Box role="status" aria-label="The plan" sx={{ mb: 1.5, color: "text.secondary" }}>
            {plan.jobs.length === 0
              ? "Nothing is due in these days."
              : `${plan.jobs.length} jobs are due, ${fitsWholly(plan)} fit; ${
                  plan.gap === 0
                    ? "no arrangement of them costs less"
                    : `another arrangement may cost ${(plan.gap * 100).toFixed(1)} % less, not more`
                }${
                  costOfFixing(plan) >= 0.005
                    ? `; what you fixed costs ${priceText(costOfFixing(plan))} more than leaving it free`
                    : ""
                }.${byHand ? ` ${byHand.said}` : ""}`}
          </Box>
          {presses(plan)}
          <MovedPart model={model} plan={plan} />
          <HalfDays model={model} plan={plan} onMove={move} onFree={free} />
          <Box className="no-print">
            <LeftPart model={model} plan={plan} />
          </Box>
        </DndContext>
      )}
      <Box className="no-print" sx={{ mt: 3, display: "grid", gap: 1 }}>
        <Section title="Other days">
          <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
            <OneOf
              label="How far ahead?"
              value={days}
              options={SPANS}
              onChange={(v) => set("days", v === "7" ? null : v)}
            />
            <OneOf
              label="Time right now?"
              value={minutes}
              options={NOW_MINUTES.map((m) => ({ value: m, label: `${m} min` }))}
              onChange={setMinutes}
            />
          </Box>
        </Section>
        <MyTime />
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          <button type="button" className="press" disabled={station.asks} onClick={station.ask}>
            Fetch the station’s outlook
          </button>{" "}
          Weather comes from what you entered, or from the simulated station:{" "}
          <DayLink to="/place" style={{ color: "inherit" }}>
            Place &amp; rules
          </DayLink>
          .
        </Typography>
      </Box>
    </Box>
  );
}

/** How many of the jobs are done wholly. */
const fitsWholly = (plan: WorkPlan): number =>
  plan.jobs.filter((j, i) => plan.arrangement[i]!.reduce((s, n) => s + n, 0) === j.pieces).length;

/** A number that changes with the garden: its rows are never altered, only replaced. */
const KEYS = new WeakMap<object, number>();
let keys = 0;
function useGardenKey(garden: object): number {
  let key = KEYS.get(garden);
  if (key === undefined) KEYS.set(garden, (key = ++keys));
  return key;
}
