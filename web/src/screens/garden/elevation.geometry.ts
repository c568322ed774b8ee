/** Numbers of a bed's elevation: one scale for all beds, so that heights compare. */
import {
  heightOf,
  seasonsEndHeight,
  type Bed,
  type GardenModel,
  type Metres,
  type PlainDate,
  type Plant,
} from "@wren/core";

export interface Standing {
  readonly plant: Plant;
  readonly heightM: Metres;
  readonly endM: Metres;
  readonly wantedM: Metres | null;
}

/** Plants of a bed with today's and the season's end height. */
export function standingIn(model: GardenModel, bed: Bed, on: PlainDate): readonly Standing[] {
  return model.garden.plants
    .filter((p) => p.bedId === bed.id)
    .map((plant) => {
      const taxon = model.taxonOf(plant);
      const year = model.yearOf(taxon);
      const h = model.climate.hemisphere;
      const today = heightOf(model, plant, on);
      const [, end] = seasonsEndHeight(today, taxon, year, h, on);
      return { plant, heightM: today.heightM, endM: end, wantedM: plant.goal.heightM };
    });
}

/** Tallest thing a bed shows, with headroom for the marks; at least a person. */
export const PERSON_M: Metres = 1.7;
export const tallestIn = (standing: readonly Standing[]): Metres =>
  Math.max(PERSON_M, ...standing.map((s) => Math.max(s.heightM, s.endM, s.wantedM ?? 0)));

/** Where a plant dragged by some pixels now stands, kept inside its bed, to 5 cm. */
export function draggedTo(alongM: Metres, deltaPx: number, pxPerM: number, lengthM: Metres): Metres {
  const moved = alongM + deltaPx / pxPerM;
  return Math.min(lengthM, Math.max(0, Math.round(moved * 20) / 20));
}

/** Names under plants closer than this would run into each other, pixels. */
const LABEL_PX = 108;

/** Which of two lines each plant's name stands on, so that neighbours' names do not run together. */
export function labelRows(middlesPx: readonly number[]): readonly (0 | 1)[] {
  const order = middlesPx.map((x, i) => ({ x, i })).sort((a, b) => a.x - b.x);
  const last: [number, number] = [-Infinity, -Infinity];
  const rows = middlesPx.map((): 0 | 1 => 0);
  for (const { x, i } of order) {
    const row = x - last[0] >= LABEL_PX || x - last[1] < LABEL_PX ? 0 : 1;
    rows[i] = row;
    last[row] = x;
  }
  return rows;
}
