/** "What may I cut?" – the garden sorted by what can be done on the strip's day, the chosen plant's answer beside it. */
import { adviseAll, adviseOn, type PlainDate, type Task } from "@wren/core";
import { memo, useMemo, useReducer, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { AT_ONCE } from "../../data/atOnce.ts";
import { later } from "../../ui/later.tsx";
import { useDay, useLinkNow, useMoving } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useMedia } from "../../state/media.ts";
import { useAnswersPainted } from "../../state/painted.ts";
import { useStable } from "../../state/stable.ts";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { groupsOf, type Group, type GroupId } from "./groups.ts";
import { Row } from "./Row.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Rows } from "./rows.ts";
import type { RowView } from "./rowView.ts";
import { Sight } from "./sight.ts";

/** A large garden shows the most urgent of each group first; the rest is one press away. */
const FIRST_ROWS = 12;
/** What stands beside and between the rows comes after the first picture. */
const ChosenAnswer = memo(later(async () => (await import("../../answer/AnswerPanel.tsx")).AnswerPanel, null));
const NextSteps = later(async () => (await import("./NextSteps.tsx")).NextSteps, null);

function Empty() {
  return (
    <div className="today-empty">
      <h1 className="title-1">What may I cut?</h1>
      <h2 className="title-2">Nothing is planted here yet</h2>
      <p>Add the first plant and you see at once whether it may be cut.</p>
      <DayLink to="/garden" className="press press-main">
        Add a plant
      </DayLink>
    </div>
  );
}

/** The strip and the answers of its day stand in the same frame: a hundred plants are answered well within one. */
export function TodayScreen() {
  const { garden } = useGarden();
  const { on } = useDay();
  return garden.plants.length === 0 ? <Empty /> : <Answers on={on} />;
}

interface GroupProps {
  readonly title: string;
  /** null until all plants were asked. */
  readonly count: number | null;
  readonly views: readonly RowView[];
  /** True when only the first of its rows are shown. */
  readonly cut: boolean;
  readonly chosenId: string | undefined;
  readonly onChoose: (id: string) => void;
  readonly sight: Sight;
  readonly onAll: () => void;
  readonly onApart: (id: string) => void;
}
function GroupOfRows({ title, count, views, cut, chosenId, onChoose, sight, onAll, onApart }: GroupProps) {
  return (
    <Section title={title} aside={<p className="numeral count">{count ?? "…"}</p>}>
      <ul className="bare">
        {views.map((v) => (
          <Row
            key={v.plantId}
            {...v}
            chosen={v.plantId === chosenId}
            onChoose={onChoose}
            onApart={onApart}
            sight={sight}
          />
        ))}
      </ul>
      {cut && (
        <button type="button" className="press press-plain" onClick={onAll}>
          Show all {count}: {title.toLowerCase()}
        </button>
      )}
    </Section>
  );
}

/** The rows of each group in words: the first of it, or all. */
function useRows(groups: readonly Group[], whole: ReadonlySet<GroupId>) {
  const { model } = useGarden();
  const say = useVoice();
  const moving = useMoving();
  // Rows that come into sight while the day is moved need their words too.
  const [, drawAgain] = useReducer((n: number) => n + 1, 0);
  const [sight] = useState(() => new Sight(drawAgain));
  const [rows] = useState(() => new Rows((id) => sight.has(id)));
  const shown = groups.map((g) => ({
    id: g.id,
    also: g.also,
    rows: whole.has(g.id) ? g.rows : g.rows.slice(0, FIRST_ROWS),
  }));
  return [sight, rows.of(shown, model, say, moving)] as const;
}

function Answers({ on }: { readonly on: PlainDate }) {
  const { model, garden, whole: all } = useGarden();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const wide = useMedia("(min-width:1000px)");
  const [params, setParams] = useSearchParams();
  const [task, setTask] = useState<Task | null>(null);
  const [whole, setWhole] = useState<ReadonlySet<GroupId>>(new Set());
  // Of a long record no more may be here yet than that of the first plants: the others would be answered without theirs.
  const painted = useAnswersPainted() && all;
  const asked = painted ? Infinity : AT_ONCE;
  const advices = useMemo(() => adviseAll(model, on, asked), [model, on, asked]);
  const [apart, setApart] = useState<ReadonlySet<string>>(new Set());
  const groups = useMemo(() => groupsOf(advices, { garden, apart }), [advices, garden, apart]);
  const [sight, views] = useRows(groups, whole);
  // The plant shown beside the list stays the same while the day is dragged.
  const [first, setFirst] = useState<string>();
  const top = groups[0]?.rows[0]?.plantId;
  if (painted && first === undefined && top !== undefined) setFirst(top);
  const known = (id: string | null | undefined): id is string => advices.some((a) => a.plantId === id);
  const chosenId = [params.get("plant"), first, advices[0]?.plantId].find(known);
  const chosen = useMemo(
    () => (chosenId === undefined || !painted ? null : adviseOn(model, chosenId, on, task)),
    [model, chosenId, painted, on, task],
  );
  const choose = (id: string): void => {
    setTask(null);
    if (!wide) {
      void navigate(linkNow(`/plant/${id}`));
      return;
    }
    const next = new URLSearchParams(params);
    next.set("plant", id);
    setParams(next, { replace: true });
  };
  const onChoose = useStable(choose);
  const onApart = useStable((id: string) => setApart((old) => new Set([...old, id])));
  const group = (g: Group) => (
    <GroupOfRows
      key={g.id}
      title={g.title}
      count={painted ? g.plants : null}
      views={views[groups.indexOf(g)]!}
      cut={g.rows.length > FIRST_ROWS && !whole.has(g.id)}
      chosenId={wide ? chosenId : undefined}
      onChoose={onChoose}
      sight={sight}
      onAll={() => setWhole((old) => new Set([...old, g.id]))}
      onApart={onApart}
    />
  );
  return (
    <div className="today" data-answers={on}>
      <div>
        <h1 className="title-1">What may I cut?</h1>
        {groups.filter((g) => g.id === "ready").map(group)}
        {painted && <NextSteps on={on} />}
        {groups.filter((g) => g.id !== "ready").map(group)}
      </div>
      {wide && chosen && (
        <aside aria-label="The answer for the chosen plant" className="today-answer">
          <ChosenAnswer plant={model.plant(chosen.plantId)} advice={chosen} onTask={setTask} />
        </aside>
      )}
    </div>
  );
}
