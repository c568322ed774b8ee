/** Sun and shade at a plant through a day: as its bed was surveyed, less what the plants before it take. */
import { seasonPoint, type PlainDate } from "../calendar/index.ts";
import { heightOf, type GardenModel } from "../garden/index.ts";
import type { Bed } from "../model/index.ts";
import type { Minutes, Share } from "../units/index.ts";
import { sunOnTop, type ShadeBody, type SkyDay } from "../views/index.ts";

/** What was surveyed, as a share of the sun. */
const SURVEYED = { sun: 1, part: 0.5, shade: 0.1 } as const;
/** The parts of a day that a bed is surveyed by, by the sun's hour. */
const MIDDAY_FROM = 11;
const LATE_FROM = 15;

/** The share of the sun that a bed was surveyed to have at an hour; where nobody looked, all of it. */
function surveyed({ sun }: Bed, hour: number): Share {
  const said = hour < MIDDAY_FROM ? sun.morning : hour < LATE_FROM ? sun.midday : sun.late;
  return said === null ? 1 : SURVEYED[said];
}

/** Sun on a garden's plants through one day, each bed's plants looked up once. */
export class SunOfDay {
  readonly #model: GardenModel;
  readonly #on: PlainDate;
  readonly #sky: SkyDay;
  readonly #beds = new Map<string, readonly ShadeBody[]>();

  constructor(model: GardenModel, on: PlainDate) {
    const { hemisphere } = model.climate;
    this.#model = model;
    this.#on = on;
    this.#sky = {
      latitudeDeg: model.garden.place.latitudeDeg,
      day: seasonPoint(on, hemisphere).seasonDay,
      hemisphere,
    };
  }
  #bodies(bedId: string): readonly ShadeBody[] {
    let bodies = this.#beds.get(bedId);
    if (!bodies) {
      const m = this.#model;
      bodies = m.garden.plants
        .filter((p) => p.bedId === bedId)
        .map((plant) => ({ plant, heightM: heightOf(m, plant, this.#on).heightM }));
      this.#beds.set(bedId, bodies);
    }
    return bodies;
  }
  /** Share of the sun at a plant at a minute of the day, by the sun's time. */
  at(plantId: string, minute: Minutes): Share {
    const { bedId } = this.#model.plant(plantId);
    const bed = this.#model.garden.beds.find((b) => b.id === bedId);
    if (!bed) return 1;
    const hour = minute / 60;
    return surveyed(bed, hour) * sunOnTop(bed, this.#bodies(bedId), plantId, this.#sky, hour);
  }
}
