/** Visits, what was cut at them and what was seen, as tables of text: out, and in again, line by line, all or nothing. */
import type { PlainDate } from "../calendar/index.ts";
import { shareOfVisit } from "../amount/index.ts";
import { measuredOn, type GardenModel } from "../garden/index.ts";
import {
  ObservationSchema,
  PLAIN_SIGHT,
  VisitSchema,
  type Cut,
  type Garden,
  type Observation,
  type Visit,
} from "../model/index.ts";
import { ok, refused, type Issue, type Result } from "../units/index.ts";
import { plainCell, safeCell } from "./cells.ts";

/** The tables that records go out in. */
export const RECORD_TABLES = ["visits", "cuts", "observations"] as const;
/** One of them. */
export type RecordTable = (typeof RECORD_TABLES)[number];

type Cell = string | number | boolean | null;
const HEADINGS = {
  visits: [
    "id",
    "plant id",
    "plant",
    "day",
    "task",
    "regime",
    "live share",
    "torn or diseased share",
    "dead stems",
    "minutes",
    "by",
    "planned for",
    "planned on",
    "trial until",
    "begun",
    "sure",
    "note",
  ],
  cuts: [
    "visit id",
    "plant",
    "day",
    "measured by",
    "height before (m)",
    "height after (m)",
    "stems out",
    "stems before",
    "thickness out (mm)",
    "thickness left (mm)",
    "share",
  ],
  observations: [
    "id",
    "plant id",
    "plant",
    "day",
    "what",
    "height (m)",
    "where",
    "looked for",
    "count",
    "length (m)",
    "sure",
    "note",
  ],
} as const satisfies Readonly<Record<RecordTable, readonly string[]>>;

const text = (c: Cell): string => (c === null ? "" : typeof c === "string" ? safeCell(c) : String(c));

function cutCells(c: Cut): readonly Cell[] {
  const none = null;
  switch (c.by) {
    case "height":
      return [c.by, c.beforeM, c.afterM, none, none, none, none, none];
    case "stems":
      return [c.by, none, none, c.removedCount, c.liveCount, none, none, none];
    case "diameters":
      return [c.by, none, none, none, none, c.removedMm.join(" "), c.keptMm.join(" "), none];
    case "share":
      return [c.by, none, none, none, none, none, none, c.share];
  }
}

/** A table with its headings first; the share of a visit is worked out and only goes out. */
export function recordTable(model: GardenModel, table: RecordTable): readonly (readonly string[])[] {
  const { garden } = model;
  const label = (id: string): string => model.plant(id).label;
  const rows: readonly (readonly Cell[])[] =
    table === "visits"
      ? garden.visits.map((v) => [
          v.id,
          v.plantId,
          label(v.plantId),
          v.on,
          v.task,
          v.regime,
          Math.round(shareOfVisit(v, measuredOn(model, model.plant(v.plantId), v.on)) * 1e4) / 1e4,
          v.hazardShare,
          v.deadStemsCount,
          v.minutes,
          v.by,
          v.planned?.on ?? null,
          v.planned?.madeOn ?? null,
          v.trialUntil,
          v.begun.join(" "),
          v.sure,
          v.note,
        ])
      : table === "cuts"
        ? garden.visits.flatMap((v) => v.cuts.map((c) => [v.id, label(v.plantId), v.on, ...cutCells(c)]))
        : garden.observations.map((o) => [
            o.id,
            o.plantId,
            label(o.plantId),
            o.on,
            o.kind,
            o.heightM,
            o.where,
            o.lookedFor,
            o.count,
            o.lengthM,
            o.sure,
            o.note,
          ]);
  return [HEADINGS[table], ...rows.map((r) => r.map(text))];
}

/** What may be wrong with a table of records. */
export type RecordIssueCode = "record-headings" | "record-value" | "record-visit";
/** What is wrong with it, and in which line. */
export type RecordIssue = Issue<RecordIssueCode>;

/** Which table a line of headings begins; null: none that is known. */
export function tableOf(headings: readonly string[]): RecordTable | null {
  const plain = headings.map((h) => plainCell(h).toLowerCase());
  return RECORD_TABLES.find((t) => HEADINGS[t].every((h) => plain.includes(h))) ?? null;
}

/** Rows by their headings, every cell as it was meant. */
function records(table: readonly (readonly string[])[]): readonly Readonly<Record<string, string>>[] {
  const [head = [], ...rows] = table;
  const names = head.map((h) => plainCell(h).toLowerCase());
  return rows
    .filter((r) => r.some((c) => c.trim() !== ""))
    .map((r) => Object.fromEntries(names.map((n, i) => [n, plainCell(r[i] ?? "")])));
}

const number = (s: string | undefined): number | null => {
  if (s === undefined || s === "") return null;
  const n = Number(s.replace(",", "."));
  // What is no number is left to the schema, which names it.
  return Number.isFinite(n) ? n : NaN;
};
const numbers = (s: string | undefined): number[] =>
  (s ?? "")
    .split(/\s+/)
    .filter(Boolean)
    .map((x) => Number(x));
const orNull = (s: string | undefined): string | null => (s === undefined || s === "" ? null : s);

function cutFrom(r: Readonly<Record<string, string>>): unknown {
  switch (r["measured by"]) {
    case "height":
      return { by: "height", beforeM: number(r["height before (m)"]), afterM: number(r["height after (m)"]) };
    case "stems":
      return { by: "stems", removedCount: number(r["stems out"]), liveCount: number(r["stems before"]) };
    case "diameters":
      return {
        by: "diameters",
        removedMm: numbers(r["thickness out (mm)"]),
        keptMm: numbers(r["thickness left (mm)"]),
      };
    default:
      return { by: r["measured by"], share: number(r["share"]) };
  }
}

