/** From where and when the drawing is looked at, and what is to be done: neither hangs on the cuts that are tried. */
import { Slider } from "@mui/material";
import { HORIZONS, TASK_TABLE, tasksFor, type Horizon, type Task, type Taxon } from "@wren/core";
import { RotateCw } from "lucide-react";
import { memo } from "react";
import { SIDES } from "./FourSides.tsx";
import { HORIZON_LABELS } from "./labels.ts";

interface LookProps {
  readonly horizon: Horizon;
  readonly viewDeg: number;
  readonly onHorizon: (h: Horizon) => void;
  readonly onView: (deg: number) => void;
}
export const LookFrom = memo(function LookFrom({ horizon, viewDeg, onHorizon, onView }: LookProps) {
  const side = Math.round(viewDeg / 90) % 4;
  return (
    <div className="no-print look-from">
      <div role="group" aria-label="When" className="presses">
        {HORIZONS.map((h) => (
          <button
            key={h}
            type="button"
            className={`press task${h === horizon ? " task-chosen" : ""}`}
            aria-pressed={h === horizon}
            onClick={() => onHorizon(h)}
          >
            {HORIZON_LABELS[h]}
          </button>
        ))}
      </div>
      <button
        type="button"
        className="press"
        onClick={() => onView((side * 90 + 90) % 360)}
        aria-label={`Walk round: now ${SIDES[side]}`}
      >
        <RotateCw size={18} />
        {SIDES[side]}
      </button>
      <Slider
        aria-label="Walk round it"
        value={viewDeg}
        min={0}
        max={359}
        onChange={(_, v) => onView(v)}
        getAriaValueText={(v) => `${v} degrees`}
        sx={{ flex: "1 1 120px", minWidth: 110, mx: 1, color: "var(--umber)" }}
      />
    </div>
  );
});

interface TasksProps {
  readonly taxon: Taxon;
  readonly task: Task;
  readonly onTask: (t: Task) => void;
}
export const Tasks = memo(function Tasks({ taxon, task, onTask }: TasksProps) {
  return (
    <div className="no-print task-choice" role="group" aria-label="Task">
      {tasksFor(taxon)
        .filter((t) => t !== "leave")
        .map((t) => (
          <button
            key={t}
            type="button"
            className={`press task${t === task ? " task-chosen" : ""}`}
            aria-pressed={t === task}
            onClick={() => onTask(t)}
          >
            {TASK_TABLE[t].label}
          </button>
        ))}
    </div>
  );
});
