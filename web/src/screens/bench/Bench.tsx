/** The stems as they stand, cuts tried on them, what each try amounts to, and the list to carry. */
import { Slider, useMediaQuery } from "@mui/material";
import {
  buildOf,
  cutList,
  heightOf,
  MOST,
  plainStem,
  plantsYear,
  regimeOf,
  rowOf,
  suggest,
  TASK_TABLE,
  taskForGoal,
  tryOut,
  whatFollows,
  type Horizon,
  type Plant,
  type Stand,
  type Stem,
  type StemCut,
  type Suggestion,
  type Task,
} from "@wren/core";
import { useCallback, useMemo, useState } from "react";
import { flushSync } from "react-dom";
import { TaskChoice } from "../../answer/TaskChoice.tsx";
import { today } from "../../data/clock.ts";
import { BudgetRing } from "../../drawing/BudgetRing.tsx";
import { lookOn } from "../../drawing/plant.geometry.ts";
import { useDay } from "../../state/day.tsx";
import { seenDay, standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { withCarriedOut } from "../../state/carried.ts";
import { newId } from "../../state/ids.ts";
import { useStable } from "../../state/stable.ts";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { namesOf } from "../../words/stems.ts";
import { Drawing } from "./Drawing.tsx";
import { FourSides } from "./FourSides.tsx";
import { LookFrom } from "./LookFrom.tsx";
import { Outcome, WhatFollows } from "./Outcome.tsx";
import { RenewalYears } from "./RenewalYears.tsx";
import { cutAt, grownStand, wholeCut, withCuts, withDrawn, withoutStem, withStand, withStem } from "./standEdits.ts";
import { StemDialog } from "./StemDialog.tsx";
import { StemList } from "./StemList.tsx";
import { ToCarry } from "./ToCarry.tsx";
import { WholeTools } from "./WholeTools.tsx";
import { Compare, Offers, PhotosOf, ProposalNote } from "./asides.tsx";

/** A new stem starts like a finger, as long as the plant is tall. */
const NEW_STEM = { diameterMm: 15, leanDeg: 20 } as const;

interface BenchProps {
  readonly plant: Plant;
  readonly stand: Stand;
  readonly onRecount: () => void;
}
export function Bench({ plant, stand: kept, onRecount }: BenchProps) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const build = buildOf(taxon, plant.form);
  // Drawn some time ago, the stems have grown with the plant since.
  const nowM = heightOf(model, plant, on).heightM;
  const stand = grownStand(kept, build, nowM);
  const look = lookOn(taxon, plantsYear(model, plant, on), model.season(on).seasonDay);
  const goal = taskForGoal(model, plant);
  const [task, setTask] = useState<Task>(stand.tries[0]?.task ?? (goal === "leave" ? "shape" : goal));
  const [tryId, setTryId] = useState(stand.tries[0]?.id ?? "t1");
  const [horizon, setHorizon] = useState<Horizon>("now");
  const [viewDeg, setViewDeg] = useState(0);
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState<Stem | null>(null);
  const [proposal, setProposal] = useState<Suggestion | null>(null);
  /** A height to stand at, chosen here for this proposal; null: as it is wished for. */
  const [wantedM, setWantedM] = useState<number | null>(null);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [stepped, setStepped] = useState(false);
  const [correcting, setCorrecting] = useState(false);
  const wide = useMediaQuery("(min-width:1000px)");
  const current = stand.tries.find((t) => t.id === tryId);
  /** What is being tried, before it is kept: it answers at once, the database follows. */
  const [live, setLive] = useState<readonly StemCut[] | null>(null);
  const saved = useMemo(() => current?.cuts ?? [], [current]);
  const cuts = live ?? saved;
  const { architecture } = build;
  const names = useMemo(() => namesOf(stand.stems, { architecture }), [stand.stems, architecture]);
  const nameOf = useCallback((id: string): string => names.get(id) ?? "a stem", [names]);
  const result = useMemo(
    () => tryOut(model, { plant, stems: stand.stems, task, cuts }, on),
    [model, plant, stand.stems, task, cuts, on],
  );
  const lines = useMemo(
    () => cutList(stand.stems, cuts, taxon, task, plant, build),
    [stand.stems, cuts, taxon, task, plant, build],
  );
  // Room for the plant left alone, so that a cut does not change the scale it is drawn to.
  const room = useMemo(() => {
    const { before, ...uncut } = tryOut(model, { plant, stems: stand.stems, task, cuts: [] }, on);
    const { futures } = whatFollows(model, plant.id, { before, ...uncut }, on, 0);
    // Fills the frame with what stands now and by the end of the season; later years ask for more when they are looked at.
    const looked = futures.filter((f) => f.horizon === "season" || f.horizon === horizon).map((f) => f.heightM[1]);
    const wished = plant.goal.heightM !== null && plant.goal.heightM < before.heightM * 1.3 ? plant.goal.heightM : 0;
    return {
      heightM: Math.max(before.heightM, wished, ...looked) * 1.03,
      widthM: Math.max(before.widthM, plant.widthM) * 1.08,
    };
  }, [model, plant, stand.stems, task, on, horizon]);
  // Each edit is made on the stand as it is kept by then: a quick second one must not undo the first.
  const save = (label: string, edit: (s: Stand) => Stand): Promise<boolean> =>
    change(`${plant.label}: ${label}`, (g) => {
      const old = g.stands.find((s) => s.id === stand.id) ?? stand;
      // A stem that is corrected is corrected as it stands now, and so are the others beside it.
      const edited = edit({ ...old, stems: stand.stems });
      const drawn = edited.stems === stand.stems ? old.stems : edited.stems;
      return withStand(g, { ...edited, stems: drawn });
    });
  const put = useStable((label: string, next: readonly StemCut[]) => {
    setLive(next);
    void save(label, (s) => withCuts(s, tryId, task, next)).finally(() =>
      setLive((now) => (now === next ? null : now)),
    );
  });
  // A drag is answered in the frame of its move: left to the scheduler it would come a frame later.
  const tryNow = (next: readonly StemCut[]): void => flushSync(() => setLive(next));
  const onTry = useStable((stemId: string, cut: StemCut | null) => tryNow(cutAt(cuts, stemId, cut)));
  const choose = useStable((id: string) => setChosen((old) => (old === id ? null : id)));
  const edit = useStable((id: string) => setEditing(stand.stems.find((s) => s.id === id) ?? null));
  const onCut = useStable((stemId: string, cut: StemCut | null) =>
    put(`${nameOf(stemId).toLowerCase()} ${cut ? "cut" : "put back"}`, cutAt(cuts, stemId, cut)),
  );
  const onCorrect = useStable((s: Stem) => {
    const day = seenDay(plant, on, today());
    void change(`${plant.label}: ${nameOf(s.id).toLowerCase()} corrected`, (g) => {
      const old = g.stands.find((x) => x.id === stand.id) ?? stand;
      return withDrawn(g, withStem({ ...old, stems: stand.stems }, s), build, { on: day, nowM, id: newId() });
    });
  });
  const withinM = (heightM: number): number => Math.min(result.before.heightM, Math.max(0.05, heightM));
  const onShear = useStable((heightM: number) => {
    const shear = cuts.find((c) => c.cut === "shear");
    if (shear) put("outline", wholeCut(cuts, "shear", { ...shear, heightM: withinM(heightM) }));
  });
  const onTryShear = useStable((heightM: number) => {
    const shear = cuts.find((c) => c.cut === "shear");
    if (shear) tryNow(wholeCut(cuts, "shear", { ...shear, heightM: withinM(heightM) }));
  });
  const onTryWhole = useStable((kind: StemCut["cut"], cut: StemCut) => tryNow(wholeCut(cuts, kind, cut)));
  const onWhole = useStable((kind: StemCut["cut"], cut: StemCut | null) =>
    put("whole plant", wholeCut(cuts, kind, cut)),
  );
  const propose = (): void => {
    const s = suggest(model, { plant, stems: stand.stems, task, wantedM }, on);
    setProposal(s);
    put("proposal", s.cuts);
  };
  const chooseTask = useStable((t: Task) => {
    setTask(t);
    setProposal(null);
    if (current) void save("task", (s) => withCuts(s, tryId, t, cuts));
  });
  const another = (): void => {
    const id = ["t1", "t2", "t3"].find((x) => x !== tryId && !stand.tries.some((t) => t.id === x)) ?? "t1";
    void save("another try", (s) => withCuts(s, id, task, cuts));
    setTryId(id);
    setLive(null);
  };
  const plan = async (also: readonly string[]): Promise<void> => {
    const note = `${cuts.length} cuts, ${say.percent(result.share)} of its live growth`;
    const planned = (plantId: string, about: string) => ({
      id: newId(),
      plantId,
      on,
      task,
      madeOn: today(),
      half: null,
      fixed: false,
      note: about,
    });
    await change(`${plant.label}: ${TASK_TABLE[task].label.toLowerCase()} planned`, (g) => ({
      ...withStand(standing(g, plant.id, ...also), { ...withCuts(stand, tryId, task, cuts), chosen: tryId }),
      plans: [...g.plans, planned(plant.id, note), ...also.map((id) => planned(id, `As ${plant.label}: ${note}`))],
    }));
  };
  const carryOut = async (also: readonly string[]): Promise<void> => {
    const day = seenDay(plant, on, today());
    const made = ticked.size === 0 ? [...cuts] : lines.flatMap((l) => (ticked.has(l.no) ? l.cuts : []));
    await change(`${plant.label}: cuts carried out`, (g) =>
      withCarriedOut(
        g,
        stand,
        { id: tryId, task, cuts: made },
        build,
        {
          visitId: newId(),
          standId: newId(),
          on: day,
          regime: regimeOf(taxon, task),
          amounts: ticked.size === 0 ? result : tryOut(model, { plant, stems: stand.stems, task, cuts: made }, on),
          heightM: heightOf(model, plant, day).heightM,
          heightId: newId(),
        },
        rowOf(model, plant, day).filter((r) => also.includes(r.plant.id)),
      ),
    );
    setProposal(null);
    setTicked(new Set());
    setHorizon("now");
  };
  const addStem = (): void => {
    let n = stand.stems.length + 1;
    while (stand.stems.some((s) => s.id === `s${n}`)) n++;
    const lengthM = Math.round(heightOf(model, plant, on).heightM * 100) / 100;
    const turnDeg = Math.round((n * 137.5) % 360);
    setEditing({ ...plainStem(`s${n}`, NEW_STEM.diameterMm, lengthM), turnDeg, leanDeg: NEW_STEM.leanDeg });
  };
  return (
    <div className="bench">
      <div className="no-print">
        <TaskChoice taxon={taxon} task={task} onTask={chooseTask} cutsOnly />
      </div>
      <div className="bench-try">
        <div className="bench-drawing">
          <Drawing
            plantId={plant.id}
            stems={stand.stems}
            build={build}
            leafed={look.leaf}
            showing={look.showing}
            result={result}
            horizon={horizon}
            viewDeg={viewDeg}
            on={on}
            room={room}
            chosen={chosen}
            cutLines={lines}
            wantedM={wantedM ?? plant.goal.heightM}
            lines={plant.goal.lines}
            shearM={cuts.find((c) => c.cut === "shear")?.heightM ?? null}
            narrow={!wide}
            correcting={correcting}
            onCorrect={onCorrect}
            onChoose={setChosen}
            onTry={onTry}
            onCut={onCut}
            onTryShear={onTryShear}
            onShear={onShear}
          />
          {!wide && (
            <div className="bench-corner no-print" aria-hidden="true">
              <BudgetRing
                seed={plant.id}
                taken={result.advice.takenLast12Months}
                cap={result.cap}
                tried={result.share}
                deadCount={result.deadRemoved}
                size={86}
              />
              <span>{say.percent(result.share)}</span>
            </div>
          )}
          <LookFrom
            horizon={horizon}
            viewDeg={viewDeg}
            onHorizon={setHorizon}
            onView={setViewDeg}
            correcting={correcting}
            onCorrecting={setCorrecting}
          />
        </div>
        <div className="bench-follows">
          <details className="more no-print" onToggle={(e) => setStepped(e.currentTarget.open)}>
            <summary>Step back: all four sides</summary>
            {stepped && <FourSides result={result} build={build} room={room} />}
          </details>
          <PhotosOf plantId={plant.id} />
          <Section title="What follows">
            <WhatFollows plantId={plant.id} result={result} on={on} />
          </Section>
        </div>
        <div className="bench-outcome">
          <div className="no-print presses bench-tries" role="group" aria-label="Tries">
            <button type="button" className="press press-main" onClick={propose}>
              Suggest
            </button>
            {stand.tries.length > 1 &&
              stand.tries.map((t, i) => (
                <button
                  key={t.id}
                  type="button"
                  className={`press${t.id === tryId ? " task-chosen" : ""}`}
                  aria-pressed={t.id === tryId}
                  onClick={() => {
                    setTryId(t.id);
                    setLive(null);
                    setTask(t.task);
                    setProposal(null);
                  }}
                >
                  Try {i + 1}
                </button>
              ))}
            {stand.tries.length < MOST.tries && cuts.length > 0 && (
              <button type="button" className="press" onClick={another}>
                Another try
              </button>
            )}
            {cuts.length > 0 && (
              <button
                type="button"
                className="press press-plain"
                onClick={() => {
                  setProposal(null);
                  put("all put back", []);
                }}
              >
                Put all back
              </button>
            )}
          </div>
          <details className="more no-print">
            <summary>
              {wantedM === null ? "To another height than is wished for" : `To stand at ${say.length(wantedM)}`}
            </summary>
            <div className="slide">
              <Slider
                aria-label="Height it is to stand at"
                value={wantedM ?? plant.goal.heightM ?? result.before.heightM}
                min={Math.round(result.before.heightM * 20) / 100}
                max={Math.round(result.before.heightM * 130) / 100}
                step={0.05}
                getAriaValueText={(v) => say.length(v)}
                onChange={(_, v) => setWantedM(v)}
                sx={{ color: "var(--leaf)" }}
              />
              <button type="button" className="press press-plain" onClick={() => setWantedM(null)}>
                As it is wished for
              </button>
            </div>
          </details>
          <Outcome plant={plant} result={result} nameOf={nameOf} />
          {proposal && <ProposalNote s={proposal} names={nameOf} />}
          {stand.tries.length > 1 && <Compare plant={plant} stand={stand} />}
        </div>
      </div>
      <div className="bench-work">
        <div className="no-print bench-stems">
          <Section title="Over the whole plant">
            <WholeTools cuts={cuts} before={result.before} taxon={taxon} onTry={onTryWhole} onCut={onWhole} />
          </Section>
          <Section
            title="Stems"
            aside={
              <div className="presses">
                <button
                  type="button"
                  className="press press-plain"
                  onClick={addStem}
                  disabled={stand.stems.length >= MOST.stems}
                >
                  Add one
                </button>
                <button type="button" className="press press-plain" onClick={onRecount}>
                  Count again
                </button>
              </div>
            }
          >
            <Offers
              stems={stand.stems}
              plant={plant}
              task={task}
              standing={result.advice.standing}
              nameOf={nameOf}
              onChoose={setChosen}
            />
            <StemList
              stems={stand.stems}
              cuts={cuts}
              remarks={result.remarks}
              chosen={chosen}
              nameOf={nameOf}
              onChoose={choose}
              onTry={onTry}
              onCut={onCut}
              onEdit={edit}
            />
          </Section>
        </div>
        <div>
          <ToCarry
            plant={plant}
            task={task}
            on={on}
            lines={lines}
            proposed={proposal !== null}
            result={result}
            nameOf={nameOf}
            ticked={ticked}
            onTicked={setTicked}
            onPlan={(also) => void plan(also)}
            onDone={(also) => void carryOut(also)}
          />
        </div>
      </div>
      <div className="no-print">
        <RenewalYears plant={plant} stand={stand} nameOf={nameOf} />
      </div>
      {editing && (
        <StemDialog
          key={editing.id}
          stem={editing}
          others={stand.stems.filter((s) => s.id !== editing.id)}
          plant={plant}
          nameOf={(id) => names.get(id) ?? "A new stem"}
          onSave={(s) => {
            void save(`${nameOf(s.id).toLowerCase()} corrected`, (old) => withStem(old, s));
            setEditing(null);
          }}
          onRemove={
            stand.stems.some((s) => s.id === editing.id)
              ? () => {
                  void save(`${nameOf(editing.id).toLowerCase()} is not there`, (old) => withoutStem(old, editing.id));
                  setEditing(null);
                  setChosen(null);
                }
              : null
          }
          onClose={() => setEditing(null)}
        />
      )}
    </div>
  );
}
