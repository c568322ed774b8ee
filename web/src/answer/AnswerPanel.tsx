/** The full answer at one plant: may I, why, how much, how, with what. */
import {
  aftercareFor,
  bladeLine,
  CARE_TEXTS,
  careText,
  cautionText,
  cautionsFor,
  heightOf,
  NOTE_ROWS,
  notesFor,
  offeredTasks,
  passOrder,
  PASS_ROWS,
  reasonText,
  SOURCES,
  TASK_TABLE,
  toolsFor,
  VERDICT_TABLE,
  WIND_ASSUMPTIONS,
  type Advice,
  type PlainDate,
  type Plant,
  type Task,
  type Taxon,
  type Verdict,
} from "@wren/core";
import { memo, useMemo } from "react";
import { BudgetRing } from "../drawing/BudgetRing.tsx";
import { useGarden } from "../state/garden.tsx";
import { useVoice } from "../state/voice.ts";
import { VerdictMark } from "../ui/VerdictMark.tsx";
import { useNarrow } from "../ui/useNarrow.ts";
import { Why } from "../ui/Why.tsx";
import { Instead, minutesText, OnlySeason } from "./Instead.tsx";
import {
  explainBudget,
  explainCutHeight,
  explainFrost,
  explainLoss,
  explainMinutes,
  explainWindow,
  explainWind,
} from "./explain.ts";
import { SeenToday } from "./SeenToday.tsx";
import { TaskChoice } from "./TaskChoice.tsx";
import { flowersText, growthText, worstLossOf } from "./sentences.ts";
import { DayLink } from "../ui/DayLink.tsx";
import { usePastShares } from "./usePastShares.ts";

interface Props {
  readonly plant: Plant;
  readonly advice: Advice;
  readonly onTask: (t: Task) => void;
  /** Beside a list it names its plant and leads on; on the plant's own page neither is needed. */
  readonly alone?: boolean;
}

/** Years that differ by less than this need no range beside the number. */
const WORTH_A_RANGE = 0.05;

/** Wind is a price of leaving a plant tall through winter, and what a cut against it is for. */
const windMatters = (a: Advice): boolean =>
  a.windRisk >= WIND_ASSUMPTIONS.worthSaying &&
  (a.task === "reduce-for-wind" || a.reasons.some((r) => r.code === "wind-leaving"));

function Price({ plant, advice }: { readonly plant: Plant; readonly advice: Advice }) {
  const { model } = useGarden();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const loss = worstLossOf(advice) ?? advice.bloomLoss[0];
  const flowers = flowersText(advice, say);
  const wantedM = plant.goal.heightM;
  return (
    <dl className="price">
      <dt>Flowers</dt>
      <dd>
        {loss ? (
          <Why title={`Cost in ${loss.display}`} of={() => explainLoss(loss, advice, taxon, say)}>
            {flowers}
          </Why>
        ) : (
          flowers
        )}
        {advice.lossRange && advice.lossRange[1] - advice.lossRange[0] >= WORTH_A_RANGE && (
          <span className="light">
            {" "}
            {say.percent(advice.lossRange[0])} to {say.percent(advice.lossRange[1])} by the year
          </span>
        )}
      </dd>
      <dt>Live growth</dt>
      <dd>
        <Why title="Live growth of twelve months" of={() => explainBudget(advice, model, say)}>
          {growthText(advice, say)}
        </Why>
        {advice.freesUpOn && <span className="light"> · a usual cut fits from {say.date(advice.freesUpOn)}</span>}
      </dd>
      <dt>Frost</dt>
      <dd>
        <Why title="Frost risk of a cut on this day" of={() => explainFrost(advice, taxon, model, say)}>
          {(advice.frostRisk ?? 0) < 0.01
            ? "no risk"
            : `chance of harm about ${say.percent(Math.round((advice.frostRisk ?? 0) * 100) / 100)}`}
        </Why>
      </dd>
      {advice.window && (
        <>
          <dt>Window</dt>
          <dd>
            <Why title="The window" of={() => explainWindow(advice, taxon, say)}>
              {advice.window.closes === null
                ? "any day"
                : `${advice.window.opens ? say.date(advice.window.opens) : "open"} to ${say.date(advice.window.closes)}`}
            </Why>
            {advice.window.spreadDays > 0 && (
              <span className="light"> give or take {say.days(advice.window.spreadDays)}</span>
            )}
            {advice.window.costs && <span className="light"> (least cost)</span>}
            {advice.best && VERDICT_TABLE[advice.verdict].go && advice.verdict !== "best" && (
              <span className="light"> · best from {say.date(advice.best.opens)}</span>
            )}
          </dd>
        </>
      )}
      {advice.task !== "leave" && (
        <>
          <dt>Time</dt>
          <dd>
            <Why title="Minutes it takes" of={() => explainMinutes(advice, plant)}>
              {minutesText(advice.minutes)}
            </Why>
          </dd>
        </>
      )}
      {windMatters(advice) && (
        <>
          <dt>Wind</dt>
          <dd>
            <Why title="What wind may do in the winter ahead" of={() => explainWind(advice, plant, model, say)}>
              {advice.windRisk >= 0.6 ? "much, if it stands uncut" : "some, if it stands uncut"}
            </Why>
          </dd>
        </>
      )}
      {advice.cutHeight && wantedM !== null && (
        <>
          <dt>Cut to</dt>
          <dd>
            <Why title="Height to cut to" of={() => explainCutHeight(advice, taxon, wantedM, say)}>
              {advice.cutHeight.guards.length > 0
                ? `cannot be held at ${say.length(wantedM)}: from ${say.length(advice.cutHeight.holdableFromM)}`
                : `about ${say.length(advice.cutHeight.cutAtM)}`}
            </Why>
          </dd>
        </>
      )}
    </dl>
  );
}

