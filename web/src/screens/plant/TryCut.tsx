/** Try a share on the sawn end: would it be planned today, and if not, when does it fit? */
import { Box, Button, Slider, Typography } from "@mui/material";
import {
  adviseOn,
  heightOf,
  LIMITS,
  planCut,
  reasonText,
  measuredOn,
  takenAbove,
  TASK_TABLE,
  viewReasons,
  type Plant,
  type Task,
} from "@wren/core";
import { useState } from "react";
import { flowersText } from "../../answer/sentences.ts";
import { BudgetRing } from "../../drawing/BudgetRing.tsx";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";

const startShare = (task: Task, left: number | null): number => {
  const usual = TASK_TABLE[task].usualShare;
  return left === null || left < LIMITS.leastUsefulShare ? usual : Math.min(usual, left);
};

export function TryCut({ plant, task }: { readonly plant: Plant; readonly task: Task }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const { takenLast12Months, left } = adviseOn(model, plant.id, on, task);
  // Begin with what the task usually takes, or with what is left of the account.
  const [percent, setPercent] = useState(() => Math.floor(100 * startShare(task, left)));
  const share = percent / 100;
  const measured = measuredOn(model, plant, on);
  const beforeM = heightOf(model, plant, on).heightM;
  // null: no top cut is tried, the share stands for itself.
  const [topM, setTopM] = useState<number | null>(null);
  const tryTop = (afterM: number): void => {
    setTopM(afterM);
    setPercent(Math.min(90, Math.round(100 * takenAbove(measured, beforeM, afterM).share)));
  };
  const top = topM === null ? null : takenAbove(measured, beforeM, topM);
  const views = topM === null ? [] : viewReasons(model.garden, plant, topM);
  // A top cut reaches what stands that high; a bare share is spread as the task spreads it.
  const plan = planCut(model, plant.id, on, top === null ? { task, share } : { task, share: top.share, extent: top });
  return (
    <Box sx={{ display: "flex", gap: 2, flexWrap: { xs: "wrap", sm: "nowrap" } }}>
      <BudgetRing seed={plant.id} taken={takenLast12Months} cap={plan.cap} tried={share} size={150} />
      <Box sx={{ flex: 1, minWidth: 200, px: 1.25 }}>
        <Typography id="try-share">
          {TASK_TABLE[task].label}, taking{" "}
          <Box component="span" className="numeral" sx={{ fontSize: "1.3rem", fontWeight: 700 }}>
            {percent} %
          </Box>{" "}
          of its live growth
        </Typography>
        <Slider
          aria-labelledby="try-share"
          value={percent}
          min={0}
          max={90}
          step={1}
          onChange={(_, v) => {
            setTopM(null);
            setPercent(v);
          }}
          marks={[{ value: 33, label: "a third" }]}
          sx={{ color: "var(--plum)" }}
        />
        <Typography id="try-top">
          {topM === null
            ? "or by its height: the top cut to …"
            : `The top cut to ${say.length(topM)}, of ${say.length(beforeM)}`}
        </Typography>
        <Slider
          aria-labelledby="try-top"
          value={topM ?? beforeM}
          min={Math.round(beforeM * 20) / 100}
          max={beforeM}
          step={0.05}
          getAriaValueText={(v) => say.length(v)}
          onChange={(_, v) => tryTop(v)}
          sx={{ color: "var(--umber)" }}
        />
        <Box role="status">
          <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1, alignItems: "center", mb: 0.5 }}>
            <VerdictMark verdict={plan.verdict} word />
            <Typography component="span" sx={{ fontWeight: 700 }}>
              {plan.accepted
                ? "It can be planned."
                : plan.fitsOn
                  ? `Refused. It fits from ${say.date(plan.fitsOn)}.`
                  : "Refused."}
            </Typography>
          </Box>
          {views.map((r) => (
            <Typography key={r.code} sx={{ color: "var(--alarm)", fontWeight: 700 }}>
              {reasonText(r, say)}
            </Typography>
          ))}
          <Typography>{reasonText(plan.reasons[0]!, say)}</Typography>
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {flowersText(plan.advice, say)}
            {plan.cap === null
              ? "; cut back each year, no cap counts."
              : `; ${say.percent(plan.takenAfter)} in twelve months, of ${say.percent(plan.cap)}.`}
          </Typography>
        </Box>
        <Button
          component={DayLink}
          to={`/plant/${plant.id}/record/${task}`}
          state={{ percent }}
          variant="outlined"
          sx={{ mt: 1 }}
        >
          {plan.accepted ? "Record this cut" : "Record it anyway"}
        </Button>
      </Box>
    </Box>
  );
}
