/**
 * What many years' records were found to teach, as plain data that can be kept beside a garden: opened with it, the
 * garden answers at once what it would answer after working all of it out again.
 */
import type { PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "./gardenModel.ts";
import type { Lore } from "./taught.ts";

/** Seasons around a day whose pace is kept; of others it is worked out when somebody asks. */
const SEASONS = [-1, 0, 1] as const;

/** What a garden was found to teach, for days around one. */
export function loreOf(model: GardenModel, on: PlainDate): Lore {
  const { plants } = model.garden;
  const { taught } = model;
  const { seasonYear } = model.season(on);
  const named = <T>(of: (p: (typeof plants)[number]) => T | null): Record<string, T> =>
    Object.fromEntries(
      plants.flatMap((p): [string, T][] => {
        const said = of(p);
        return said === null ? [] : [[p.id, said]];
      }),
    );
  return {
    growthM: named((p) => {
      const { growthM } = model.taxonOf(p);
      return growthM === taught.kindBefore(p).growthM ? null : growthM;
    }),
    dates: {
      paces: SEASONS.map((s) => model.pace(seasonYear + s)),
      leads: named((p) => taught.lead(p) || null),
    },
    late: named((p) => {
      const late = taught.late(p);
      return late.hardens === 0 && late.dormant === 0 ? null : late;
    }),
  };
}
