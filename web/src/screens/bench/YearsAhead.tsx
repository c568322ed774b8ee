/** Down to a height in the fewest years and held there; and whether to hold it at all. */
import { Box, Button, Slider, Typography } from "@mui/material";
import {
  addYears,
  CATALOGUE,
  heightOf,
  outlook,
  OUTLOOK_ASSUMPTIONS,
  partsOf,
  REACH_LIMITS,
  TASK_TABLE,
  type Outlook,
  type PlainDate,
  type Plant,
  type Voice,
  type Way,
  type WayRow,
} from "@wren/core";
import { useMemo, useState } from "react";
import { useDay } from "../../state/day.tsx";
import { withProgramme } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";
import { Why, type Explanation } from "../../ui/Why.tsx";
import { OwnNumbers } from "./OwnNumbers.tsx";
import { sawTooth, type Tooth } from "../../drawing/sawTooth.geometry.ts";

const WAY_LABELS: Readonly<Record<Way, string>> = {
  hold: "Hold it there",
  "let-go": "Let it grow",
  renew: "Renew it once",
  move: "Move it",
  replace: "A kind that fits",
};

const YEARS_SHOWN = 6;
const BOX = { width: 400, height: 150 } as const;

/** Cuts and growth of the years to come: the steps down, then the yearly cut that holds it. */
function teethOf(o: Outlook, growthM: readonly [number, number, number]): readonly Tooth[] {
  const { steps, reached, holdCutM } = o.reduction;
  const down = steps.slice(0, YEARS_SHOWN).map((s): Tooth => ({ before: s.beforeM, cut: s.cutM, after: s.afterM }));
  const held: Tooth = {
    before: holdCutM + growthM[1],
    cut: holdCutM,
    after: [holdCutM + growthM[0], holdCutM + growthM[1], holdCutM + growthM[2]],
  };
  return reached ? [...down, ...Array.from({ length: Math.max(0, YEARS_SHOWN - down.length) }, () => held)] : down;
}

function SawTooth({
  teeth,
  wantedM,
  first,
}: {
  readonly teeth: readonly Tooth[];
  readonly wantedM: number;
  readonly first: number;
}) {
  const s = sawTooth(teeth, wantedM, BOX);
  return (
    <svg
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      width="100%"
      role="img"
      aria-label="Height over the years; the table below says the same in numbers"
      style={{ display: "block", background: "var(--paper)", maxWidth: 640 }}
    >
      <path d={s.band} fill="var(--leaf)" fillOpacity="0.2" />
      <path d={s.line} fill="none" stroke="var(--leaf)" strokeWidth="2.5" strokeLinejoin="round" />
      <line
        x1="0"
        x2={BOX.width}
        y1={s.wantedY}
        y2={s.wantedY}
        stroke="var(--plum)"
        strokeDasharray="8 5"
        strokeWidth="1.5"
      />
      {s.yearX.map((x, i) => (
        <text key={x} x={x + 4} y={BOX.height - 5} fontSize="12" fill="var(--soft)">
          {first + i}
        </text>
      ))}
    </svg>
  );
}

const minutes = ([a, b]: readonly [number, number]): string => {
  const [low, high] = [Math.round(a), Math.round(b)];
  return low === high ? `${low} min` : `${low}–${high} min`;
};
const heights = ([a, b]: readonly [number, number], say: Voice): string =>
  say.length(a) === say.length(b) ? say.length(a) : `${say.length(a)} to ${say.length(b)}`;
const flowers = ([a, b]: readonly [number, number], say: Voice): string =>
  b < 0.005 ? "none" : a < 0.005 ? `up to ${say.percent(b)}` : `${say.percent(a)} to ${say.percent(b)}`;

const cost = ([a, b]: readonly [number, number]): string => {
  const [low, high] = [Math.round(a), Math.round(b)];
  return low === high ? String(low) : `${low}–${high}`;
};

function explainWay(w: WayRow, o: Outlook, say: Voice): Explanation {
  return {
    formula: `Means of ${OUTLOOK_ASSUMPTIONS.years} years. Minutes are those of your own log where there are any, else by size and task; flowers are the price on the task's best day; moving and new plants cost years of bloom. These are ours, as ranges.`,
    inputs: [
      ["live growth each year", w.shareEach === null ? "none is cut" : say.percent(w.shareEach)],
      ["cap", o.cap === null ? "none counts" : say.percent(o.cap)],
      ["cuttings in a year", `${w.debrisM3PerYear.toFixed(1)} m³`],
      ["hours", w.ownHours ? "your own" : "your log, else by size"],
      ...(w.costPerYear
        ? [["cost", "your prices: hours, a new plant over ten years, cuttings taken away"] as const]
        : []),
    ],
    sources: ["assumption"],
  };
}

