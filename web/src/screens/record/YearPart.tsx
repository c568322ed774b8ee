/** A year of the garden on one page that prints: what was cut, what it gave, what was learnt, what waits. */
import { Box, Button, Typography } from "@mui/material";
import {
  followUpText,
  lessonText,
  recordedYears,
  TASK_TABLE,
  yearReview,
  type Observation,
  type VisitTold,
} from "@wren/core";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { today } from "../../data/clock.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { dateText } from "../../words/dates.ts";
import { OBSERVATION_LABELS } from "../../words/labels.ts";

const hours = (minutes: number): string =>
  minutes < 90 ? `${minutes} minutes` : `${Math.round(minutes / 30) / 2} hours`;
/** What tells of flowers and fruit. */
const BLOOM_KINDS: ReadonlySet<Observation["kind"]> = new Set([
  "first-flower",
  "in-flower",
  "last-flower",
  "no-flower",
  "berries-ripe",
  "berries-gone",
]);
const MOST_LESSONS = 12;
const MOST_WAITING = 14;

export function YearPage() {
  const { model, garden } = useGarden();
  const say = useVoice();
  const [params, setParams] = useSearchParams();
  const years = useMemo(() => recordedYears(model), [model]);
  const year = years.find((y) => String(y) === params.get("year")) ?? years[0];
  const review = useMemo(() => (year === undefined ? null : yearReview(model, year, today())), [model, year]);
  if (!review || year === undefined) return <Typography>Nothing was recorded yet.</Typography>;
  const name = (id: string): string => model.plant(id).label;
  const { counts, visits, seen, learnt, waits } = review;
  const byPlant = garden.plants
    .map((plant) => ({ plant, own: visits.filter((v) => v.visit.plantId === plant.id) }))
    .filter((x) => x.own.length > 0);
  const line = (v: VisitTold): string =>
    [
      `${dateText(v.visit.on)} ${TASK_TABLE[v.visit.task].label.toLowerCase()}`,
      v.share > 0 ? say.percent(v.share) : "",
      counts.costly.includes(v) ? `cost ${say.percent(v.flowersLost)} of its flowers` : "",
    ]
      .filter(Boolean)
      .join(", ");
  const gave = seen.filter((o) => BLOOM_KINDS.has(o.kind));
  const other = seen.filter((o) => !BLOOM_KINDS.has(o.kind));
  const saw = (o: Observation): string =>
    `${name(o.plantId)}: ${OBSERVATION_LABELS[o.kind].toLowerCase()}, ${dateText(o.on)}`;
  return (
    <Box className="year-page">
      <Box className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
        <OneOf
          label="Year"
          value={String(year)}
          options={years.slice(0, 8).map((y) => ({ value: String(y), label: String(y) }))}
          onChange={(y) => {
            const next = new URLSearchParams(params);
            next.set("year", y);
            setParams(next, { replace: true });
          }}
        />
        <Button variant="outlined" sx={{ mb: 1.75 }} onClick={() => window.print()}>
          Print this page
        </Button>
      </Box>
      <Typography component="h2" variant="h2" sx={{ mb: 0.5 }}>
        {garden.name}, {year}
      </Typography>
      <Typography sx={{ maxWidth: "70ch", mb: 1 }}>
        {counts.visits} {counts.visits === 1 ? "visit" : "visits"}
        {counts.minutes > 0 && `, ${hours(counts.minutes)}`}
        {counts.windows > 0 && `; ${counts.inWindow} of ${counts.windows} cuts in their open days`}
        {counts.dead > 0 && `; ${counts.dead} dead stems out`}.{" "}
        {counts.costly.length === 0
          ? counts.windows > 0 && "No cut took more than a tenth of the coming flowers."
          : `Flowers lost: ${counts.costly.map((v) => `${name(v.visit.plantId)} ${say.percent(v.flowersLost)}`).join(", ")}.`}
      </Typography>
      <Section title="What was cut">
        <Box component="ul" sx={{ columns: { md: 2 }, pl: 2.5, m: 0 }}>
          {byPlant.map(({ plant, own }) => (
            <li key={plant.id}>
              <strong>{plant.label}</strong>: {own.map(line).join("; ")}
            </li>
          ))}
        </Box>
      </Section>
      <Section title="What it gave">
        {gave.length + other.length === 0 ? (
          <Typography>Nothing was written down of its flowers and growth.</Typography>
        ) : (
          <Box component="ul" sx={{ columns: { md: 2 }, pl: 2.5, m: 0 }}>
            {[...gave, ...other].map((o) => (
              <li key={o.id}>{saw(o)}</li>
            ))}
          </Box>
        )}
      </Section>
      <Section title="What was learnt">
        {learnt.length === 0 ? (
          <Typography>Nothing yet: heights, first flowers and minutes teach.</Typography>
        ) : (
          <Box component="ul" sx={{ columns: { md: 2 }, pl: 2.5, m: 0 }}>
            {learnt.slice(0, MOST_LESSONS).map((l) => (
              <li key={l.id}>
                {l.plantId === null ? "" : `${name(l.plantId)}: `}
                {lessonText(l, say)}
              </li>
            ))}
            {learnt.length > MOST_LESSONS && <li>and {learnt.length - MOST_LESSONS} more lessons</li>}
          </Box>
        )}
      </Section>
      <Section title="What waits">
        {waits.plans.length + waits.steps.length === 0 ? (
          <Typography>Nothing is planned and nothing follows from what was done.</Typography>
        ) : (
          <Box component="ul" sx={{ columns: { md: 2 }, pl: 2.5, m: 0 }}>
            {[
              ...waits.plans.map((p) => [
                p.id,
                `${name(p.plantId)}: ${TASK_TABLE[p.task].label.toLowerCase()}, planned for ${dateText(p.on)}`,
              ]),
              ...waits.steps.map((f) => [f.id, `${name(f.plantId)}: ${followUpText(f, say)}`]),
            ]
              .slice(0, MOST_WAITING)
              .map(([id, text]) => (
                <li key={id}>{text}</li>
              ))}
          </Box>
        )}
      </Section>
    </Box>
  );
}
