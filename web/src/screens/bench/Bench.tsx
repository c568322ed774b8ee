/** The stems as they stand, cuts tried on them, what each try amounts to, and the list to carry. */
import { Box, Button, Slider, Typography, useMediaQuery } from "@mui/material";
import {
  cutList,
  heightOf,
  HORIZONS,
  MOST_STEMS,
  MOST_TRIES,
  plainStem,
  regimeOf,
  suggest,
  TASK_TABLE,
  taskForGoal,
  tasksFor,
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
import { RotateCw } from "lucide-react";
import { useCallback, useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { seenDay } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useStable } from "../../state/stable.ts";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { CutList } from "./CutList.tsx";
import { Drawing } from "./Drawing.tsx";
import { FourSides, SIDES } from "./FourSides.tsx";
import { HORIZON_LABELS } from "./labels.ts";
import { Outcome, WhatFollows } from "./Outcome.tsx";
import { RenewalYears } from "./RenewalYears.tsx";
import { carriedOut, cutAt, wholeCut, withCuts, withoutStem, withStand, withStem } from "./standEdits.ts";
import { StemDialog } from "./StemDialog.tsx";
import { StemRow } from "./StemList.tsx";
import { WholeTools } from "./WholeTools.tsx";
import { Compare, Offers, PhotosOf, ProposalNote } from "./asides.tsx";

/** A new stem starts like a finger, as long as the plant is tall. */
const NEW_STEM = { diameterMm: 15, leanDeg: 20 } as const;

interface BenchProps {
  readonly plant: Plant;
  readonly stand: Stand;
  readonly onRecount: () => void;
}
export function Bench({ plant, stand, onRecount }: BenchProps) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const goal = taskForGoal(model, plant);
  const [task, setTask] = useState<Task>(stand.tries[0]?.task ?? (goal === "leave" ? "shape" : goal));
  const [tryId, setTryId] = useState(stand.tries[0]?.id ?? "t1");
  const [horizon, setHorizon] = useState<Horizon>("now");
  const [viewDeg, setViewDeg] = useState(0);
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState<Stem | null>(null);
  const [proposal, setProposal] = useState<Suggestion | null>(null);
  const wide = useMediaQuery("(min-width:1000px)");
  const current = stand.tries.find((t) => t.id === tryId);
  const cuts = useMemo(() => current?.cuts ?? [], [current]);
  const names = useMemo(() => new Map(stand.stems.map((s, i) => [s.id, `Stem ${i + 1}`])), [stand.stems]);
  const nameOf = useCallback((id: string): string => names.get(id) ?? "a stem", [names]);
  const result = useMemo(
    () => tryOut(model, { plant, stems: stand.stems, task, cuts }, on),
    [model, plant, stand.stems, task, cuts, on],
  );
  const loss = Math.max(0, ...result.flowers.map((f) => f.loss * f.weight));
  const follows = useMemo(() => whatFollows(model, plant.id, result, on, loss), [model, plant.id, result, on, loss]);
  const lines = useMemo(
    () => cutList(stand.stems, cuts, taxon, task, plant.goal.kind),
    [stand.stems, cuts, taxon, task, plant.goal.kind],
  );
  const numbers = useMemo(() => new Map(lines.flatMap((l) => (l.stem ? [[l.stem.id, l.no] as const] : []))), [lines]);
  const room = useMemo(
    () => ({
      heightM: Math.max(result.before.heightM, ...follows.futures.map((f) => f.heightM[1])) * 1.04,
      widthM: Math.max(result.before.widthM, plant.widthM) * 1.15,
    }),
    [result.before, follows.futures, plant.widthM],
  );
  const save = (label: string, next: Stand): Promise<boolean> =>
    change(`${plant.label}: ${label}`, (g) => withStand(g, next));
  const put = useStable((label: string, next: readonly StemCut[]) => {
    void save(label, withCuts(stand, tryId, task, next));
  });
  const onCut = useStable((stemId: string, cut: StemCut | null) =>
    put(`${nameOf(stemId).toLowerCase()} ${cut ? "cut" : "put back"}`, cutAt(cuts, stemId, cut)),
  );
  const onShear = useStable((heightM: number) => {
    const shear = cuts.find((c) => c.cut === "shear");
    if (shear)
      put(
        "outline",
        wholeCut(cuts, "shear", { ...shear, heightM: Math.min(result.before.heightM, Math.max(0.05, heightM)) }),
      );
  });
  const propose = (): void => {
    const s = suggest(model, { plant, stems: stand.stems, task }, on);
    setProposal(s);
    put("proposal", s.cuts);
  };
  const chooseTask = (t: Task): void => {
    setTask(t);
    setProposal(null);
    if (current) void save("task", withCuts(stand, tryId, t, cuts));
  };
  const another = (): void => {
    const id = ["t1", "t2", "t3"].find((x) => !stand.tries.some((t) => t.id === x)) ?? "t1";
    void save("another try", withCuts(stand, id, task, cuts));
    setTryId(id);
  };
  const plan = async (): Promise<void> => {
    const planned = {
      id: newId(),
      plantId: plant.id,
      on,
      task,
      madeOn: today(),
      note: `${lines.length} cuts, ${say.percent(result.share)} of its live growth`,
    };
    await change(`${plant.label}: ${TASK_TABLE[task].label.toLowerCase()} planned`, (g) => ({
      ...withStand(g, { ...withCuts(stand, tryId, task, cuts), chosen: tryId }),
      plans: [...g.plans, planned],
    }));
  };
  const carryOut = async (): Promise<void> => {
    const day = seenDay(plant, on, today());
    await change(`${plant.label}: cuts carried out`, (g) =>
      carriedOut(g, stand, { id: tryId, task, cuts: [...cuts] }, taxon, {
        visitId: newId(),
        standId: newId(),
        on: day,
        regime: regimeOf(taxon, task),
        amounts: result,
      }),
    );
    setProposal(null);
    setHorizon("now");
  };
  const addStem = (): void => {
    let n = stand.stems.length + 1;
    while (stand.stems.some((s) => s.id === `s${n}`)) n++;
    const lengthM = Math.round(heightOf(model, plant, on).heightM * 100) / 100;
    const turnDeg = Math.round((n * 137.5) % 360);
    setEditing({ ...plainStem(`s${n}`, NEW_STEM.diameterMm, lengthM), turnDeg, leanDeg: NEW_STEM.leanDeg });
  };
  const side = Math.round(viewDeg / 90) % 4;
  return (
    <Box className="bench">
      <Box className="no-print task-choice" role="group" aria-label="Task">
        {tasksFor(taxon)
          .filter((t) => t !== "leave")
          .map((t) => (
            <button
              key={t}
              type="button"
              className={`press task${t === task ? " task-chosen" : ""}`}
              aria-pressed={t === task}
              onClick={() => chooseTask(t)}
            >
              {TASK_TABLE[t].label}
            </button>
          ))}
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: wide ? "minmax(0, 7fr) minmax(0, 5fr)" : "minmax(0, 1fr)",
          // On a phone the outcome follows the drawing, and what comes of it in later years stands after both.
          gridTemplateAreas: wide ? '"drawing outcome" "follows outcome"' : '"drawing" "outcome" "follows"',
          gridTemplateRows: wide ? "auto 1fr" : undefined,
          gap: 2,
          columnGap: 4,
        }}
      >
        <Box sx={{ gridArea: "drawing" }}>
          <Drawing
            plantId={plant.id}
            stems={stand.stems}
            taxon={taxon}
            result={result}
            horizon={horizon}
            viewDeg={viewDeg}
            on={on}
            room={room}
            chosen={chosen}
            numbers={numbers}
            wantedM={plant.goal.heightM}
            narrow={!wide}
            onChoose={setChosen}
            onCut={onCut}
            onShear={onShear}
          />
          <Box className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", mt: 1 }}>
            <Box role="group" aria-label="When" sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}>
              {HORIZONS.map((h) => (
                <button
                  key={h}
                  type="button"
                  className={`press task${h === horizon ? " task-chosen" : ""}`}
                  aria-pressed={h === horizon}
                  onClick={() => setHorizon(h)}
                >
                  {HORIZON_LABELS[h]}
                </button>
              ))}
            </Box>
            <Button
              variant="outlined"
              startIcon={<RotateCw size={18} />}
              onClick={() => setViewDeg((side * 90 + 90) % 360)}
              aria-label={`Walk round: now ${SIDES[side]}`}
            >
              {SIDES[side]}
            </Button>
            <Slider
              aria-label="Walk round it"
              value={viewDeg}
              min={0}
              max={359}
              onChange={(_, v) => setViewDeg(v)}
              getAriaValueText={(v) => `${v} degrees`}
              sx={{ flex: "1 1 120px", minWidth: 110, mx: 1, color: "var(--umber)" }}
            />
          </Box>
        </Box>
        <Box sx={{ gridArea: "follows" }}>
          <details className="more no-print">
            <summary>Step back: all four sides</summary>
            <FourSides result={result} taxon={taxon} room={room} />
          </details>
          <PhotosOf plantId={plant.id} />
          <Section title="What follows">
            <WhatFollows follows={follows} />
          </Section>
        </Box>
        <Box sx={{ gridArea: "outcome" }}>
          <Box
            className="no-print"
            role="group"
            aria-label="Tries"
            sx={{ display: "flex", gap: 0.75, flexWrap: "wrap", mb: 1 }}
          >
            <Button variant="contained" onClick={propose}>
              Suggest
            </Button>
            {stand.tries.length > 1 &&
              stand.tries.map((t, i) => (
                <Button
                  key={t.id}
                  variant="outlined"
                  aria-pressed={t.id === tryId}
                  onClick={() => {
                    setTryId(t.id);
                    setTask(t.task);
                    setProposal(null);
                  }}
                  sx={t.id === tryId ? { bgcolor: "var(--ink)", color: "var(--mist)" } : {}}
                >
                  Try {i + 1}
                </Button>
              ))}
            {stand.tries.length < MOST_TRIES && cuts.length > 0 && (
              <Button variant="outlined" onClick={another}>
                Another try
              </Button>
            )}
            {cuts.length > 0 && <Button onClick={() => put("all put back", [])}>Put all back</Button>}
          </Box>
          <Outcome plant={plant} result={result} nameOf={nameOf} />
          {proposal && <ProposalNote s={proposal} names={nameOf} />}
          {stand.tries.length > 1 && <Compare plant={plant} stand={stand} />}
        </Box>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: wide ? "minmax(0, 6fr) minmax(0, 6fr)" : "minmax(0, 1fr)",
          columnGap: 4,
        }}
      >
        <Box className="no-print" sx={{ order: wide ? 0 : 1 }}>
          <Section title="Over the whole plant">
            <WholeTools
              cuts={cuts}
              result={result}
              taxon={taxon}
              onCut={(kind, cut) => put("whole plant", wholeCut(cuts, kind, cut))}
            />
          </Section>
          <Section
            title="Stems"
            aside={
              <Box sx={{ display: "flex", gap: 0.5 }}>
                <Button onClick={addStem} disabled={stand.stems.length >= MOST_STEMS}>
                  Add one
                </Button>
                <Button onClick={onRecount}>Count again</Button>
              </Box>
            }
          >
            <Offers
              stems={stand.stems}
              taxonId={taxon.id}
              task={task}
              goal={plant.goal.kind}
              nameOf={nameOf}
              onChoose={setChosen}
            />
            <ul className="bare">
              {stand.stems.map((s) => (
                <StemRow
                  key={s.id}
                  stem={s}
                  name={nameOf(s.id)}
                  nameOf={nameOf}
                  cuts={cuts}
                  remarks={result.remarks.filter((r) => r.stemId === s.id)}
                  chosen={s.id === chosen}
                  onChoose={() => setChosen(s.id === chosen ? null : s.id)}
                  onCut={(cut) => onCut(s.id, cut)}
                  onEdit={() => setEditing(s)}
                />
              ))}
            </ul>
          </Section>
        </Box>
        <Box>
          <Section title="The list to carry">
            {lines.length === 0 ? (
              <Typography>
                Nothing is cut yet. Press Suggest, or press a stem and say what is to happen to it.
              </Typography>
            ) : (
              <>
                <CutList lines={lines} nameOf={nameOf} />
                <Box className="no-print" sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1.5 }}>
                  <Button variant="contained" disabled={!result.accepted} onClick={() => void plan()}>
                    Plan it for {say.date(on)}
                  </Button>
                  <Button variant="outlined" onClick={() => void carryOut()}>
                    It was carried out
                  </Button>
                </Box>
                {!result.accepted && (
                  <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
                    It cannot be planned as it is; what was done can be recorded all the same.
                  </Typography>
                )}
              </>
            )}
          </Section>
        </Box>
      </Box>
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
            void save(`${nameOf(s.id).toLowerCase()} corrected`, withStem(stand, s));
            setEditing(null);
          }}
          onRemove={
            stand.stems.some((s) => s.id === editing.id)
              ? () => {
                  void save(`${nameOf(editing.id).toLowerCase()} is not there`, withoutStem(stand, editing.id));
                  setEditing(null);
                  setChosen(null);
                }
              : null
          }
          onClose={() => setEditing(null)}
        />
      )}
    </Box>
  );
}
