/** How the rows of each list are brought together when both copies changed them: one line a list. */
import { BOUNDS, type Garden, type ListName } from "../../model/index.ts";
import type { Group, Parts, Rule } from "./values.ts";

const fields = (parts: Parts = {}, groups: readonly Group[] = []): Extract<Rule, { is: "fields" }> => ({
  is: "fields",
  parts,
  groups,
});
const SET: Rule = { is: "set" };
const by = (...keys: string[]): Rule => ({ is: "entries", by: keys, entry: fields() });
const LEAST: Rule = { is: "least" };

/** Of a row that was made on both devices the lesser id stays: the same one on both. */
const row = (parts: Parts = {}, groups: readonly Group[] = []): Rule => fields({ id: LEAST, ...parts }, groups);

/** A row may be the same thing under another id: begun on both devices. */
export interface RowRule<L extends ListName = ListName> {
  readonly fields: Rule;
  /** Rows of one name are one row; null: only rows of one id are. */
  readonly name: ((row: Garden[L][number]) => string) | null;
}

/** What a plant, a record or a plan is, when two copies of it differ. */
export const ROW_RULES: { readonly [L in ListName]: RowRule<L> } = {
  beds: { fields: row({ sun: fields() }), name: null },
  plants: {
    fields: row(
      {
        goal: fields({ lines: by("side", "what", "called") }),
        ownSize: fields(),
        hours: fields(),
        schools: fields(),
        dangers: by("what"),
        touches: by("what"),
        views: by("viewpointId"),
      },
      [
        { of: ["heightM", "heightOn"], day: "heightOn" },
        { of: ["condition", "conditionOn"], day: "conditionOn" },
        { of: ["plantedOn", "plantedAbout"] },
        { of: ["bedId", "alongM", "backM"] },
        { of: ["taxonId", "identity"] },
      ],
    ),
    name: null,
  },
  visits: { fields: row({ begun: SET }, [{ of: ["task", "regime", "cuts", "hazardShare"] }]), name: null },
  observations: {
    fields: row({}, [{ of: ["kind", "heightM", "where", "lookedFor", "count", "lengthM"] }]),
    name: (o) => JSON.stringify({ ...o, id: "" }),
  },
  viewpoints: { fields: row({}, [{ of: ["bedId", "alongM", "distanceM"] }]), name: null },
  photos: { fields: row(), name: null },
  plans: {
    fields: row({ madeOn: LEAST }, [{ of: ["on", "half", "fixed"] }]),
    name: (p) => `${p.plantId} ${p.task} ${p.on}`,
  },
  // One to a plant: two that were begun differently are a choice.
  programmes: { fields: row({}, [{ of: ["on", "way", "aimM"] }]), name: (p) => p.plantId },
  stands: { fields: row({ tries: by("id") }, [{ of: ["on", "stems"] }]), name: null },
  hedges: {
    fields: row(
      {
        front: fields(),
        back: fields(),
        wanted: fields(),
      },
      [{ of: ["on", "posts", "stretches", "gaps"], day: "on" }],
    ),
    name: (h) => h.plantId,
  },
  works: {
    fields: row({
      on: LEAST,
      passes: SET,
      cuts: SET,
      found: SET,
      minutes: { is: "sum", most: BOUNDS.minutes.to },
      since: LEAST,
    }),
    name: (w) => `${w.plantId} ${w.task}`,
  },
  corrections: { fields: row({ on: LEAST }), name: null },
  weather: { fields: row({}, [{ of: ["tminC", "tmaxC", "rainMm"], perDay: true }]), name: (w) => String(w.year) },
  seasons: { fields: row(), name: (s) => String(s.seasonYear) },
};

/** Name, place and rules. */
export const HEAD_RULE: Rule = fields({
  place: fields({}, [
    { of: ["name", "latitudeDeg", "near"] },
    { of: ["zone", "lastFrost", "firstFrost", "noFrost", "coldestNightC", "warmestC", "nightsC", "monthly"] },
  ]),
  rules: fields({
    schools: fields(),
    prices: fields(),
    time: fields({ week: by("weekday", "half"), otherwise: by("on", "half") }),
    tools: by("tool"),
    setAside: SET,
  }),
});
