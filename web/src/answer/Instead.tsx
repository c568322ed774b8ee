/** A missed window is not the end: what may be done today, in flowers and minutes; and what one season alone would cost. */
import { Box, Button, Typography } from "@mui/material";
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
    <Box component="li" sx={{ display: "flex", alignItems: "center", gap: 1, borderBottom: "1px solid var(--line)" }}>
      <Button
        onClick={() => onTask(a.task)}
        startIcon={<VerdictMark verdict={a.verdict} />}
        sx={{ justifyContent: "flex-start", flex: 1, textAlign: "left" }}
      >
        {DOING[a.task] ?? TASK_TABLE[a.task].label}
      </Button>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        {lossText(a.bloomLoss, say)} · {minutesText(a.minutes)}
      </Typography>
    </Box>
  );
}

export function Instead({ advice, onTask }: { readonly advice: Advice; readonly onTask: (t: Task) => void }) {
  const say = useVoice();
  if (advice.todayInstead.length === 0) return null;
  const { window } = advice;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        What you can do today instead
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {advice.todayInstead.map((a) => (
          <Way key={a.task} a={a} onTask={onTask} />
        ))}
        {window?.opens && window.opens > advice.on && (
          <Box component="li" sx={{ py: 1, pl: 1 }}>
            Or wait: the next window opens {say.date(window.opens)}.
          </Box>
        )}
      </Box>
    </Box>
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
    <Box component="details" sx={{ mt: 2, "& summary": { fontWeight: 700, cursor: "pointer", minHeight: 32 } }}>
      <summary>If you have time in one season only</summary>
      <Table
        head={["Season", "Its best day", "", "Flowers", "Frost"]}
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
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
        What the year says of {TASK_TABLE[advice.task].label.toLowerCase()}, about {minutesText(advice.minutes)} each
        time; “{VERDICT_TABLE.wait.word}” and “{VERDICT_TABLE["too-late"].word}” harm the plant, not only its flowers.
      </Typography>
    </Box>
  );
}
