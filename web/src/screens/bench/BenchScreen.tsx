/** How much and where: stems are counted first, then cut on the drawing. */
import { Box, GlobalStyles, Typography } from "@mui/material";
import { newestStand, heightOf, buildOf, stemsFromSketch, type Plant, type Sketch } from "@wren/core";
import { useMemo, useState } from "react";
import { useParams } from "react-router";
import { today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { seenDay } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Missing } from "../../ui/Missing.tsx";
import { benchStyles } from "./benchStyles.ts";
import { newStand, withStand } from "./standEdits.ts";
import { TallyEntry } from "./TallyEntry.tsx";
import { YearsAhead } from "./YearsAhead.tsx";
import { Bench } from "./Bench.tsx";

function Known({ plant }: { readonly plant: Plant }) {
  const { garden, model, change } = useGarden();
  const { on } = useDay();
  const stand = newestStand(garden, plant.id);
  const { heightM } = heightOf(model, plant, on);
  const { widthM } = plant;
  const size = useMemo(() => ({ heightM, widthM }), [heightM, widthM]);
  const [counting, setCounting] = useState(false);
  const draw = async (t: Sketch): Promise<void> => {
    const stems = stemsFromSketch(t, size, buildOf(model.taxonOf(plant), plant.form));
    const day = seenDay(plant, on, today());
    const kept = await change(`${plant.label}: ${stems.length} stems`, (g) => {
      const old = newestStand(g, plant.id);
      // Counted again on the same day it is a correction; the cuts tried on the old drawing go with it.
      return withStand(g, newStand(old?.on === day ? old.id : newId(), plant.id, day, stems));
    });
    if (kept) setCounting(false);
  };
  return (
    <Box>
      <GlobalStyles styles={benchStyles} />
      <Box className="no-print" sx={{ display: "flex", alignItems: "baseline", gap: 2, flexWrap: "wrap", mb: 1 }}>
        <Typography variant="h1">How much, and where?</Typography>
        <DayLink to={`/plant/${plant.id}`} style={{ color: "inherit", overflowWrap: "anywhere", minWidth: 0 }}>
          {plant.label}
        </DayLink>
      </Box>
      {stand === null || stand.stems.length === 0 || counting ? (
        <TallyEntry
          size={size}
          build={buildOf(model.taxonOf(plant), plant.form)}
          onDraw={(t) => void draw(t)}
          onCancel={counting ? () => setCounting(false) : undefined}
        />
      ) : (
        <Bench key={stand.id} plant={plant} stand={stand} onRecount={() => setCounting(true)} />
      )}
      <div className="no-print">
        <YearsAhead key={plant.id} plant={plant} />
      </div>
    </Box>
  );
}

export function BenchScreen() {
  const { id } = useParams();
  const { garden } = useGarden();
  const plant = garden.plants.find((p) => p.id === id);
  return plant ? (
    <Known key={plant.id} plant={plant} />
  ) : (
    <Missing what="No such plant in this garden" to="/garden" way="To the garden" />
  );
}
