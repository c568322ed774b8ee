/** The tasks there are for a kind, one of them chosen; the same on every day and for every cut that is tried. */
import { TASK_TABLE, tasksFor, type Task, type Taxon } from "@wren/core";
import { memo } from "react";

interface Props {
  readonly taxon: Taxon;
  readonly task: Task;
  readonly onTask: (t: Task) => void;
  /** Without "leave it": where cuts are made it is no task. */
  readonly cutsOnly?: boolean;
}

export const TaskChoice = memo(function TaskChoice({ taxon, task, onTask, cutsOnly = false }: Props) {
  const tasks = tasksFor(taxon).filter((t) => !cutsOnly || t !== "leave");
  return (
    <div role="group" aria-label="Task" className="task-choice">
      {tasks.map((t) => (
        <button
          key={t}
          type="button"
          aria-pressed={t === task}
          onClick={() => onTask(t)}
          className={`press task${t === task ? " task-chosen" : ""}`}
        >
          {TASK_TABLE[t].label}
        </button>
      ))}
    </div>
  );
});
