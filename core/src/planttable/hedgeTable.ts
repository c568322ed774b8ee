/** Hedges as a table, out and in: one a line, by its length and its section; all of it or nothing. */
import type { Catalogue, Taxon } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import { hedgeIssues, type FileIssue } from "../gardenfile/index.ts";
import { hedgePlant, lengthOf, quickHedge, type QuickHedge } from "../hedges/index.ts";
import { BOUNDS, LETTERS, type Bounds, type Garden, type Hedge, type Plant } from "../model/index.ts";
import { standingSection, topOf } from "../sections/index.ts";
import { ok, parseLength, refused, type Issue, type Metres, type Result } from "../units/index.ts";
import { plainCell, safeCell } from "./cells.ts";
import { kindOf, type TableIssue, type TableIssueCode } from "./readTable.ts";

/** Its lengths in metres, by heading; the rest is text or a number of its own. */
const LENGTHS = {
  "Length (m)": { key: "lengthM", bounds: { ...BOUNDS.runM, from: 0.5 } },
  "Height (m)": { key: "heightM", bounds: BOUNDS.heightM },
  "Foot (m)": { key: "footM", bounds: BOUNDS.footM },
  "Top (m)": { key: "topM", bounds: BOUNDS.topM },
  "Ground rises by (m)": { key: "riseM", bounds: BOUNDS.groundM },
} as const satisfies Record<string, { readonly key: keyof QuickHedge; readonly bounds: Bounds }>;
/** Headings of the table of hedges, in their order. */
export const HEDGE_HEADINGS = ["Name", "Kind", ...Object.keys(LENGTHS), "Front looks to (°)"] as const;

const metres = (m: Metres): string => String(Math.round(m * 100) / 100);

/** What the table says of a hedge, in the order of its headings after name and kind. */
function sizesOf(h: Hedge, plant: Plant, taxon: Taxon): readonly string[] {
  const { now } = standingSection(h, taxon, plant.heightM);
  const rise = Math.abs(h.posts.at(-1)!.groundM - h.posts[0]!.groundM);
  return [lengthOf(h), now.heightM, now.footM, topOf(now), rise].map(metres);
}

/** The garden's hedges as lines of text, the headings first. */
export function hedgeTable(garden: Garden, catalogue: Catalogue): readonly (readonly string[])[] {
  const rows = garden.hedges.flatMap((h) => {
    const plant = garden.plants.find((p) => p.id === h.plantId);
    const taxon = plant && catalogue.byId(plant.taxonId);
    if (!plant || !taxon) return [];
    const faces = String(Math.round(h.facesDeg));
    return [[safeCell(plant.label), safeCell(taxon.common[0]!), ...sizesOf(h, plant, taxon), faces]];
  });
  return [HEDGE_HEADINGS, ...rows];
}

/** What a table of hedges would put in the garden. */
export interface HedgesRead {
  readonly hedges: readonly Hedge[];
  /** Plants for those that are new. */
  readonly plants: readonly Plant[];
}

type HedgeTableIssueCode = TableIssueCode | FileIssue["code"];
interface Context {
  readonly garden: Garden;
  readonly catalogue: Catalogue;
  readonly today: PlainDate;
  /** The bed of plants that are new. */
  readonly bedId: string;
  readonly newId: () => string;
}
/** A bare number is metres, as the headings say. */
const metresIn = (text: string): Metres | null =>
  /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(",", ".")) : parseLength(text, "cm");
const unheard = (s: string): string => s.trim().toLowerCase();

/** The one kind of a name; null where it is not settled. */
function oneKind(text: string, catalogue: Catalogue): Taxon | null {
  const kind = kindOf(text, catalogue);
  return kind === "unknown" || "length" in kind ? null : kind;
}

/**
 * Reads lines of text, the headings first. A name that the garden knows is that plant, any other a new one.
 * A hedge that the table repeats as it stood keeps every post that was measured.
 * @returns every problem with its line and heading, or what would change
 */
