/** At the plant, on a phone, with one hand: one pass at a time, what it takes so far, what was found, the clock. */
import { Box, Typography } from "@mui/material";
import {
  adviseOn,
  atPlant,
  CAUTION_TEXTS,
  cautionsFor,
  cutKey,
  cutLineText,
  FIND_NAMES,
  FIND_ROWS,
  FINDS,
  heightOf,
  PASS_ROWS,
  reasonText,
  soFar,
  TASK_TABLE,
  taskForGoal,
  TASKS,
  tickedCuts,
  VERDICT_TABLE,
  type AtPlant,
  type Find,
  type Plant,
  type Task,
  type Work,
} from "@wren/core";
import { useEffect, useMemo, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { stamp, today } from "../../data/clock.ts";
import { BudgetRing } from "../../drawing/BudgetRing.tsx";
import { StandThumb } from "../../drawing/StandThumb.tsx";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { namesOf } from "../../words/stems.ts";
import { Camera } from "./Camera.tsx";
import { Clock } from "./Clock.tsx";
import {
  withBegun,
  withClock,
  withCuts,
  withFinished,
  withFound,
  withLetGo,
  withPass,
  withShare,
  withThickness,
  workAt,
} from "./workEdits.ts";

const isTask = (t: string | null): t is Task => (TASKS as readonly string[]).includes(t ?? "");
/** Targets for a thumb in a glove. */
const BIG = { minHeight: 56, fontSize: "1.1rem", width: "100%", justifyContent: "center" } as const;
const SHARES = ["0.05", "0.1", "0.2", "0.33", "0.5", "0.8"] as const;

/** The screen stays lit while somebody works by it, where the browser lets it. */
function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: { release: () => Promise<void> } | null = null;
    let live = true;
    const ask = (): void => {
      if (document.visibilityState !== "visible") return;
      navigator.wakeLock.request("screen").then(
        (l) => {
          if (live) lock = l;
          else void l.release();
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      live = false;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, [on]);
}

function Finds({
  work,
  onFind,
  onThick,
}: {
  readonly work: Work;
  readonly onFind: (f: Find) => void;
  readonly onThick: (mm: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [mm, setMm] = useState("");
  const last = work.found.at(-1);
  const thick = Number(mm.replace(",", "."));
  const bad = mm !== "" && !(thick > 0 && thick <= 600);
  return (
    <Box component="section" aria-label="Found something?" sx={{ mt: 2 }}>
      <button type="button" className="press" style={BIG} aria-expanded={open} onClick={() => setOpen(!open)}>
        Found something?
      </button>
      {open && (
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, mt: 1 }}>
          {FINDS.map((f) => (
            <button
              key={f}
              type="button"
              className="press"
              style={{ minHeight: 52, padding: "4px 8px" }}
              onClick={() => {
                onFind(f);
                setOpen(false);
              }}
            >
              {FIND_NAMES[f]}
              {work.found.includes(f) && ` · ${work.found.filter((x) => x === f).length}`}
            </button>
          ))}
        </Box>
      )}
      {last && (
        <Box role="status" sx={{ mt: 1, p: 1.5, borderLeft: "5px solid var(--plum)", bgcolor: "var(--paper)" }}>
          <Typography sx={{ fontWeight: 700 }}>{FIND_NAMES[last]}</Typography>
          <Typography>{FIND_ROWS[last].advice}</Typography>
          {last === "thicker" && (
            <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, flexWrap: "wrap" }}>
              <input
                inputMode="numeric"
                aria-label="How thick, mm"
                aria-invalid={bad}
                value={mm}
                onChange={(e) => setMm(e.target.value)}
                style={{ font: "inherit", padding: 10, width: 110, minHeight: 48 }}
              />{" "}
              mm
              <button
                type="button"
                className="press"
                disabled={mm === "" || bad}
                style={{ minHeight: 48 }}
                onClick={() => onThick(thick)}
              >
                Write it down
              </button>
              {bad && <span className="alarm">Expected 1 to 600 mm</span>}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

interface PassProps {
  readonly at: AtPlant;
  readonly work: Work;
  readonly index: number;
  readonly nameOf: (id: string) => string;
  readonly onCut: (keys: readonly string[], done: boolean) => void;
  readonly onDone: (done: boolean) => void;
  readonly onStep: (index: number) => void;
}
function PassCard({ at, work, index, nameOf, onCut, onDone, onStep }: PassProps) {
  const say = useVoice();
  const { pass, lines } = at.passes[index]!;
  const row = PASS_ROWS[pass];
  const done = work.passes.includes(pass);
  return (
    <Box component="section" aria-label={`Pass ${index + 1}: ${row.title}`}>
      <Typography variant="h2" sx={{ fontSize: "1.7rem !important" }}>
        {row.title}
      </Typography>
      <Typography sx={{ fontSize: "1.1rem", mb: 1 }}>{say.prose(row.why)}</Typography>
      {lines.length > 0 && (
        <ol className="bare">
          {lines.map((l) => {
            const keys = l.cuts.map(cutKey);
            const made = keys.every((k) => work.cuts.includes(k));
            return (
              <li key={keys[0]}>
                <button
                  type="button"
                  role="checkbox"
                  aria-checked={made}
                  className="press"
                  style={{
                    ...BIG,
                    justifyContent: "flex-start",
                    textAlign: "left",
                    padding: "8px 12px",
                    marginBottom: 6,
                    fontWeight: 400,
                    ...(made && { background: "var(--ink)", color: "var(--mist)" }),
                  }}
                  onClick={() => onCut(keys, !made)}
                >
                  <span className="numeral" style={{ fontSize: "1.4rem", minWidth: 30 }}>
                    {made ? "✓" : l.no}
                  </span>
                  <span>
                    {l.stem && <strong>{nameOf(l.stem.id)}. </strong>}
                    {cutLineText(l, say)} · {l.tool}
                    {l.threeCuts && " · in three cuts"}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
      )}
      <Box sx={{ display: "grid", gap: 1, mt: 1.5 }}>
        <button type="button" className={done ? "press" : "press press-main"} style={BIG} onClick={() => onDone(!done)}>
          {done ? "Not done after all" : "This pass is done"}
        </button>
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
          <button
            type="button"
            className="press"
            style={{ minHeight: 48 }}
            disabled={index === 0}
            onClick={() => onStep(index - 1)}
          >
            ‹ Pass before
          </button>
          <button
            type="button"
            className="press"
            style={{ minHeight: 48 }}
            disabled={index === at.passes.length - 1}
            onClick={() => onStep(index + 1)}
          >
            Next pass ›
          </button>
        </Box>
      </Box>
    </Box>
  );
}

/** After a pass: hands off, and look. */
function StepBack({ last, onOn }: { readonly last: boolean; readonly onOn: () => void }) {
  return (
    <Box component="section" aria-label="Step back" sx={{ textAlign: "center", py: 3 }}>
      <Typography variant="h2" sx={{ fontSize: "1.9rem !important" }}>
        {last ? "A second look" : "Step back"}
      </Typography>
      <Typography sx={{ fontSize: "1.15rem", my: 1 }}>
        {last
          ? "Go round it once more. What is missing can still be taken; what is off cannot be put back."
          : "Three steps back, round to the other side. Is it even? Is it enough already?"}
      </Typography>
      <button type="button" className="press press-main" style={BIG} onClick={onOn}>
        {last ? "Looked at" : "On to the next pass"}
      </button>
    </Box>
  );
}

function Working({ plant, work, at }: { readonly plant: Plant; readonly work: Work; readonly at: AtPlant }) {
  const { model, change } = useGarden();
  const say = useVoice();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const state = useMemo(() => soFar(model, at, work, work.on), [model, at, work]);
  const next = at.passes.findIndex((p) => !work.passes.includes(p.pass));
  const [shown, setShown] = useState<number | null>(null);
  const [back, setBack] = useState(false);
  const index = shown ?? (next < 0 ? at.passes.length - 1 : next);
  useAwake(true);
  const all = next < 0;
  const { advice } = state;
  const stopped = work.found.find((f) => FIND_ROWS[f].stops);
  const taken = advice.takenLast12Months;
  const names = namesOf(at.list?.stand.stems ?? [], at.build);
  const edit = (what: string, f: (g: Parameters<typeof withPass>[0]) => Parameters<typeof withPass>[0]): void =>
    void change(what, f, { quiet: true });
  const finish = async (restLater: boolean): Promise<void> => {
    const ids = { stand: newId(), height: newId(), plan: newId() };
    const kept = await change(`${plant.label}: work written down`, (g) =>
      withFinished(g, work, { model, at, nowMs: stamp(), ids, restLater }),
    );
    if (kept) await navigate(linkNow(`/plant/${plant.id}`), { replace: true });
  };
  const letGo = async (): Promise<void> => {
    const kept = await change(`${plant.label}: ended without a cut`, (g) => withLetGo(g, work));
    if (kept) await navigate(linkNow(`/plant/${plant.id}`), { replace: true });
  };
  return (
    <Box sx={{ maxWidth: 560, mx: "auto" }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", mb: 1 }}>
        <BudgetRing
          seed={plant.id}
          taken={taken}
          cap={advice.cap}
          tried={state.share ?? 0}
          deadCount={state.deadStems}
          size={92}
        />
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h1" sx={{ fontSize: "1.6rem !important", overflowWrap: "anywhere" }}>
            {plant.label}
          </Typography>
          <Typography>
            {TASK_TABLE[work.task].label} · pass {index + 1} of {at.passes.length}
          </Typography>
          <Typography role="status">
            {state.share === null
              ? "Not said yet how much is off"
              : `${say.percent(state.share)} off${advice.cap === null ? "" : `, ${say.percent(Math.max(0, advice.cap - taken - state.share))} may still go`}`}
          </Typography>
        </Box>
      </Box>
      <Clock
        work={work}
        onRun={(runs) => edit(runs ? "The clock runs" : "The clock stands", (g) => withClock(g, work, runs, stamp()))}
      />
      {(stopped !== undefined || !VERDICT_TABLE[advice.verdict].go) && (
        <Box role="alert" sx={{ p: 1.5, my: 1, borderLeft: "6px solid var(--alarm)", bgcolor: "var(--paper)" }}>
          <Typography sx={{ fontWeight: 700 }}>{VERDICT_TABLE[advice.verdict].word}</Typography>
          <Typography>{stopped ? FIND_ROWS[stopped].advice : reasonText(advice.reason, say)}</Typography>
        </Box>
      )}
      {back ? (
        <StepBack
          last={all}
          onOn={() => {
            setBack(false);
            setShown(null);
          }}
        />
      ) : (
        <PassCard
          at={at}
          work={work}
          index={index}
          nameOf={(id) => names.get(id) ?? id}
          onCut={(keys, done) => edit(done ? "Cut ticked" : "Cut not made", (g) => withCuts(g, work, keys, done))}
          onDone={(done) => {
            edit(done ? "Pass done" : "Pass not done", (g) => withPass(g, work, at.passes[index]!.pass, done));
            setBack(done);
          }}
          onStep={setShown}
        />
      )}
      {at.list && (
        <Box component="figure" sx={{ m: 0, mt: 2 }}>
          <StandThumb
            stems={at.list.stand.stems}
            build={at.build}
            size={{ heightM: heightOf(model, plant, work.on).heightM, widthM: plant.widthM }}
            toMake={at.passes[index]!.lines.flatMap((l) => l.cuts)}
            made={tickedCuts(at, work)}
            label="The plant: dashed is what this pass takes"
          />
          <Typography component="figcaption" variant="body2">
            Dashed: what this pass takes. What is ticked is off.
          </Typography>
        </Box>
      )}
      {at.list === null && TASK_TABLE[work.task].live && (
        <Box sx={{ mt: 2 }}>
          <OneOf
            label="How much live growth is off, by eye?"
            value={SHARES.find((s) => Number(s) === work.share) ?? null}
            options={SHARES.map((s) => ({ value: s, label: say.percent(Number(s)) }))}
            onChange={(s) => edit("By eye so far", (g) => withShare(g, work, Number(s)))}
          />
        </Box>
      )}
      <Finds
        work={work}
        onFind={(f) => edit(FIND_NAMES[f], (g) => withFound(g, work, f, today()))}
        onThick={(mm) => edit(`A stem of ${mm} mm`, (g) => withThickness(g, plant.id, mm))}
      />
      <Camera plant={plant} />
      <Box component="section" aria-label="Finish" sx={{ display: "grid", gap: 1, mt: 2, mb: 3 }}>
        <button
          type="button"
          className={all ? "press press-main" : "press"}
          style={BIG}
          onClick={() => void finish(false)}
        >
          {all ? "Finish and write it down" : "It is done as it is: write it down"}
        </button>
        {!all && (
          <button type="button" className="press" style={BIG} onClick={() => void finish(true)}>
            Stop here, the rest another day
          </button>
        )}
        <button type="button" className="press press-plain" style={{ minHeight: 48 }} onClick={() => void letGo()}>
          End without a cut
        </button>
      </Box>
    </Box>
  );
}

function Begin({ plant, task, at }: { readonly plant: Plant; readonly task: Task; readonly at: AtPlant }) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const day = on > today() ? today() : on;
  const advice = useMemo(() => adviseOn(model, plant.id, on, task), [model, plant.id, on, task]);
  const cautions = cautionsFor(plant, model.taxonOf(plant), task, heightOf(model, plant, on).heightM);
  return (
    <Box sx={{ maxWidth: 560, mx: "auto" }}>
      <Typography variant="h1">{plant.label}</Typography>
      <Typography sx={{ fontSize: "1.15rem" }}>
        {TASK_TABLE[task].label}, {at.passes.length} {at.passes.length === 1 ? "pass" : "passes"}
        {at.list ? `, ${at.list.lines.flatMap((l) => l.cuts).length} cuts on the list` : ""}.{" "}
        {VERDICT_TABLE[advice.verdict].word}: {reasonText(advice.reason, say)}
      </Typography>
      <Box component="ul" className="bare" aria-label="Mind" sx={{ my: 1.5, "& li": { mb: 0.5 } }}>
        {cautions.map((c) => (
          <li key={c}>{say.prose(CAUTION_TEXTS[c])}</li>
        ))}
      </Box>
      <button
        type="button"
        className="press press-main"
        style={BIG}
        disabled={at.passes.length === 0}
        onClick={() =>
          void change(
            `Begun: ${plant.label}`,
            (g) => withBegun(g, { id: newId(), plantId: plant.id, on: day, task }, stamp()),
            { quiet: true },
          )
        }
      >
        Begin
      </button>
      {at.passes.length === 0 && <Typography>Nothing is to be cut here now.</Typography>}
      <div className="presses" style={{ marginTop: 8 }}>
        <DayLink to={`/plant/${plant.id}`} className="press press-plain">
          The plant
        </DayLink>
        <DayLink to={`/plant/${plant.id}/bench`} className="press press-plain">
          Make a list of cuts at the bench
        </DayLink>
      </div>
    </Box>
  );
}

function Finished({ plant, id }: { readonly plant: Plant; readonly id: string }) {
  const { garden } = useGarden();
  const say = useVoice();
  const visit = garden.visits.find((v) => v.id === id);
  return (
    <Box sx={{ maxWidth: 560, mx: "auto" }}>
      <Typography variant="h1">This work is finished</Typography>
      <Typography sx={{ fontSize: "1.15rem", my: 1 }}>
        {visit
          ? `${plant.label}: written down on ${say.date(visit.on)}, with what was ticked here and elsewhere.`
          : `${plant.label}: it was ended without a cut.`}
      </Typography>
      <div className="presses">
        <DayLink to={`/plant/${plant.id}`} className="press press-main">
          The plant
        </DayLink>
        <DayLink to="/days" className="press">
          Work days
        </DayLink>
      </div>
    </Box>
  );
}

export function AtPlantScreen() {
  const { id } = useParams();
  const [params] = useSearchParams();
  const { garden, model } = useGarden();
  const { on } = useDay();
  const plant = garden.plants.find((p) => p.id === id);
  const asked = params.get("task");
  const open = garden.works.find((w) => w.plantId === id);
  const wanted = plant ? (isTask(asked) ? asked : (open?.task ?? taskForGoal(model, plant))) : "leave";
  const work = plant ? workAt(garden, plant.id, wanted) : null;
  // What was worked on here and is gone was finished in another tab, or on another device.
  const [last, setLast] = useState<string | null>(null);
  if (work && work.id !== last) setLast(work.id);
  const day = work?.on ?? on;
  const at = useMemo(() => (plant ? atPlant(model, plant, wanted, day) : null), [model, plant, wanted, day]);
  if (!plant || !at) return <Typography variant="h1">No such plant in this garden</Typography>;
  if (!work && last !== null) return <Finished plant={plant} id={last} />;
  return work ? (
    <Working key={work.id} plant={plant} work={work} at={at} />
  ) : (
    <Begin plant={plant} task={wanted} at={at} />
  );
}
