/** An old plant renewed, brought back or made a small tree over the years: which stems go when, by any way its kind allows. */
import { Box, Button, Typography } from "@mui/material";
import {
  adviseOn,
  heightOf,
  mayBeTree,
  programmePlan,
  PROGRAMME_TEXTS,
  remarkText,
  renewals,
  treeFormOf,
  waiting,
  type GardenModel,
  type PlainDate,
  type Plant,
  type ProgrammeWay,
  type Share,
  type Stand,
  type Stem,
} from "@wren/core";
import { memo, useMemo, useState } from "react";
import { StepsTable } from "../../answer/Programmes.tsx";
import { useDay } from "../../state/day.tsx";
import { withProgramme } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";

/** The ways these stems and this kind allow. */
function waysOf(model: GardenModel, plant: Plant, stand: Stand, on: PlainDate, cap: Share): readonly ProgrammeWay[] {
  const taxon = model.taxonOf(plant);
  const { heightM } = heightOf(model, plant, on);
  const ways: ProgrammeWay[] = renewals(stand.stems, taxon, plant, heightM, cap).map((w) => w.way);
  const tree = mayBeTree(taxon) ? treeFormOf(model, plant, on, stand) : null;
  return tree && tree.years.length > 0 ? [...ways, "tree-form"] : ways;
}

interface Props {
  readonly plant: Plant;
  readonly stand: Stand;
  readonly nameOf: (id: string) => string;
}

/** Nothing in it hangs on the cuts that are tried. */
export const RenewalYears = memo(function RenewalYears({ plant, stand, nameOf }: Props) {
  const { model, garden, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const begun = garden.programmes.find((p) => p.plantId === plant.id && p.on <= on);
  const { cap, standing } = useMemo(() => adviseOn(model, plant.id, on, "shape"), [model, plant.id, on]);
  const ways = useMemo(() => waysOf(model, plant, stand, on, cap ?? 1), [model, plant, stand, on, cap]);
  const wished: ProgrammeWay = plant.goal.kind === "tree-form" ? "tree-form" : "thirds";
  const [picked, setPicked] = useState<ProgrammeWay>(begun?.way ?? wished);
  const way = ways.includes(picked) ? picked : ways[0];
  const plan = useMemo(
    () =>
      way === undefined
        ? null
        : programmePlan(
            model,
            begun?.way === way ? begun : { id: "preview", plantId: plant.id, on, way, aimM: null },
            on,
          ),
    [model, begun, plant.id, on, way],
  );
  const names = (stems: readonly Stem[]): string => stems.map((s) => nameOf(s.id)).join(", ");
  const waits = waiting(standing);
  if (waits && !begun)
    return (
      <Section title="Over the years">
        <p>{remarkText(waits, say)} What takes years begins after that.</p>
      </Section>
    );
  const stuck = taxon.regrowthFromLeaflessWood === "no" && taxon.leaf === "evergreen";
  if (!way || !plan)
    return stuck ? (
      <Section title="Over the years">
        <p>
          {taxon.common[0]} does not break from leafless wood: it cannot be brought back from below. Lower it only as
          far as there is green, year by year (below), or plant another.
        </p>
      </Section>
    ) : null;
  const form = way === "tree-form" ? treeFormOf(model, plant, on, stand) : null;
  const begin = (): Promise<boolean> =>
    change(`${plant.label}: ${PROGRAMME_TEXTS[way].title.toLowerCase()} begun`, (g) =>
      withProgramme(g, { id: newId(), plantId: plant.id, on, way, aimM: null }),
    );
  return (
    <Section title="Over the years">
      <OneOf
        label="How"
        options={ways.map((w) => ({ value: w, label: PROGRAMME_TEXTS[w].title }))}
        value={way}
        onChange={setPicked}
        hint={PROGRAMME_TEXTS[way].note}
      />
      {form && (
        <p className="spaced">
          Leaders: {names(form.leaders)}.{" "}
          {form.undecided && `Left for a look next year: ${nameOf(form.undecided.id)}. `}
          {!form.reached && "Not all of it within this cap; it goes on after these years."}
        </p>
      )}
      <StepsTable plan={plan} names={names} />
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
        A third of the stems may be more than half of the leaf that stands. New shoots are not counted in.
      </Typography>
      <Box sx={{ mt: 1 }}>
        {begun?.way === way ? (
          <p className="strong">
            Begun: its steps stand in your year and your calendar, and move with what you record.
          </p>
        ) : (
          <Button variant="outlined" onClick={() => void begin()}>
            {begun ? "Begin this instead" : "Begin it"}
          </Button>
        )}
      </Box>
    </Section>
  );
});
