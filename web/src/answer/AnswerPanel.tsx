/** The full answer at one plant: may I, why, how much, how, with what. */
import { Box, Button, Typography } from "@mui/material";
import {
  CAUTION_TEXTS,
  cautionsFor,
  heightOf,
  passesFor,
  reasonText,
  SOURCES,
  TASK_TABLE,
  tasksFor,
  toolsFor,
  VERDICT_TABLE,
  WIND_ASSUMPTIONS,
  type Advice,
  type Plant,
  type Task,
  type Taxon,
  type Verdict,
} from "@wren/core";
import { memo } from "react";
import { Link } from "react-router";
import { BudgetRing } from "../drawing/BudgetRing.tsx";
import { useLinkTo } from "../state/day.tsx";
import { useGarden } from "../state/garden.tsx";
import { useVoice } from "../state/voice.ts";
import { VerdictMark } from "../ui/VerdictMark.tsx";
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
import { flowersText, growthText, worstLossOf } from "./sentences.ts";
import { usePastShares } from "./usePastShares.ts";

interface Props {
  readonly plant: Plant;
  readonly advice: Advice;
  readonly onTask: (t: Task) => void;
  /** Beside a list it names its plant and leads on; on the plant's own page neither is needed. */
  readonly alone?: boolean;
}

interface ChoiceProps {
  readonly taxon: Taxon;
  readonly task: Task;
  readonly onTask: (t: Task) => void;
}
const TaskChoice = memo(function TaskChoice({ taxon, task, onTask }: ChoiceProps) {
  const tasks = tasksFor(taxon);
  const chosen = { bgcolor: "var(--ink)", color: "var(--mist)", "&:hover": { bgcolor: "var(--ink)" } };
  return (
    <Box
      role="group"
      aria-label="Task"
      // On a phone the tasks are one line to swipe along, so that the answer stays in sight.
      sx={{
        display: "flex",
        flexWrap: { xs: "nowrap", md: "wrap" },
        overflowX: { xs: "auto", md: "visible" },
        gap: 0.5,
        my: 1.5,
        p: "2px",
      }}
    >
      {tasks.map((t) => (
        <Button
          key={t}
          aria-pressed={t === task}
          onClick={() => onTask(t)}
          variant={t === task ? "contained" : "outlined"}
          size="small"
          sx={{
            px: 1,
            minHeight: { xs: 44, md: 36 },
            flex: "none",
            order: { xs: t === task ? -1 : 0, md: 0 },
            ...(t === task && chosen),
          }}
        >
          {TASK_TABLE[t].label}
        </Button>
      ))}
    </Box>
  );
});

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
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: "grid",
        gridTemplateColumns: "max-content 1fr",
        columnGap: 2,
        rowGap: 0.75,
        alignContent: "start",
        "& dt": { color: "text.secondary" },
        "& dd": { m: 0, fontWeight: 600 },
      }}
    >
      <dt>Flowers</dt>
      <dd>
        {loss ? <Why of={explainLoss(loss, advice, taxon, say)}>{flowers}</Why> : flowers}
        {advice.lossRange && advice.lossRange[1] - advice.lossRange[0] >= WORTH_A_RANGE && (
          <Box component="span" sx={{ fontWeight: 400 }}>
            {" "}
            {say.percent(advice.lossRange[0])} to {say.percent(advice.lossRange[1])} by the year
          </Box>
        )}
      </dd>
      <dt>Live growth</dt>
      <dd>
        <Why of={explainBudget(advice, model, say)}>{growthText(advice, say)}</Why>
        {advice.freesUpOn && (
          <Box component="span" sx={{ fontWeight: 400 }}>
            {" "}
            · a usual cut fits from {say.date(advice.freesUpOn)}
          </Box>
        )}
      </dd>
      <dt>Frost</dt>
      <dd>
        <Why of={explainFrost(advice, taxon, model, say)}>
          {(advice.frostRisk ?? 0) < 0.01 ? "no risk" : `chance of harm about ${say.percent(advice.frostRisk ?? 0)}`}
        </Why>
      </dd>
      {advice.window && (
        <>
          <dt>Window</dt>
          <dd>
            <Why of={explainWindow(advice, taxon, say)}>
              {advice.window.closes === null
                ? "any day"
                : `${advice.window.opens ? say.date(advice.window.opens) : "open"} to ${say.date(advice.window.closes)}`}
            </Why>
            {advice.window.spreadDays > 0 && (
              <Box component="span" sx={{ fontWeight: 400 }}>
                {" "}
                give or take {say.days(advice.window.spreadDays)}
              </Box>
            )}
            {advice.window.costs && (
              <Box component="span" sx={{ fontWeight: 400 }}>
                {" "}
                (least cost)
              </Box>
            )}
            {advice.best && VERDICT_TABLE[advice.verdict].go && advice.verdict !== "best" && (
              <Box component="span" sx={{ fontWeight: 400 }}>
                {" "}
                · best from {say.date(advice.best.opens)}
              </Box>
            )}
          </dd>
        </>
      )}
      {advice.task !== "leave" && (
        <>
          <dt>Time</dt>
          <dd>
            <Why of={explainMinutes(advice, plant)}>{minutesText(advice.minutes)}</Why>
          </dd>
        </>
      )}
      {windMatters(advice) && (
        <>
          <dt>Wind</dt>
          <dd>
            <Why of={explainWind(advice, plant, model, say)}>
              {advice.windRisk >= 0.6 ? "much, if it stands uncut" : "some, if it stands uncut"}
            </Why>
          </dd>
        </>
      )}
      {advice.cutHeight && plant.goal.heightM !== null && (
        <>
          <dt>Cut to</dt>
          <dd>
            <Why of={explainCutHeight(advice, taxon, plant.goal.heightM, say)}>
              {advice.cutHeight.guards.length > 0
                ? `cannot be held at ${say.length(plant.goal.heightM)}: from ${say.length(advice.cutHeight.holdableFromM)}`
                : `about ${say.length(advice.cutHeight.cutAtM)}`}
            </Why>
          </dd>
        </>
      )}
    </Box>
  );
}

