/** What is asked when two copies are brought together, in words: the row, the field, and both values. */
import type { Garden, Question, Voice } from "@wren/core";
import { rowName } from "../data/stored.ts";

/** Fields whose name in the code is not how a gardener calls them. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  "": "all of it",
  heightM: "height",
  widthM: "width",
  condition: "condition",
  plantedOn: "day of planting",
  bedId: "where it stands",
  taxonId: "what it is",
  note: "note",
  label: "name",
  name: "name",
  "goal.kind": "what is wanted of it",
  "goal.heightM": "wanted height",
  "goal.widthM": "wanted width",
  "goal.lines": "lines to keep clear",
  pairedWith: "its partner in a pair",
  thickestStemMm: "thickest stem",
  powerLineM: "distance to a power line",
  form: "how it is grown",
  task: "what was cut",
  kind: "what was seen",
  minutes: "minutes",
  on: "day",
  caption: "caption",
  way: "what was begun",
  paceDays: "how early the year runs",
  tminC: "weather of its days",
  posts: "line and sections",
  stems: "stems",
  chosen: "the try to carry out",
  place: "place",
  "place.name": "where the garden lies",
  "place.zone": "what is known of its frosts and warmth",
  "place.site": "how the ground lies",
  "rules.units": "units",
};

/** "goal.lines front path" is in the table as "goal.lines"; what is not in it is spelt out. */
export function fieldWords(field: string): string {
  for (let path = field; ; path = path.slice(0, path.lastIndexOf("."))) {
    const known = FIELD_WORDS[path];
    if (known !== undefined && (path !== "" || field === "")) return known;
    if (!path.includes(".")) break;
  }
  const last = field.split(".").at(-1)!;
  return last
    .replace(/(M|Mm|C|Days|Share|Count|On)$/, "")
    .replace(/([A-Z])/g, " $1")
    .toLowerCase()
    .trim();
}

type Entry = Readonly<Record<string, unknown>>;
const isEntry = (x: unknown): x is Entry => typeof x === "object" && x !== null && !Array.isArray(x);
const ISO = /^\d{4}-\d{2}-\d{2}$/;

interface Names {
  readonly garden: Garden;
  readonly say: Voice;
}
function scalar(key: string, x: unknown, { garden, say }: Names): string {
  if (x === null || x === "") return "nothing";
  if (typeof x === "boolean") return x ? "yes" : "no";
  if (typeof x === "number")
    return key.endsWith("M") ? say.length(x) : /[sS]hare$/.test(key) ? say.percent(x) : String(x);
  if (typeof x !== "string") return "";
  if (ISO.test(x)) return say.date(x);
  if (key === "bedId") return garden.beds.find((b) => b.id === x)?.name ?? x;
  if (key === "pairedWith") return garden.plants.find((p) => p.id === x)?.label ?? x;
  const words = x.replaceAll("-", " ");
  return key === "note" || key === "label" || key === "name" || key === "caption" ? `“${x}”` : words;
}

const MAX_PARTS = 5;
const MAX_LETTERS = 200;
/** A value in a line; undefined: it was taken out. */
export function valueWords(field: string, x: unknown, names: Names): string {
  if (x === undefined) return "taken out";
  const key = field.split(".").at(-1)!;
  const text = ((): string => {
    if (Array.isArray(x)) return x.length === 0 ? "none" : `${x.length} ${x.length === 1 ? "entry" : "entries"}`;
    if (!isEntry(x)) return scalar(key, x, names);
    const told = Object.entries(x).filter(([k, v]) => !/^(id|plantId)$/.test(k) && v !== null && v !== "");
    const parts = told.slice(0, MAX_PARTS).map(([k, v]) => {
      const value = isEntry(v) || Array.isArray(v) ? valueWords(k, v, names) : scalar(k, v, names);
      return told.length === 1 || ISO.test(String(v)) ? value : `${fieldWords(k)} ${value}`;
    });
    return parts.join(", ") + (told.length > MAX_PARTS ? ", …" : "");
  })();
  return text.length > MAX_LETTERS ? `${text.slice(0, MAX_LETTERS)}…` : text;
}

/** The row that is asked about. // => "Plant “Old lilac”" */
export function rowWords(q: Pick<Question, "list" | "id">, own: Garden, theirs: Garden): string {
  if (q.list === "head") return "The garden";
  const { list } = q;
  const rows: readonly { readonly id: string }[] = [...own[list], ...theirs[list]];
  const row = rows.find((r) => r.id === q.id);
  const { plantId } = (row ?? {}) as { readonly plantId?: string };
  const plant = [...own.plants, ...theirs.plants].find((p) => p.id === plantId);
  return plant ? `${plant.label}: ${rowName(list, row).replace(/^./, (c) => c.toLowerCase())}` : rowName(list, row);
}

/** A value that was not chosen, as the notebook shows it. */
export function keptWords(
  was: { readonly list: string; readonly field: string; readonly value: string },
  names: Names,
): string {
  const what = was.field === "" ? (ROW_WORDS[was.list] ?? was.list) : fieldWords(was.field);
  let value: unknown;
  try {
    value = JSON.parse(was.value);
  } catch {
    // Longer than is kept: its beginning is shown.
    value = was.value;
  }
  return `${what}: ${valueWords(was.field, value, names)}`;
}
const ROW_WORDS: Readonly<Record<string, string>> = {
  beds: "the bed",
  plants: "the plant",
  visits: "a visit",
  observations: "an observation",
  viewpoints: "a viewpoint",
  photos: "a photo",
  plans: "a plan",
  programmes: "what was begun for years",
  stands: "the stems",
  hedges: "the hedge",
  works: "work under way",
  weather: "a year’s weather",
  seasons: "a year’s pace",
};
