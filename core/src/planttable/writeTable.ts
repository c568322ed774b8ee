/** A garden's plants as a table of text, to be written as CSV by whoever has a writer. */
import type { Catalogue } from "../catalogue/index.ts";
import type { Garden, Plant } from "../model/index.ts";
import { UNKNOWN_TAXON } from "../identify/index.ts";
import { safeCell } from "./cells.ts";
import { COLUMNS, type ColumnId } from "./columns.ts";

const metres = (m: number | null): string => (m === null ? "" : String(Math.round(m * 1e4) / 1e4));

/** The heading line and one line per plant; lengths in metres, which the headings say. */
export function plantTable(garden: Garden, catalogue: Catalogue): readonly (readonly string[])[] {
  const bedName = new Map(garden.beds.map((b) => [b.id, b.name]));
  const cell: Readonly<Record<ColumnId, (p: Plant) => string>> = {
    id: (p) => p.id,
    label: (p) => safeCell(p.label),
    kind: (p) => (p.taxonId === UNKNOWN_TAXON ? "unknown" : (catalogue.byId(p.taxonId)?.botanical ?? p.taxonId)),
    bed: (p) => safeCell(bedName.get(p.bedId) ?? ""),
    along: (p) => metres(p.alongM),
    height: (p) => metres(p.heightM),
    width: (p) => metres(p.widthM),
    planted: (p) => (p.plantedOn === null ? "" : p.plantedAbout ? p.plantedOn.slice(0, 4) : p.plantedOn),
    condition: (p) => p.condition,
    form: (p) => p.form ?? "",
    vigour: (p) => p.vigour,
    mature: (p) => metres(p.ownSize.heightM),
    growth: (p) => metres(p.ownSize.growthM),
    dangers: (p) => p.dangers.map((d) => d.what).join("; "),
    goal: (p) => p.goal.kind,
    wanted: (p) => metres(p.goal.heightM),
    note: (p) => safeCell(p.note),
  };
  const headings = COLUMNS.map((c) => (c.length ? `${c.heading} (m)` : c.heading));
  return [headings, ...garden.plants.map((p) => COLUMNS.map((c) => cell[c.id](p)))];
}
