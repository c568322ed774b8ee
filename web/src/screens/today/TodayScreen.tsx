/** "What may I cut?" – the garden sorted by what can be done on the strip's day, the chosen plant's answer beside it. */
import { Box, Button, Typography, useMediaQuery } from "@mui/material";
import { adviseAll, adviseOn, allFollowUps, type Task } from "@wren/core";
import { memo, useDeferredValue, useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { AnswerPanel } from "../../answer/AnswerPanel.tsx";
import { FollowUpRow } from "../../answer/FollowUpRow.tsx";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useStable } from "../../state/stable.ts";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { groupsOf, type GroupId } from "./groups.ts";
import { Row } from "./Row.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { rowView } from "./rowView.ts";

/** A large garden shows the most urgent of each group first; the rest is one press away. */
const FIRST_ROWS = 12;
const ChosenAnswer = memo(AnswerPanel);

function Empty() {
  return (
    <Box sx={{ py: 6, textAlign: "center" }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Nothing is planted here yet
      </Typography>
      <Typography sx={{ mb: 2 }}>Add the first plant and you see at once whether it may be cut.</Typography>
      <Button component={DayLink} to="/garden" variant="contained">
        Add a plant
      </Button>
    </Box>
  );
}

export function TodayScreen() {
  const { model, garden } = useGarden();
  const { on } = useDay();
  // While the day is dragged the strip follows the hand first, the answers in the same frame where the machine can.
  const settled = useDeferredValue(on);
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const wide = useMediaQuery("(min-width:1000px)");
  const [params, setParams] = useSearchParams();
  const [task, setTask] = useState<Task | null>(null);
  const say = useVoice();
  const [whole, setWhole] = useState<ReadonlySet<GroupId>>(new Set());
  const advices = useMemo(() => adviseAll(model, settled), [model, settled]);
  const groups = useMemo(
    () =>
      groupsOf(advices).map((g) => {
        const shown = whole.has(g.id) ? g.rows : g.rows.slice(0, FIRST_ROWS);
        return { ...g, views: shown.map((a) => rowView(a, g.id, model, say)) };
      }),
    [advices, model, say, whole],
  );
  // The plant shown beside the list stays the same while the day is dragged.
  const [first] = useState(groups[0]?.rows[0]?.plantId);
  const known = (id: string | null | undefined): id is string => advices.some((a) => a.plantId === id);
  const chosenId = [params.get("plant"), first, advices[0]?.plantId].find(known);
  const chosen = useMemo(
    () => (chosenId === undefined ? null : adviseOn(model, chosenId, settled, task)),
    [model, chosenId, settled, task],
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
  const steps = useMemo(() => allFollowUps(model, settled).filter((f) => f.state !== "coming"), [model, settled]);
  if (garden.plants.length === 0) return <Empty />;
  const group = (g: (typeof groups)[number]) => (
    <Section key={g.id} title={g.title} aside={<Typography className="numeral">{g.rows.length}</Typography>}>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {g.views.map((v) => (
          <Row key={v.plantId} {...v} chosen={wide && v.plantId === chosenId} onChoose={onChoose} />
        ))}
      </Box>
      {g.views.length < g.rows.length && (
        <Button onClick={() => setWhole((old) => new Set([...old, g.id]))}>
          Show all {g.rows.length}: {g.title.toLowerCase()}
        </Button>
      )}
    </Section>
  );
  const ready = groups.filter((g) => g.id === "ready");
  const others = groups.filter((g) => g.id !== "ready");
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: wide ? "minmax(0, 7fr) minmax(0, 6fr)" : "minmax(0, 1fr)",
        gap: 4,
      }}
    >
      <Box>
        <Typography variant="h1" sx={{ mb: 1.5 }}>
          What may I cut?
        </Typography>
        {ready.map(group)}
        {steps.length > 0 && (
          <Section title="Next steps" aside={<Typography className="numeral">{steps.length}</Typography>}>
            <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
              {steps.map((f) => (
                <FollowUpRow key={f.id} step={f} named />
              ))}
            </Box>
          </Section>
        )}
        {others.map(group)}
      </Box>
      {wide && chosen && (
        <Box
          component="aside"
          aria-label="The answer for the chosen plant"
          sx={{
            position: "sticky",
            top: 8,
            alignSelf: "start",
            borderLeft: "1px solid var(--line)",
            pl: 3,
            maxHeight: "calc(100vh - 16px)",
            overflowY: "auto",
          }}
        >
          <ChosenAnswer plant={model.plant(chosen.plantId)} advice={chosen} onTask={setTask} />
        </Box>
      )}
    </Box>
  );
}
