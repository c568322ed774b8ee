/** Numbers of a bed's elevation: one scale for all beds, so that heights compare. */
import {
  heightOf,
  seasonsEndOf,
  type GardenModel,
  type Metres,
  type PlainDate,
  type Plant,
  type Rules,
} from "@wren/core";

export interface Standing {
  readonly plant: Plant;
  readonly heightM: Metres;
  readonly endM: Metres;
  readonly wantedM: Metres | null;
}

/** Plants of a bed from left to right, with today's and the season's end height. */
export function standingIn(model: GardenModel, plants: readonly Plant[], on: PlainDate): readonly Standing[] {
  return plants
    .toSorted((a, b) => a.alongM - b.alongM)
    .map((plant) => {
      const { heightM } = heightOf(model, plant, on);
      const [, endM] = seasonsEndOf(model, plant, on);
      return { plant, heightM, endM, wantedM: plant.goal.heightM };
    });
}

/** Tallest thing a bed shows, with headroom for the marks; at least a person. */
export const PERSON_M: Metres = 1.7;
export const tallestIn = (standing: readonly Standing[]): Metres =>
  Math.max(PERSON_M, ...standing.map((s) => Math.max(s.heightM, s.endM, s.wantedM ?? 0)));

const FOOT_M: Metres = 0.3048;
/** Every so many metres, or feet, a line across the bed says how high it is. */
const RUNGS = {
  metric: { stepM: 1, unit: "m", each: 1 },
  both: { stepM: 1, unit: "m", each: 1 },
  imperial: { stepM: 3 * FOOT_M, unit: "ft", each: 3 },
} as const satisfies Record<Rules["units"], unknown>;
export function rungsTo(
  tallestM: Metres,
  units: Rules["units"],
): readonly { readonly atM: Metres; readonly label: string }[] {
  const { stepM, unit, each } = RUNGS[units];
  return Array.from({ length: Math.floor(tallestM / stepM) }, (_, i) => ({
    atM: (i + 1) * stepM,
    label: `${(i + 1) * each} ${unit}`,
  }));
}

/** Where a plant dragged by some pixels now stands, kept inside its bed, to 5 cm. */
export function draggedTo(alongM: Metres, deltaPx: number, pxPerM: number, lengthM: Metres): Metres {
  const moved = alongM + deltaPx / pxPerM;
  return Math.min(lengthM, Math.max(0, Math.round(moved * 20) / 20));
}

/** A name breaks where it grows wider than this; the width of a letter in its size, pixels. */
export const NAME_PX = 104;
const LETTER_PX = 6;
const NUMBER_PX = 22;
const APART_PX = 6;
const nameWidth = (name: string): number => Math.min(NAME_PX, name.length * LETTER_PX);

/** Which of two lines each box stands on so that none runs into another; null for one that finds no place. */
function onTwoLines(boxes: readonly { readonly middle: number; readonly width: number }[]): readonly (0 | 1 | null)[] {
  const ends: [number, number] = [-Infinity, -Infinity];
  const rows = boxes.map((): 0 | 1 | null => null);
  for (const [i, b] of [...boxes.entries()].sort(([, a], [, c]) => a.middle - c.middle)) {
    const from = b.middle - b.width / 2 - APART_PX;
    const row = ([0, 1] as const).find((r) => from >= ends[r]);
    if (row === undefined) continue;
    rows[i] = row;
    ends[row] = b.middle + b.width / 2;
  }
  return rows;
}

export interface Labels {
  /** Names where all of them find a place; else the numbers they have in the list below. */
  readonly as: "names" | "numbers";
  /** The line of each, in the order given; null: no place for it, the list alone says it. */
  readonly rows: readonly (0 | 1 | null)[];
}

/** What stands under each plant of a bed, given their middles in pixels and their names, left to right. */
export function labelsUnder(plants: readonly { readonly middlePx: number; readonly name: string }[]): Labels {
  const names = onTwoLines(plants.map((p) => ({ middle: p.middlePx, width: nameWidth(p.name) })));
  if (names.every((r) => r !== null)) return { as: "names", rows: names };
  return { as: "numbers", rows: onTwoLines(plants.map((p) => ({ middle: p.middlePx, width: NUMBER_PX }))) };
}

/** Pixels a metre for all beds alike: the longest fills the width, but no bed is drawn too small to be told apart. */
export const scaleFor = (longestM: Metres, wide: boolean): number =>
  wide ? Math.max(36, Math.min(80, 1130 / longestM)) : 46;
