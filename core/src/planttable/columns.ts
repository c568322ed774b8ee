/** The columns of a table of plants, and how a stranger's headings are matched to them. */

export type TextColumn =
  "id" | "label" | "kind" | "bed" | "planted" | "condition" | "form" | "vigour" | "dangers" | "goal" | "note";
export type LengthColumn = "height" | "width" | "wanted" | "along" | "mature" | "growth";
/** One of the columns of a table of plants. */
export type ColumnId = TextColumn | LengthColumn;

export interface Column {
  readonly id: ColumnId;
  /** Heading in an export. */
  readonly heading: string;
  /** Other headings that mean the same, in small letters. */
  readonly aliases: readonly string[];
  readonly required: boolean;
  readonly length: boolean;
}

const column = (id: ColumnId, heading: string, aliases: readonly string[], more: Partial<Column> = {}): Column => ({
  id,
  heading,
  aliases,
  required: false,
  length: false,
  ...more,
});
const LENGTH = { length: true } as const;

/** The columns of a table of plants, in order. */
export const COLUMNS: readonly Column[] = [
  column("id", "Id", ["plant id", "key", "no", "number"]),
  column("label", "Name", ["label", "plant", "plant name", "what"]),
  column("kind", "Kind", ["species", "botanical", "botanical name", "taxon", "latin", "type", "common name"], {
    required: true,
  }),
  column("bed", "Bed", ["border", "where", "location", "place"]),
  column("along", "Along the bed", ["position", "along", "at"], LENGTH),
  column("height", "Height", ["tall", "h"], { ...LENGTH, required: true }),
  column("width", "Width", ["spread", "w"], LENGTH),
  column("planted", "Planted", ["planted on", "date planted", "planting date", "since"]),
  column("condition", "Condition", ["health", "state"]),
  column("form", "Form", ["grown as", "shape", "training"]),
  column("vigour", "Vigour", ["vigor", "size class"]),
  column("mature", "Own mature height", ["mature height", "grows to"], LENGTH),
  column("growth", "Own growth a year", ["yearly growth", "growth a year"], LENGTH),
  column("dangers", "Dangers", ["danger", "hazards"]),
  column("goal", "Goal", ["wish", "aim"]),
  column("wanted", "Wanted height", ["target height", "keep at", "wanted"], LENGTH),
  column("note", "Note", ["notes", "remarks", "comment", "comments"]),
];

/** Index of the table's column for each of ours; null where the table has none. */
export type Mapping = Readonly<Record<ColumnId, number | null>>;

/** Units a heading may carry, in brackets or behind the name: "Height (cm)", "height_m", "height cm". */
export const HEADING_UNITS = ["mm", "cm", "m", "in", "ft"] as const;
export type HeadingUnit = (typeof HEADING_UNITS)[number];

export interface Heading {
  readonly name: string;
  /** null: none given. */
  readonly unit: string | null;
}

const LONGEST_HEADING = 200;

/** Splits a heading. // => splitHeading("Height (cm)") is { name: "height", unit: "cm" } */
export function splitHeading(text: string): Heading {
  const clean = text
    .slice(0, LONGEST_HEADING)
    .replace(/^\uFEFF/, "")
    .trim()
    .toLowerCase();
  const inBrackets = /^(.*?)\s*[([]\s*([^)\]]+?)\s*[)\]]$/.exec(clean);
  if (inBrackets) return { name: inBrackets[1]!.replaceAll("_", " "), unit: inBrackets[2]! };
  const behindLine = /^(.+)[_ ](mm|cm|m|in|ft)$/.exec(clean);
  if (behindLine) return { name: behindLine[1]!.replaceAll("_", " "), unit: behindLine[2]! };
  return { name: clean.replaceAll("_", " "), unit: null };
}

/** Matches headings to columns by name, each heading once. */
export function matchColumns(headings: readonly string[]): Mapping {
  const names = headings.map((h) => splitHeading(h).name);
  const taken = new Set<number>();
  const pairs = COLUMNS.map((c): [ColumnId, number | null] => {
    const wanted = [c.heading.toLowerCase(), c.id, ...c.aliases];
    const i = names.findIndex((n, at) => !taken.has(at) && wanted.includes(n));
    if (i >= 0) taken.add(i);
    return [c.id, i >= 0 ? i : null];
  });
  return Object.fromEntries(pairs) as Record<ColumnId, number | null>;
}
