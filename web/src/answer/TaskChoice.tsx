/** The tasks there are for a kind, one of them chosen: those that suit it first, the rest one press away. */
import { TASK_TABLE, tasksFor, type Task, type Taxon } from "@wren/core";
import { memo, useState } from "react";

interface Props {
  readonly taxon: Taxon;
  readonly task: Task;
  readonly onTask: (t: Task) => void;
  /** Without "leave it": where cuts are made it is no task. */
  readonly cutsOnly?: boolean;
  /** The tasks that suit the plant today; all of them when left out. */
  readonly first?: readonly Task[];
}

export const TaskChoice = memo(function TaskChoice({ taxon, task, onTask, cutsOnly = false, first }: Props) {
  const [more, setMore] = useState(false);
  const all = tasksFor(taxon).filter((t) => !cutsOnly || t !== "leave");
  const shown = more || !first ? all : all.filter((t) => t === task || first.includes(t));
  return (
    <div role="group" aria-label="Task" className="task-choice">
      {shown.map((t) => (
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
      {shown.length < all.length && (
        <button type="button" className="press task" onClick={() => setMore(true)}>
          Other tasks
        </button>
      )}
    </div>
  );
});
