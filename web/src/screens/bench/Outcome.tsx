/** What a try amounts to: may it be done, how much goes, what it costs in flowers, what follows. */
import {
  ARCHITECTURE_TABLE,
  bindsText,
  buildOf,
  gainsOf,
  gainText,
  isRefusal,
  measuresOf,
  reasonText,
  remarkText,
  whatFollows,
  type Future,
  type PlainDate,
  type Plant,
  type StemCut,
  type TryResult,
  type Voice,
  waiting,
} from "@wren/core";
import { memo, useDeferredValue } from "react";
import { BudgetRing } from "../../drawing/BudgetRing.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Table } from "../../ui/Table.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { Why, type Explanation } from "../../ui/Why.tsx";
import { capital } from "../../words/capital.ts";
import { HORIZON_LABELS } from "./labels.ts";

function explainShare(t: TryResult, say: Voice): Explanation {
  return {
    formula:
      "A stem carries leaf as its conducting section says: thickness squared, of all live stems; in very thick ones only an outer ring conducts. Along stems and branches the leaf sits in the outer shell of the plant, at each height as much as its outline has there; what a cut takes is the leaf of the places it takes, drawn as the green dots. Dead wood stands in no sum.",
    inputs: [
      ["stems out at the ground", `${t.removed} of ${t.live} live`],
      ["stems shortened", String(t.headed)],
      ...measuresOf(t).map(([m, s]) => [m, say.percent(s)] as const),
    ],
    sources: ["pipe-model"],
  };
}

function explainFollows(): Explanation {
  return {
    formula:
      "Below a heading cut one to three buds wake; a hard cut is answered by longer shoots; where a stem went at the base one to four come again. Growth slows towards the kind's mature height. There are no published figures for these: they are ours, and given as ranges.",
    inputs: [],
    sources: ["assumption"],
  };
}

const verdictLine = (t: TryResult, say: Voice, nameOf: (id: string) => string): string => {
  const heads = t.cuts.some((c) => c.cut === "dead-heads");
  if (t.accepted && t.share === 0 && !t.takesDead)
    return heads ? "Only spent heads go, and nothing that grows: it can be planned." : "Nothing is cut yet.";
  if (t.accepted && t.advice.verdict === "no-need")
    return `${reasonText(t.advice.reasons[0]!, say)} It can be planned all the same.`;
  if (t.accepted && t.share === 0) return "Only dead wood goes, and that may go on any day: it can be planned.";
  if (t.accepted) return "It can be planned.";
  const waits = waiting(t.advice.standing);
  if (waits && t.remarks.some((r) => r.code === waits.code)) return remarkText(waits, say);
  if (t.over > 0) return `Over the cap by ${say.percent(t.over)}: put something back.`;
  if (t.stemsMayGo !== null && t.removed > t.stemsMayGo)
    return `${t.removed} stems are more than a third: ${t.stemsMayGo} may go this year.`;
  const refused = t.remarks.find(isRefusal);
  const where = refused?.stemId ? `${nameOf(refused.stemId)}. ` : "";
  return refused ? `${where}${remarkText(refused, say)}` : reasonText(t.advice.reasons[0]!, say);
};

function flowersLine(t: TryResult, say: Voice): string {
  const worst = t.flowers.reduce<TryResult["flowers"][number] | null>(
    (a, b) => (a && a.loss * a.weight >= b.loss * b.weight ? a : b),
    null,
  );
  if (!worst || worst.loss < 0.005) return "no flowers lost";
  return `${say.percent(worst.loss)} of the ${worst.display} of ${say.date(worst.opens)}`;
}

/** Another stem or two, or so much off the top, in handy terms. */
function handy(t: TryResult, say: Voice): string | null {
  if (t.cap === null || t.over > 0) return null;
  const left = t.cap - t.takenAfter;
  const staying = t.effects.filter((e) => e.kept === 1 && e.stem.state === "live");
  if (staying.length === 0 || left <= 0) return null;
  const thickest = staying.reduce((a, b) => (b.stem.diameterMm > a.stem.diameterMm ? b : a)).stem;
  const each = t.ofStems[t.effects.findIndex((e) => e.stem === thickest)]!;
  const more = each > 0 ? Math.floor(left / each) : 0;
  return more === 0
    ? "not one more of the thickest"
    : `about ${more} more as thick as ${say.thickness(thickest.diameterMm)}`;
}

/** Stems that go and are shortened; and of the branches on them, which are all that is cut of a tree. */
function cutsText(t: TryResult): string {
  const count = (kind: StemCut["cut"]): number => t.cuts.filter((c) => c.cut === kind).length;
  const [off, back] = [count("branch-off"), count("branch-back") + count("shoot-off")];
  return [
    `${t.removed} of ${t.live} live out`,
    t.headed > 0 && `${t.headed} shortened`,
    off > 0 && `${off} ${off === 1 ? "branch" : "branches"} off`,
    back > 0 && `${back} ${back === 1 ? "branch" : "branches"} shortened`,
  ]
    .filter(Boolean)
    .join(", ");
}

