/** Small gardens for tests, built by hand so that each test shows what it is about. */
import {
  CATALOGUE,
  date,
  dayOfYear,
  emptyGarden,
  kindCache,
  monthDay,
  openGarden,
  partsOf,
  PLAIN_SIGHT,
  UNSAID_PLACE,
  UNSURVEYED_PLANT,
  type Garden,
  type GardenModel,
  type Health,
  type KindCache,
  type Observation,
  type Place,
  type PlainDate,
  type Plant,
  type Taxon,
  type Visit,
  type WeatherYear,
  wish,
} from "@wren/core";

/** Zone 6b in the north: the place of the worked example. */
export const PLACE: Place = {
  ...UNSAID_PLACE,
  name: "Test plot",
  latitudeDeg: 40.5,
  zone: "6b",
  lastFrost: monthDay("04-22"),
  firstFrost: monthDay("10-18"),
  // An upland plot of the zone: without it, zone and dates say 30 °C, the summers of Columbus or Indianapolis.
  warmestC: 27,
};

/** Places that span what is sold and grown: cold to frost-free, and the other hemisphere. */
export const PLACES: readonly Place[] = [
  { ...PLACE, name: "cold", zone: "4a", latitudeDeg: 46, lastFrost: monthDay("05-20"), firstFrost: monthDay("09-22") },
  {
    ...PLACE,
    name: "inland",
    zone: "5b",
    latitudeDeg: 42,
    lastFrost: monthDay("05-05"),
    firstFrost: monthDay("10-05"),
  },
  PLACE,
  {
    ...PLACE,
    name: "coast",
    zone: "8b",
    latitudeDeg: 47.6,
    lastFrost: monthDay("03-05"),
    firstFrost: monthDay("11-20"),
  },
  { ...PLACE, name: "mild", zone: "9b", latitudeDeg: 33, lastFrost: monthDay("02-01"), firstFrost: monthDay("12-15") },
  { ...PLACE, name: "free of frost", zone: "10b", latitudeDeg: 26, lastFrost: null, firstFrost: null },
  {
    ...PLACE,
    name: "south",
    zone: "8a",
    latitudeDeg: -37,
    lastFrost: monthDay("09-25"),
    firstFrost: monthDay("05-05"),
  },
];

/** An established, healthy plant of a kind; its id is the kind's unless said otherwise. */
export const plantOf = (taxonId: string, more: Partial<Plant> = {}): Plant => ({
  id: taxonId,
  bedId: "bed-1",
  taxonId,
  label: taxonId,
  alongM: 1,
  heightM: 1.6,
  heightOn: date("2026-01-10"),
  widthM: 1.4,
  plantedOn: date("2019-04-15"),
  condition: "healthy",
  conditionOn: null,
  goal: wish("routine"),
  powerLineM: null,
  thickestStemMm: null,
  note: "",
  ...UNSURVEYED_PLANT,
  ...more,
});

/** A look at the health that found nothing wrong. */
export const healthOf = (on: string, more: Partial<Health> = {}): Health => ({
  on: date(on),
  scratch: "green",
  growth: "everywhere",
  deadShare: 0,
  frost: false,
  disease: false,
  drought: false,
  weak: false,
  sparseFoot: false,
  ...more,
});

export const visitOf = (plantId: string, on: string, share: number, more: Partial<Visit> = {}): Visit => ({
  id: `v-${plantId}-${on}`,
  plantId,
  on: date(on),
  task: "shape",
  regime: "upkeep",
  cuts: [{ by: "share", share }],
  hazardShare: 0,
  deadStemsCount: 0,
  minutes: null,
  note: "",
  trialUntil: null,
  begun: [],
  by: "",
  sure: false,
  planned: null,
  ...more,
});

export const seenOn = (plantId: string, on: string, more: Partial<Observation> = {}): Observation => ({
  id: `o-${plantId}-${on}`,
  plantId,
  on: date(on),
  ...PLAIN_SIGHT,
  kind: "growth-seen",
  ...more,
});

export const gardenOf = (plants: Plant[], more: Partial<Garden> = {}): Garden => ({
  ...emptyGarden("t", PLACE),
  plants,
  ...more,
});

const caches = new Map<string, KindCache>();

/** Opens a garden; the climate of a place is fitted once for all tests of a file. */
export function modelOf(plants: Plant[], more: Partial<Garden> = {}): GardenModel {
  const garden = gardenOf(plants, more);
  const key = JSON.stringify([garden.place, garden.rules]);
  const cache = caches.get(key) ?? kindCache(garden);
  caches.set(key, cache);
  return openGarden(garden, CATALOGUE, cache);
}

/** Every so many-th kind, starting at a place of its own: sweeps over kinds and places stay short and differ. */
export const someKinds = (start: number, every = 9): readonly Taxon[] =>
  CATALOGUE.taxa.filter((_, i) => i % every === start % every);

/** One established plant of each kind. */
export const everyKindAt = (place: Place, taxa: readonly Taxon[] = CATALOGUE.taxa): GardenModel =>
  modelOf(
    taxa.map((t) => plantOf(t.id)),
    { place },
  );

/** Rows of weather from a few days, the others not observed. */
export function weatherRows(
  days: readonly { on: PlainDate; tminC: number | null; tmaxC: number | null; rainMm: number | null }[],
): WeatherYear[] {
  const years = new Map<number, WeatherYear>();
  for (const d of days) {
    const { year } = partsOf(d.on);
    const none = (): (number | null)[] => Array.from({ length: 366 }, () => null);
    const row: WeatherYear = years.get(year) ?? {
      id: `weather-${year}`,
      year,
      source: "own",
      tminC: none(),
      tmaxC: none(),
      rainMm: none(),
    };
    years.set(year, row);
    const i = dayOfYear(d.on);
    row.tminC[i] = d.tminC;
    row.tmaxC[i] = d.tmaxC;
    row.rainMm[i] = d.rainMm;
  }
  return [...years.values()];
}
