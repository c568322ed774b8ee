/** What was expected beside what it was, record by record, and how often the ranges of eight in ten held. */
import { Box, Button, Typography } from "@mui/material";
import {
  BESIDE_LABELS,
  besideOf,
  expectedText,
  heldOf,
  movesOf,
  movesText,
  openGarden,
  TASK_TABLE,
  wasText,
  type Compared,
  type Garden,
  type Plant,
} from "@wren/core";
import { useEffect, useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Table } from "../../ui/Table.tsx";
import { dateText } from "../../words/dates.ts";
import { OBSERVATION_LABELS } from "../../words/labels.ts";

type Rec = Parameters<typeof besideOf>[1];
const rowOf = (r: Rec) => ("visit" in r ? r.visit : r.seen);

/** Newest first, only those that may be held against anything. */
function recordsOf(g: Garden, plant: Plant | null): readonly Rec[] {
  const of = <T extends { readonly plantId: string }>(rows: readonly T[]): T[] =>
    plant === null ? [...rows] : rows.filter((r) => r.plantId === plant.id);
  const all: Rec[] = [
    ...of(g.visits).map((visit) => ({ visit })),
    ...of(g.observations)
      .filter((o) => ["height", "first-flower", "last-flower", "first-leaf"].includes(o.kind))
      .map((seen) => ({ seen })),
  ];
  return all.sort((a, b) => (rowOf(a).on < rowOf(b).on ? 1 : -1));
}

/** So many records are asked at a time, so that the page stays quick; a press asks for more. */
const AT_A_TIME = 24;
const STEP_MS = 12;

/** The records' comparisons, worked out a few at a time between frames. */
function useCompared(
  records: readonly Rec[],
  most: number,
): { readonly rows: readonly Compared[]; readonly ready: boolean } {
  const { model } = useGarden();
  const key = useMemo(() => ({ model, records }), [model, records]);
  const [done, setDone] = useState<{
    readonly key: object;
    readonly rows: readonly Compared[];
    readonly asked: number;
  }>({ key, rows: [], asked: 0 });
  const now = done.key === key ? done : { key, rows: [], asked: 0 };
  const all = Math.min(most, records.length);
  useEffect(() => {
    if (now.asked >= all) return;
    const timer = setTimeout(() => {
      const until = performance.now() + STEP_MS;
      const rows = [...now.rows];
      let { asked } = now;
      do rows.push(...besideOf(model, records[asked++]!));
      while (asked < all && performance.now() < until);
      setDone({ key, rows, asked });
    });
    return () => clearTimeout(timer);
  });
  return { rows: now.rows, ready: now.asked >= all };
}

/** What a record changes the next time: the garden without it against the garden with it. */
function NextTime({ compared: c }: { readonly compared: Compared }) {
  const { model, garden } = useGarden();
  const say = useVoice();
  const text = useMemo(() => {
    const without: Garden = {
      ...garden,
      visits: garden.visits.filter((v) => v.id !== c.recordId),
      observations: garden.observations.filter((o) => o.id !== c.recordId),
    };
    const before = openGarden(without, model.catalogue, model.cache);
    return movesText(movesOf(before, model, c.plantId, today()), say);
  }, [garden, model, c, say]);
  return <>{text === "" ? "Nothing that is told here." : text}</>;
}

export function ExpectedPart({ plant }: { readonly plant: Plant | null }) {
  const { garden, model } = useGarden();
  const say = useVoice();
  const [most, setMost] = useState(AT_A_TIME);
  const [open, setOpen] = useState<string | null>(null);
  const records = useMemo(() => recordsOf(garden, plant), [garden, plant]);
  const { rows, ready } = useCompared(records, most);
  const seen = useMemo(() => new Map(garden.observations.map((o) => [o.id, o.kind])), [garden]);
  const held = heldOf(rows);
  const all = held.reduce((n, h) => ({ held: n.held + h.held, of: n.of + h.of }), { held: 0, of: 0 });
  if (records.length === 0)
    return (
      <Typography>Nothing is recorded yet that could have been expected: a visit, a height, first flowers.</Typography>
    );
  return (
    <>
      {all.of > 0 && (
        <Typography sx={{ maxWidth: "62ch", mb: 1 }} role="status">
          <strong>
            {all.held} of {all.of}
          </strong>{" "}
          lay within the range that was expected; of ranges of eight in ten that are sound, about{" "}
          {Math.round(0.8 * all.of)} would.{" "}
          {held.map((h) => `${BESIDE_LABELS[h.what]} ${h.held} of ${h.of}`).join("; ")}.
        </Typography>
      )}
      <Typography variant="body2" sx={{ color: "text.secondary", maxWidth: "62ch", mb: 1 }}>
        Each record is held against what the garden knew the day before it.
      </Typography>
      <Scroller label="Expected and was" sx={{ overflowX: "auto" }}>
        <Table
          stacks
          head={["When and where", "What", "Expected", "It was", "Within", "Next time"]}
          rows={rows.map((c) => {
            const key = `${c.recordId} ${c.what}`;
            const kind = seen.get(c.recordId);
            return {
              key,
              cells: [
                <>
                  {dateText(c.on)},{" "}
                  <DayLink to={`/plant/${c.plantId}`} style={{ color: "inherit" }}>
                    {model.plant(c.plantId).label}
                  </DayLink>
                </>,
                `${c.task === null ? (kind === undefined ? "" : OBSERVATION_LABELS[kind]) : TASK_TABLE[c.task].label}: ${BESIDE_LABELS[c.what].toLowerCase()}`,
                expectedText(c, say),
                wasText(c, say),
                c.held === null ? "no range" : c.held ? "yes" : "no",
                open === key ? (
                  <NextTime compared={c} />
                ) : (
                  <Button
                    size="small"
                    onClick={() => setOpen(key)}
                    aria-label={`What it changes: ${dateText(c.on)}, ${model.plant(c.plantId).label}, ${BESIDE_LABELS[c.what]}`}
                  >
                    What it changes
                  </Button>
                ),
              ],
            };
          })}
        />
      </Scroller>
      <Box sx={{ mt: 1.5 }}>
        {!ready ? (
          <Typography role="status">Working it out…</Typography>
        ) : (
          records.length > most && (
            <Button variant="outlined" onClick={() => setMost(most + AT_A_TIME * 2)}>
              Earlier ones ({records.length - most} records)
            </Button>
          )
        )}
      </Box>
    </>
  );
}