interface OutcomeProps {
  readonly plant: Plant;
  readonly result: TryResult;
  readonly nameOf: (id: string) => string;
}
export function Outcome({ plant, result: t, nameOf }: OutcomeProps) {
  const say = useVoice();
  const { model } = useGarden();
  const { mains } = ARCHITECTURE_TABLE[buildOf(model.taxonOf(plant), plant.form).architecture];
  const binds = bindsText(t, say);
  const rest = handy(t, say);
  return (
    <div role="status" aria-label="What this try amounts to">
      <div className="verdict">
        <VerdictMark verdict={t.advice.verdict} word />
      </div>
      <p className={`main-reason${t.accepted ? "" : " alarm"}`}>{verdictLine(t, say, nameOf)}</p>
      <div className="ring-and-price">
        <div className="ring">
          <BudgetRing
            seed={plant.id}
            taken={t.advice.takenLast12Months}
            cap={t.cap}
            tried={t.share}
            deadCount={t.deadRemoved}
            size={150}
          />
        </div>
        <dl className="price">
          <dt>Live growth</dt>
          <dd>
            <Why title="Live growth that goes" of={() => explainShare(t, say)}>
              {say.percent(t.share)} goes
            </Why>
            {t.cap !== null && (
              <span className="light">
                {" "}
                · {say.percent(t.takenAfter)} of {say.percent(t.cap)} in twelve months{rest ? `; ${rest}` : ""}
              </span>
            )}
          </dd>
          <dt>{capital(mains[1])}</dt>
          <dd>
            {cutsText(t)}
            {t.deadRemoved > 0 && <span className="light"> · {t.deadRemoved} dead, which do not count</span>}
            {t.stemsMayGo !== null && <span className="light"> · a renewal may take {t.stemsMayGo}</span>}
          </dd>
          <dt>Flowers</dt>
          <dd>{flowersLine(t, say)}</dd>
          <dt>Size</dt>
          <dd>
            {say.length(t.after.heightM)} high<span className="light">, of {say.length(t.before.heightM)}</span>
          </dd>
          {t.hazardShare > 0 && (
            <>
              <dt>Apart</dt>
              <dd>{say.percent(t.hazardShare)} torn or diseased: booked apart</dd>
            </>
          )}
        </dl>
      </div>
      {binds && <p className="small">{binds}</p>}
      {t.share > 0 && (
        <p className="quiet small">
          The same cut measured otherwise:{" "}
          {measuresOf(t)
            .map(([m, s]) => `${m} ${say.percent(s)}`)
            .join(", ")}
          .
        </p>
      )}
    </div>
  );
}

const range = (low: number, high: number, text: (n: number) => string): string =>
  text(low) === text(high) ? text(low) : `${text(low)}–${text(high)}`;

const of = (f: Future, say: Voice): readonly string[] => [
  `${HORIZON_LABELS[f.horizon]}, ${say.date(f.on)}`,
  range(f.heightM[0], f.heightM[2], say.length),
  f.flowers === null ? "–" : range(f.flowers[0], f.flowers[2], (n) => `${Math.round(n * 100)} %`),
  f.headSize === null ? "–" : range(f.headSize[0], f.headSize[1], (n) => `×${n.toFixed(1)}`),
];

interface FollowsProps {
  readonly plantId: string;
  readonly result: TryResult;
  readonly on: PlainDate;
}
/** A table of years to come follows a drag a moment later, so that the drawing answers first. */
export function WhatFollows(p: FollowsProps) {
  return <FollowsOf {...p} result={useDeferredValue(p.result)} />;
}

const FollowsOf = memo(function FollowsOf({ plantId, result, on }: FollowsProps) {
  const { model } = useGarden();
  const say = useVoice();
  const loss = Math.max(0, ...result.flowers.map((f) => f.loss * f.weight));
  const follows = whatFollows(model, plantId, result, on, loss);
  const gains = gainsOf(model, plantId, result, on);
  return (
    <>
      {gains.length > 0 && (
        <ul aria-label="What it gains">
          {gains.map((g) => (
            <li key={g.code}>{gainText(g, say)}</li>
          ))}
        </ul>
      )}
      <Table
        head={["When", "Height", "Flowering shoots", "Size of a head"]}
        rows={follows.futures.slice(1).map((f) => ({ key: f.horizon, cells: of(f, say) }))}
      />
      <p className="quiet small">
        <Why title="What follows" of={() => explainFollows()}>
          Against the plant left alone
        </Why>
        , slow to strong growth.
        {follows.suckers &&
          ` From the base come ${follows.suckers.count[0]} to ${follows.suckers.count[2]} shoots: thin them when they have 25 cm, about ${say.date(follows.suckers.thinOn)}.`}
        {follows.outgrowsOn && ` It stands over its line by ${say.date(follows.outgrowsOn)}.`}
      </p>
    </>
  );
});
