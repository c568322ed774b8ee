/** What stands against the plant's wish: its kind, its views, as the plant is surveyed now. */
import { goalNotes, viewReasons, type GardenModel, type Plant, type Reason } from "@wren/core";

/** At the wanted height where there is one. */
export const wishNotes = (model: GardenModel, plant: Plant): readonly Reason[] => [
  ...goalNotes(model, plant),
  ...(plant.goal.heightM === null ? [] : viewReasons(model.garden, plant, plant.goal.heightM)),
];
