/** A task meant for a day: what that day makes of it, then one press. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { adviseOn, TASKS, parseDate, reasonText, TASK_TABLE, type PlainDate, type Plant, type Task } from "@wren/core";
import { useMemo, useState } from "react";
import { flowersText } from "../../answer/sentences.ts";
import { today } from "../../data/clock.ts";
import { standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { VerdictMark } from "../../ui/VerdictMark.tsx";

interface Props {
  readonly plant: Plant;
  readonly task: Task;
  readonly on: PlainDate;
  readonly onClose: () => void;
}

export function PlanDialog({ plant, task: first, on: day, onClose }: Props) {
  const { model, garden, change } = useGarden();
  const say = useVoice();
  const [on, setOn] = useState(day);
  const [task, setTask] = useState<Task>(first === "leave" ? "shape" : first);
  const advice = useMemo(() => adviseOn(model, plant.id, on, task), [model, plant, on, task]);
  const planned = garden.plans.filter((p) => p.plantId === plant.id);
  const past = on < today();
  const plan = async (): Promise<void> => {
    const kept = await change(`${TASK_TABLE[task].label} planned for ${plant.label}`, (g) => ({
      ...standing(g, plant.id),
      plans: [
        ...g.plans,
        { id: newId(), plantId: plant.id, on, task, madeOn: today(), half: null, fixed: false, note: "" },
      ],
    }));
    if (kept) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="plan-title">
      <DialogTitle id="plan-title">Plan for {plant.label}</DialogTitle>
      <DialogContent>
        <Box role="group" aria-label="Task" sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mb: 1.5 }}>
          {TASKS.filter((t) => t !== "leave").map((t) => (
            <Button
              key={t}
              size="small"
              aria-pressed={t === task}
              variant={t === task ? "contained" : "outlined"}
              onClick={() => setTask(t)}
              sx={{ px: 1 }}
            >
              {TASK_TABLE[t].label}
            </Button>
          ))}
        </Box>
        <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1.5 }}>
          Day
          <input
            type="date"
            value={on}
            onChange={(e) => {
              const d = parseDate(e.target.value);
              if (d !== null) setOn(d);
            }}
            style={{ font: "inherit", padding: 8 }}
          />
        </Box>
        <Box role="status">
          <VerdictMark verdict={advice.verdict} word size={24} />
          <Typography>{reasonText(advice.reasons[0]!, say)}</Typography>
          <Typography sx={{ color: "text.secondary" }}>
            {flowersText(advice, say)}
            {advice.window?.opens && advice.window.daysLeft === null && `; opens ${say.date(advice.window.opens)}`}
          </Typography>
          {past && <Typography sx={{ color: "var(--alarm)" }}>That day is over: record a visit instead.</Typography>}
        </Box>
        {planned.length > 0 && (
          <Box component="ul" aria-label="Planned already" sx={{ pl: 0, listStyle: "none", mt: 1.5 }}>
            {planned.map((p) => (
              <li key={p.id}>
                {TASK_TABLE[p.task].label}, {say.date(p.on)}
                {p.note && `: ${p.note}`}{" "}
                <Button
                  size="small"
                  onClick={() =>
                    void change("Plan dropped", (g) => ({ ...g, plans: g.plans.filter((x) => x.id !== p.id) }))
                  }
                >
                  Drop it
                </Button>
              </li>
            ))}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={past} onClick={() => void plan()}>
          Plan it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