interface HowToProps {
  readonly plant: Plant;
  readonly taxon: Taxon;
  readonly task: Task;
  readonly verdict: Verdict;
  /** Above shoulder height other cautions apply. */
  readonly heightM: number;
}
const HowTo = memo(function HowTo({ plant, taxon, task, verdict, heightM }: HowToProps) {
  const passes = passesFor(taxon, task, plant.goal.kind);
  const tools = toolsFor(plant, task);
  if (task === "leave" || verdict === "never" || verdict === "ask-a-pro") return null;
  return (
    <Box
      component="details"
      open={VERDICT_TABLE[verdict].go}
      sx={{ mt: 2, "& summary": { fontWeight: 700, cursor: "pointer", minHeight: 32 } }}
    >
      <summary>How it is done</summary>
      {passes.length > 0 && (
        <Box component="ol" sx={{ my: 1, pl: 3 }}>
          {passes.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </Box>
      )}
      <Typography sx={{ mb: 1 }}>
        <strong>Where the blade goes: </strong>
        {taxon.blade}
      </Typography>
      <Typography sx={{ mb: 1 }}>
        <strong>With: </strong>
        {tools.join(", ")}; bypass, sharp, clean.
      </Typography>
      <Box
        component="ul"
        aria-label="Cautions"
        sx={{
          my: 0,
          pl: 0,
          listStyle: "none",
          borderLeft: "4px solid var(--alarm)",
          "& li": { pl: 1.5, py: 0.25 },
        }}
      >
        {cautionsFor(plant, taxon, task, heightM).map((c) => (
          <li key={c}>{CAUTION_TEXTS[c]}</li>
        ))}
      </Box>
    </Box>
  );
});

export function AnswerPanel({ plant, advice, onTask, alone = true }: Props) {
  const { model } = useGarden();
  const say = useVoice();
  const linkTo = useLinkTo();
  const past = usePastShares(plant.id, advice.on);
  const taxon = model.taxonOf(plant);
  const [first, ...others] = advice.reasons;
  // What is left of the account stands in the price already.
  const rest = others.filter((r) => r.code !== "cap-left");
  return (
    <Box>
      {alone && (
        <Typography variant="h2" component="h2">
          {plant.label}
        </Typography>
      )}
      <Typography sx={{ color: "text.secondary" }}>
        {taxon.common[0]}, <em>{taxon.botanical}</em>
      </Typography>
      <TaskChoice taxon={taxon} task={advice.task} onTask={onTask} />
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", mb: 0.5, fontSize: "1.25rem" }}>
        <VerdictMark verdict={advice.verdict} size={30} word />
      </Box>
      <Typography sx={{ fontSize: "1.1rem", mb: 1.5, maxWidth: "60ch" }} data-testid="main-reason">
        {reasonText(first!, say)}
      </Typography>
      <Box sx={{ display: "flex", gap: 2.5, flexWrap: { xs: "wrap", sm: "nowrap" }, alignItems: "flex-start" }}>
        <Box sx={{ flex: "none", textAlign: "center" }}>
          <BudgetRing
            seed={plant.id}
            taken={advice.takenLast12Months}
            cap={advice.cap}
            deadCount={past.deadCount}
            past={past.shares}
            size={160}
          />
          <Typography variant="body2" sx={{ color: "text.secondary", maxWidth: 170 }}>
            {advice.cap === null
              ? "Cut back each year: no cap counts"
              : `${say.percent(advice.takenLast12Months)} of ${say.percent(advice.cap)} in twelve months`}
          </Typography>
        </Box>
        <Price plant={plant} advice={advice} />
      </Box>
      {rest.length > 0 && (
        <Box component="ul" aria-label="More reasons" sx={{ pl: 2.5, my: 1.5 }}>
          {rest.map((r) => (
            <li key={r.code}>
              {reasonText(r, say)}{" "}
              <Box component="span" sx={{ color: "text.secondary", fontSize: "0.85rem" }}>
                {SOURCES[r.source].citation}
              </Box>
            </li>
          ))}
        </Box>
      )}
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        Why: {SOURCES[first!.source].citation}.
      </Typography>
      <Instead advice={advice} onTask={onTask} />
      {!alone && <SeenToday plant={plant} advice={advice} />}
      {!alone && <OnlySeason plant={plant} advice={advice} />}
      <HowTo
        plant={plant}
        taxon={taxon}
        task={advice.task}
        verdict={advice.verdict}
        heightM={Math.round(heightOf(model, plant, advice.on).heightM * 10) / 10}
      />
      {alone && (
        <Box sx={{ display: "flex", gap: 1, mt: 2, flexWrap: "wrap" }}>
          <Button component={Link} to={linkTo(`/plant/${plant.id}/record/${advice.task}`)} variant="contained">
            Record a visit
          </Button>
          <Button
            component={Link}
            to={linkTo(`/plant/${plant.id}`)}
            variant="outlined"
            aria-label={`Its year and history: ${plant.label}`}
          >
            Its year and history
          </Button>
        </Box>
      )}
    </Box>
  );
}