function Ways({ o }: { readonly o: Outlook }) {
  const say = useVoice();
  const priced = o.ways.some((w) => w.costPerYear !== null);
  return (
    <>
      <Table
        head={[
          "Way",
          "Stands at",
          "Work a year",
          "Cuttings",
          "Flowers lost a year",
          ...(priced ? ["Cost a year"] : []),
        ]}
        rows={o.ways.map((w) => ({
          key: w.way,
          cells: [
            <Why key="why" title={WAY_LABELS[w.way]} of={() => explainWay(w, o, say)}>
              {WAY_LABELS[w.way]}
            </Why>,
            w.overCap ? (
              <span key="over" className="alarm">
                cannot: {say.percent(w.shareEach ?? 0)} each year, of {say.percent(o.cap ?? 1)}
              </span>
            ) : (
              heights(w.heightM, say)
            ),
            minutes(w.minutesPerYear),
            w.debrisM3PerYear < 0.05 ? "little" : `${w.debrisM3PerYear.toFixed(1)} m³`,
            flowers(w.flowersPerYear, say),
            ...(w.costPerYear ? [cost(w.costPerYear)] : []),
          ],
        }))}
      />
      {o.ways
        .filter((w) => w.kinds.length > 0)
        .map((w) => (
          <p key={w.way} className="small">
            Kinds that stay within it:{" "}
            {w.kinds.map((id, i) => (
              <span key={id}>
                {i > 0 && ", "}
                <DayLink to={`/kinds/${id}`} style={{ color: "inherit" }}>
                  {CATALOGUE.byId(id)?.common[0]}
                </DayLink>
              </span>
            ))}
            .
          </p>
        ))}
    </>
  );
}

/** The day on which a step is due: the task's best day, once a year. */
const dueOn = (o: Outlook, i: number): PlainDate => addYears(o.bestDay, i);

export function YearsAhead({ plant }: { readonly plant: Plant }) {
  const { model, garden, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const { heightM } = heightOf(model, plant, on);
  const start = plant.goal.heightM ?? Math.round(heightM * 16) / 20;
  const [wantedM, setWantedM] = useState(start);
  const o = useMemo(() => outlook(model, plant, on, wantedM), [model, plant, on, wantedM]);
  const { reduction: r } = o;
  const teeth = useMemo(() => teethOf(o, taxon.growthM), [o, taxon.growthM]);
  const holds = r.reached && (o.cap === null || r.holdShare <= o.cap + 1e-6);
  const noCut = o.cap !== null && o.cap <= 0;
  const sentence = (): string => {
    if (noCut) return "No live cut while it is as it is: ask again when it has recovered.";
    if (!r.reached)
      return `Not reachable under this cap: its growth makes up for what may go. It can be held from ${say.length(r.holdableM)} on.`;
    const years = r.steps.length === 1 ? "this year" : `in ${r.steps.length} years`;
    return holds
      ? `Reached ${years}; then cut to ${say.length(r.holdCutM)} each year, ${say.percent(r.holdShare)} of its live growth.`
      : `Reached ${years}, but not to be held there: it would take ${say.percent(r.holdShare)} each year, of ${say.percent(o.cap ?? 1)}. It can be held from ${say.length(r.holdableM)} on.`;
  };
  const begun = garden.programmes.find((p) => p.plantId === plant.id && p.way === "down-to" && p.on <= on);
  const begin = (): Promise<boolean> =>
    change(`${plant.label}: brought down to ${say.length(wantedM)}, begun`, (g) =>
      withProgramme(g, { id: newId(), plantId: plant.id, on, way: "down-to", aimM: wantedM }),
    );
  return (
    <Section title="Years ahead">
      <Typography id="wanted-height">
        To stand at <strong>{say.length(wantedM)}</strong> when growth ends (it stands at {say.length(heightM)})
      </Typography>
      <Box sx={{ px: 1.25 }}>
        <Slider
          aria-labelledby="wanted-height"
          value={wantedM}
          min={Math.max(0.1, Math.round(heightM * 4) / 20)}
          max={Math.max(heightM, taxon.matureHeightM[1])}
          step={0.05}
          getAriaValueText={say.length}
          onChange={(_, v) => setWantedM(v)}
          sx={{ color: "var(--plum)" }}
        />
      </Box>
      <Typography role="status" sx={{ fontWeight: 700, mb: 1 }}>
        {sentence()}
      </Typography>
      {r.holdCutM > REACH_LIMITS.groundM && !noCut && (
        <p className="alarm">
          The cut at {say.length(r.holdCutM)} is out of reach from the ground: that is a professional’s work.
        </p>
      )}
      {!noCut && <SawTooth teeth={teeth} wantedM={wantedM} first={partsOf(o.bestDay).year} />}
      <Table
        head={["Year", "Day", "From", "Cut to", "Live growth", "At the end of the season"]}
        rows={r.steps.map((s, i) => ({
          key: String(i),
          cells: [
            String(i + 1),
            say.date(dueOn(o, i)),
            say.length(s.beforeM),
            say.length(s.cutM),
            say.percent(s.share),
            heights([s.afterM[0], s.afterM[2]], say),
          ],
        }))}
      />
      <p className="quiet small">
        {TASK_TABLE[o.task].label}, measured by the outline of its habit; growth slow to strong. It is worked out anew
        from what you record.
      </p>
      {r.reached && !noCut && (
        <Box className="no-print" sx={{ mb: 2, display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
          <Button variant="outlined" onClick={() => void begin()} disabled={begun?.aimM === wantedM}>
            {r.steps.length === 1 ? "Begin it" : `Begin the ${r.steps.length} years`}
          </Button>
          {begun && (
            <p className="quiet small">
              Begun, to stand at {say.length(begun.aimM ?? wantedM)}: its steps move with what you record.
            </p>
          )}
        </Box>
      )}
      <Typography component="h3" sx={{ fontWeight: 700, mt: 1 }}>
        Hold it, let it go, renew, move or replace?
      </Typography>
      <Ways o={o} />
      <OwnNumbers plant={plant} />
    </Section>
  );
}
