/** A missed window is not the end: what may be done today, in flowers and minutes; and what one season alone would cost. */
import {
  bySeason,
  TASK_TABLE,
  VERDICT_TABLE,
  type Advice,
  type Alternative,
  type Plant,
  type Season,
  type Task,
  type Voice,
  type WorkMinutes,
} from "@wren/core";
import { useGarden } from "../state/garden.tsx";
import { useVoice } from "../state/voice.ts";
import { Table } from "../ui/Table.tsx";
import { VerdictMark } from "../ui/VerdictMark.tsx";

/** Minutes are never known to the minute. */
export function minutesText(m: WorkMinutes): string {
  const round = (n: number): number => (n < 20 ? Math.round(n) : Math.round(n / 5) * 5);
  const [low, high] = [round(m.low), round(m.high)];
  return low === high ? `${low} min` : `${low}–${high} min`;
}

const lossText = (loss: number, say: Voice): string =>
  loss < 0.005 ? "no flowers" : `${say.percent(loss)} of flowers`;

const DOING: Partial<Record<Task, string>> = {
  deadhead: "Spent heads, one by one",
  "dead-only": "Dead wood",
  thin: "One stem in five, at its base",
};

function Way({ a, onTask }: { readonly a: Alternative; readonly onTask: (t: Task) => void }) {
  const say = useVoice();
  return (
    <li className="way">
      <button type="button" className="way-press" onClick={() => onTask(a.task)}>
        <VerdictMark verdict={a.verdict} />
        {DOING[a.task] ?? TASK_TABLE[a.task].label}
      </button>
      <span className="quiet small">
        {lossText(a.bloomLoss, say)} · {minutesText(a.minutes)}
      </span>
    </li>
  );
}

export function Instead({ advice, onTask }: { readonly advice: Advice; readonly onTask: (t: Task) => void }) {
  const say = useVoice();
  if (advice.todayInstead.length === 0) return null;
  const { window } = advice;
  return (
    <div className="answer-part">
      <h3 className="strong">What you can do today instead</h3>
      <ul className="bare">
        {advice.todayInstead.map((a) => (
          <Way key={a.task} a={a} onTask={onTask} />
        ))}
        {window?.opens && window.opens > advice.on && (
          <li className="way-wait">Or wait: the next window opens {say.date(window.opens)}.</li>
        )}
      </ul>
    </div>
  );
}

const SEASON_NAMES: Readonly<Record<Season, string>> = {
  winter: "Winter",
  spring: "Spring",
  summer: "Summer",
  autumn: "Autumn",
};

/** The only season there is time in, and what it costs. */
export function OnlySeason({ plant, advice }: { readonly plant: Plant; readonly advice: Advice }) {
  const { model } = useGarden();
  const say = useVoice();
  if (!TASK_TABLE[advice.task].live) return null;
  const rows = bySeason(model, plant, advice.on, advice.task);
  return (
    <details className="more">
      <summary>If you have time in one season only</summary>
      <Table
        head={["Season", "Its best day", "Answer", "Flowers", "Frost"]}
        rows={rows.map((r) => ({
          key: r.season,
          cells: [
            SEASON_NAMES[r.season],
            say.date(r.on),
            <VerdictMark key="verdict" verdict={r.verdict} word />,
            lossText(r.bloomLoss, say),
            say.percent(r.frostRisk),
          ],
        }))}
      />
      <p className="quiet small">
        What the year says of {TASK_TABLE[advice.task].label.toLowerCase()}, about {minutesText(advice.minutes)} each
        time; “{VERDICT_TABLE.wait.word}” and “{VERDICT_TABLE["too-late"].word}” harm the plant, not only its flowers.
      </p>
    </details>
  );
}