export function readHedges(
  lines: readonly (readonly string[])[],
  ctx: Context,
): Result<HedgesRead, HedgeTableIssueCode> {
  const [head = [], ...rows] = lines;
  const issues: Issue<HedgeTableIssueCode>[] = [];
  const at = new Map(head.map((h, i) => [unheard(plainCell(h)), i]));
  for (const h of HEDGE_HEADINGS)
    if (!at.has(unheard(h)))
      issues.push({ code: "table-column", path: [], values: { column: h, got: head.join(", ").slice(0, 120) } });
  if (issues.length > 0) return refused(issues);
  if (rows.length === 0) return refused([{ code: "table-empty", path: [], values: {} }]);
  const hedges: Hedge[] = [];
  const plants: Plant[] = [];
  const lineOf = new Map<string, number>();
  for (const [i, cells] of rows.entries()) {
    const cell = (heading: string): string => plainCell(cells[at.get(unheard(heading))!] ?? "");
    const before = issues.length;
    const fail = (code: TableIssueCode, heading: string, values: TableIssue["values"]): void =>
      void issues.push({ code, path: [`line ${i + 2}`, heading], values });
    const m: Record<keyof QuickHedge, number> = { lengthM: 0, heightM: 0, footM: 0, topM: 0, riseM: 0, facesDeg: 0 };
    for (const [heading, { key, bounds }] of Object.entries(LENGTHS)) {
      const text = cell(heading);
      const value = metresIn(text);
      if (text === "") fail("table-needed", heading, {});
      else if (value === null) fail("table-length", heading, { got: text.slice(0, 60) });
      else if (value < bounds.from || value > bounds.to)
        fail("table-length-range", heading, { got: text.slice(0, 60), from: bounds.from, to: bounds.to });
      else m[key] = value;
    }
    const faces = cell("Front looks to (°)");
    m.facesDeg = Number(faces);
    if (faces === "" || !(m.facesDeg >= BOUNDS.facesDeg.from && m.facesDeg <= BOUNDS.facesDeg.to))
      fail("table-choice", "Front looks to (°)", { got: faces.slice(0, 60), options: "0 to 360" });
    const [name, kindText] = [cell("Name"), cell("Kind")];
    const known = ctx.garden.plants.find((p) => unheard(p.label) === unheard(name));
    const taxon = known ? ctx.catalogue.byId(known.taxonId) : oneKind(kindText, ctx.catalogue);
    if (name.length > LETTERS.name) fail("table-text-long", "Name", { got: name.length, most: LETTERS.name });
    if (taxon === null) fail("table-kind", "Kind", { got: kindText.slice(0, 60) });
    if (issues.length > before || taxon === null) continue;
    const plant = known ?? {
      ...hedgePlant(ctx.newId(), ctx.bedId, taxon, ctx.today, m),
      ...(name === "" ? {} : { label: name }),
    };
    const twice = lineOf.get(plant.id);
    if (twice !== undefined) {
      fail("table-id-twice", "Name", { got: name, line: twice });
      continue;
    }
    lineOf.set(plant.id, i + 2);
    if (!known) plants.push(plant);
    const old = ctx.garden.hedges.find((h) => h.plantId === plant.id);
    const fresh = quickHedge(plant, taxon, old?.id ?? ctx.newId(), ctx.today, m);
    const facesDeg = old && Math.round(old.facesDeg) === m.facesDeg ? old.facesDeg : m.facesDeg;
    // What the table repeats as it stood is no new measure: every post that was measured stays.
    const same = old && sizesOf(old, plant, taxon).join() === sizesOf(fresh, plant, taxon).join();
    const hedge = same ? { ...old, facesDeg } : old ? { ...old, on: fresh.on, facesDeg, posts: fresh.posts } : fresh;
    issues.push(...hedgeIssues(hedge, [`line ${i + 2}`], ctx.catalogue));
    hedges.push(hedge);
  }
  return issues.length > 0 ? refused(issues) : ok({ hedges, plants });
}
