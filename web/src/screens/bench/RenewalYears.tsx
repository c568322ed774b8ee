/** An old plant renewed over the years: which stems go when, by thirds, by sides or all at once. */
import { Box, Button, Typography } from "@mui/material";
import { addYears, cheapestDay, renewals, type Plant, type RenewalWay, type Stand } from "@wren/core";
import { useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";

const WAY_LABELS: Readonly<Record<RenewalWay, string>> = {
  thirds: "A third each year",
  sides: "One side, then the other",
  "at-once": "All at once",
};
const WAY_NOTES: Readonly<Record<RenewalWay, string>> = {
  thirds: "The oldest first, for three years; some flowers every year. No other live cut goes with it.",
  sides: "Half of it stays as a screen while the other half comes again.",
  "at-once": "The quickest, and the hardest on the plant: only when it is healthy, and no flowers for a year or two.",
};

interface Props {
  readonly plant: Plant;
  readonly stand: Stand;
  readonly nameOf: (id: string) => string;
}

export function RenewalYears({ plant, stand, nameOf }: Props) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const ways = useMemo(() => renewals(stand.stems, taxon), [stand.stems, taxon]);
  const [way, setWay] = useState<RenewalWay>("thirds");
  const chosen = ways.find((w) => w.way === way) ?? ways[0];
  const first = useMemo(() => cheapestDay(model, plant, on, "renovate").on, [model, plant, on]);
  if (!chosen) return null;
  const plan = (): Promise<boolean> =>
    change(`${plant.label}: its renewal planned`, (g) => ({
      ...g,
      plans: [
        ...g.plans,
        ...chosen.years.map((y, i) => ({
          id: newId(),
          plantId: plant.id,
          on: addYears(first, i),
          task: "renovate" as const,
          madeOn: today(),
          note: `Out at the ground: ${y.stems.map((s) => nameOf(s.id)).join(", ")}`.slice(0, 500),
        })),
      ],
    }));
  return (
    <Section title="Renewed over the years">
      <OneOf
        label="How"
        options={ways.map((w) => ({ value: w.way, label: WAY_LABELS[w.way] }))}
        value={chosen.way}
        onChange={setWay}
        hint={WAY_NOTES[chosen.way]}
      />
      <Table
        head={["Year", "Day", "Out at the ground", "Of the stems", "Of the leaf that stands"]}
        rows={chosen.years.map((y, i) => ({
          key: String(i),
          cells: [
            String(i + 1),
            say.date(addYears(first, i)),
            y.stems.map((s) => nameOf(s.id)).join(", "),
            say.percent(y.countShare),
            say.percent(y.areaShare),
          ],
        }))}
      />
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
        A third of the stems may be more than half of the leaf: both are said. New shoots are not counted in.
      </Typography>
      <Box sx={{ mt: 1 }}>
        <Button variant="outlined" onClick={() => void plan()}>
          Plan {chosen.years.length === 1 ? "it" : `the ${chosen.years.length} years`}
        </Button>
      </Box>
    </Section>
  );
}
