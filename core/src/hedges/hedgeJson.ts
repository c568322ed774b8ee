/** What a hedge answers on a day, as plain data: the command line's and anybody's. */
import type { PlainDate } from "../calendar/index.ts";
import type { GardenModel } from "../garden/index.ts";
import type { Hedge } from "../model/index.ts";
import type { Section } from "../sections/index.ts";
import type { Metres, Share } from "../units/index.ts";
import { hedgeStands, hedgeTo, hedgeTrims, wantedSection, type HedgeFault } from "./hedge.ts";
import { nextTrims } from "./trimYear.ts";

/** Lengths in metres, areas in square metres, minutes as least and most. */
export interface HedgeJson {
  readonly hedgeId: string;
  readonly lengthM: Metres;
  readonly faults: readonly HedgeFault[];
  readonly now: Section;
  readonly wanted: Section;
  /** No section was chosen: this one is proposed. */
  readonly proposed: boolean;
  /** Of its leafy shell, brought to that section. */
  readonly share: Share;
  /** It passes the green of a kind whose bare wood stays bare. */
  readonly refused: boolean;
  /** Days of its trims, the next first. */
  readonly trims: readonly PlainDate[];
  readonly faceM2: number;
  readonly minutes: readonly [number, number];
  /** Years of the shortest way back; 0 where one trim does it. */
  readonly years: number;
}

/** The same numbers as the Hedges screen's, by the same calls. */
export function hedgeJson(model: GardenModel, hedge: Hedge, on: PlainDate): HedgeJson {
  const stands = hedgeStands(model, hedge, on);
  const wanted = wantedSection(stands);
  const to = hedgeTo(model, stands, wanted);
  const trims = hedgeTrims(model, stands, on);
  const [least, most] = to.trimMinutes;
  return {
    hedgeId: hedge.id,
    lengthM: stands.lengthM,
    faults: stands.faults,
    now: stands.now,
    wanted,
    proposed: hedge.wanted === null,
    share: to.cut.share,
    refused: to.refused,
    trims: nextTrims(model, trims, on),
    faceM2: to.faceM2,
    minutes: [Math.round(least), Math.round(most)],
    years: Math.min(...to.ways.map((w) => w.steps.at(-1)?.year[1] ?? 0)),
  };
}