interface HowToProps {
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly task: Task;
  readonly verdict: Verdict;
  readonly on: PlainDate;
  /** Above shoulder height other cautions apply. */
  readonly heightM: number;
}
const HowTo = memo(function HowTo({ plant, taxon, task, verdict, on, heightM }: HowToProps) {
  const { model } = useGarden();
  const say = useVoice();
  const passes = passOrder(taxon, task, plant);
  const tools = toolsFor(plant, taxon, task);
  const care = aftercareFor(model, plant, task, on);
  if (task === "leave" || verdict === "never" || verdict === "ask-a-pro") return null;
  return (
    <details className="more" open={VERDICT_TABLE[verdict].go}>
      <summary>How it is done</summary>
      {passes.length > 0 && (
        <ol className="passes">
          {passes.map((p) => (
            <li key={p}>
              {PASS_ROWS[p].title}. <span className="quiet">{say.prose(PASS_ROWS[p].why)}</span>
            </li>
          ))}
        </ol>
      )}
      <p className="spaced">
        <strong>Where the blade goes: </strong>
        {say.prose(bladeLine(taxon, task))}
      </p>
      <p className="spaced">
        <strong>With: </strong>
        {tools.join(", ")}; sharp and clean.
      </p>
      {notesFor(plant, taxon, task).map((n) => (
        <p key={n} className="spaced">
          {say.prose(NOTE_ROWS[n].text)}
        </p>
      ))}
      <ul aria-label="Cautions" className="cautions">
        {cautionsFor(plant, taxon, task, heightM).map((c) => (
          <li key={c}>{say.prose(cautionText(c, taxon))}</li>
        ))}
      </ul>
      {care.length > 0 && (
        <>
          <h3 className="title-3">Afterwards</h3>
          <ul aria-label="Afterwards" className="aftercare">
            {care.map((c) => (
              <li key={c.code}>
                <strong>{CARE_TEXTS[c.code].title}: </strong>
                {say.prose(careText(c, say))}
              </li>
            ))}
          </ul>
        </>
      )}
    </details>
  );
});

/** The ways on from an answer that stands beside a list; the same on every day. */
const WaysOn = memo(function WaysOn({ plant, task }: { readonly plant: Plant; readonly task: Task }) {
  return (
    <div className="presses ways-on">
      <DayLink to={`/plant/${plant.id}/record/${task}`} className="press press-main">
        Record a visit
      </DayLink>
      <DayLink to={`/plant/${plant.id}`} className="press" aria-label={`Its year and history: ${plant.label}`}>
        Its year and history
      </DayLink>
    </div>
  );
});

export function AnswerPanel({ plant, advice, onTask, alone = true }: Props) {
  const { model } = useGarden();
  const say = useVoice();
  const past = usePastShares(plant.id, advice.on);
  const taxon = model.taxonOf(plant);
  const narrow = useNarrow();
  const offered = useMemo(() => offeredTasks(model, plant, advice.on), [model, plant, advice.on]);
  const choice = <TaskChoice key={plant.id} taxon={taxon} task={advice.task} onTask={onTask} first={offered} />;
  const [first, ...others] = advice.reasons;
  // What is left of the account stands in the price already.
  const rest = others.filter((r) => r.code !== "cap-left" && r.code !== "cap-scarce");
  return (
    <div>
      {alone && <h2 className="title-2">{plant.label}</h2>}
      <p className="kind-name quiet">
        {taxon.common[0]}, <em>{taxon.botanical}</em>
      </p>
      {!narrow && choice}
      <div className="verdict">
        <VerdictMark verdict={advice.verdict} size={30} word />
        {narrow && <span className="quiet verdict-task">{TASK_TABLE[advice.task].label}</span>}
      </div>
      <p className="main-reason" data-testid="main-reason">
        {reasonText(first!, say)}
      </p>
      {narrow && choice}
      <div className="ring-and-price">
        <div className="ring">
          <BudgetRing
            seed={plant.id}
            taken={advice.takenLast12Months}
            cap={advice.cap}
            deadCount={past.deadCount}
            past={past.shares}
            size={160}
          />
          <p className="quiet small">
            {advice.cap === null
              ? "Cut back each year: no cap counts"
              : `${say.percent(advice.takenLast12Months)} of ${say.percent(advice.cap)} in twelve months`}
          </p>
        </div>
        <Price plant={plant} advice={advice} />
      </div>
      {rest.length > 0 && (
        <ul aria-label="More reasons" className="more-reasons">
          {rest.map((r) => (
            <li key={r.code}>
              {reasonText(r, say)} <span className="quiet source">{SOURCES[r.source].citation}</span>
            </li>
          ))}
        </ul>
      )}
      <p className="quiet small">Why: {SOURCES[first!.source].citation}.</p>
      <Instead advice={advice} onTask={onTask} />
      <SeenToday plant={plant} task={advice.task} opening={advice.opening} />
      {!alone && <OnlySeason plant={plant} advice={advice} />}
      <HowTo
        plant={plant}
        taxon={taxon}
        task={advice.task}
        verdict={advice.verdict}
        on={advice.on}
        heightM={Math.round(heightOf(model, plant, advice.on).heightM * 10) / 10}
      />
      {alone && <WaysOn plant={plant} task={advice.task} />}
    </div>
  );
}