/** The records of tables that were read together: rows of ids that the garden has stand in their place, others join it. */
export interface RecordsRead {
  readonly visits: readonly Visit[];
  readonly observations: readonly Observation[];
}

/**
 * Reads tables of records; the cuts of a visit come from the table of cuts where it names the visit, else stay as they are.
 * @returns refused with every line that will not do; nothing is taken then
 */
export function readRecords(
  tables: readonly { readonly name: string; readonly rows: readonly (readonly string[])[] }[],
  garden: Garden,
): Result<RecordsRead, RecordIssueCode> {
  const issues: RecordIssue[] = [];
  const found: Partial<
    Record<RecordTable, { readonly name: string; readonly rows: readonly Readonly<Record<string, string>>[] }>
  > = {};
  for (const t of tables) {
    const is = tableOf(t.rows[0] ?? []);
    if (is) found[is] = { name: t.name, rows: records(t.rows) };
    else
      issues.push({
        code: "record-headings",
        path: [t.name, "line 1"],
        values: { got: (t.rows[0] ?? []).join(", ").slice(0, 120), expected: HEADINGS.visits.slice(0, 5).join(", ") },
      });
  }
  const had = new Map(garden.visits.map((v) => [v.id, v]));
  const cuts = new Map<string, unknown[]>();
  for (const r of found.cuts?.rows ?? []) {
    const id = r["visit id"] ?? "";
    const list = cuts.get(id);
    if (list) list.push(cutFrom(r));
    else cuts.set(id, [cutFrom(r)]);
  }
  const told = (name: string, line: number, path: readonly PropertyKey[], message: string): void => {
    issues.push({
      code: "record-value",
      path: [name, `line ${line}`, path.map(String).join(" ")],
      values: { message },
    });
  };
  const visits = (found.visits?.rows ?? []).flatMap((r, i): Visit[] => {
    const id = r["id"] ?? "";
    const on = orNull(r["planned for"]);
    const parsed = VisitSchema.safeParse({
      id,
      plantId: r["plant id"],
      on: r["day"],
      task: r["task"],
      regime: r["regime"],
      cuts: cuts.get(id) ?? had.get(id)?.cuts ?? [],
      hazardShare: number(r["torn or diseased share"]) ?? 0,
      deadStemsCount: number(r["dead stems"]) ?? 0,
      minutes: number(r["minutes"]),
      note: r["note"] ?? "",
      trialUntil: orNull(r["trial until"]),
      begun: (r["begun"] ?? "").split(/\s+/).filter(Boolean),
      by: r["by"] ?? "",
      sure: r["sure"] === "true",
      planned: on === null ? null : { on, madeOn: orNull(r["planned on"]) ?? on },
    });
    if (parsed.success) return [parsed.data];
    for (const z of parsed.error.issues) told(found.visits!.name, i + 2, z.path, z.message);
    return [];
  });
  const known = new Set([...had.keys(), ...visits.map((v) => v.id)]);
  for (const id of cuts.keys())
    if (!known.has(id))
      issues.push({ code: "record-visit", path: [found.cuts!.name], values: { got: id.slice(0, 64) } });
  // Cuts of visits that are here already and whose own table did not come along.
  const recut = [...cuts].flatMap(([id, list]): Visit[] => {
    const visit = had.get(id);
    if (!visit || visits.some((v) => v.id === id)) return [];
    const parsed = VisitSchema.safeParse({ ...visit, cuts: list });
    if (parsed.success) return [parsed.data];
    for (const z of parsed.error.issues) told(found.cuts!.name, 0, z.path, z.message);
    return [];
  });
  const observations = (found.observations?.rows ?? []).flatMap((r, i): Observation[] => {
    const parsed = ObservationSchema.safeParse({
      ...PLAIN_SIGHT,
      id: r["id"],
      plantId: r["plant id"],
      on: r["day"] as PlainDate,
      kind: r["what"],
      heightM: number(r["height (m)"]),
      note: r["note"] ?? "",
      where: orNull(r["where"]),
      lookedFor: orNull(r["looked for"]),
      count: number(r["count"]),
      lengthM: number(r["length (m)"]),
      sure: r["sure"] === "true",
    });
    if (parsed.success) return [parsed.data];
    for (const z of parsed.error.issues) told(found.observations!.name, i + 2, z.path, z.message);
    return [];
  });
  return issues.length > 0 ? refused(issues) : ok({ visits: [...visits, ...recut], observations });
}

/** The garden with records laid in by their ids. */
export const withRecords = (g: Garden, r: RecordsRead): Garden => {
  const laid = <T extends { readonly id: string }>(rows: readonly T[], more: readonly T[]): T[] => [
    ...new Map([...rows, ...more].map((x) => [x.id, x])).values(),
  ];
  return { ...g, visits: laid(g.visits, r.visits), observations: laid(g.observations, r.observations) };
};

const MESSAGES: Readonly<Record<RecordIssueCode, (v: Readonly<Record<string, string | number>>) => string>> = {
  "record-headings": (v) => `these headings are of no table of records: “${v["got"]!}”; expected ${v["expected"]!}, …`,
  "record-value": (v) => String(v["message"]),
  "record-visit": (v) => `a cut names the visit “${v["got"]!}”, which neither the table nor the garden holds`,
};
/** What is wrong, with its place. */
export const recordIssueText = (i: RecordIssue): string =>
  `${i.path.filter((p) => p !== "").join(", ")}: ${MESSAGES[i.code](i.values)}`;
