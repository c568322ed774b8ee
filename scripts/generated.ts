/** Pages of docs/ made from the tables in core. */
import {
  CATALOGUE,
  date,
  demoGarden,
  gardenFileJsonSchema,
  ISSUE_TEXTS,
  LIMITS,
  REASON_CODES,
  SCHOOLS,
  SOURCES,
  TASK_TABLE,
  TASKS,
  VERDICT_TABLE,
  VERDICTS,
  townsFrom,
} from "@wren/core";
import { readFileSync } from "node:fs";
import { learn } from "../core/src/towns/learn.ts";

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => "---"), ...rows].map((r) => `| ${r.join(" | ")} |`).join("\n");

const words = (): string => `# The words used everywhere

Made from \`core/src/model/words.ts\` by \`npm run docs\`.

## Verdicts, strongest first

${table(
  ["verdict", "on screen", "means"],
  VERDICTS.map((v) => [v, VERDICT_TABLE[v].word, VERDICT_TABLE[v].meaning]),
)}

## Tasks

${table(
  ["task", "label", "made of", "regime", "usual share"],
  TASKS.map((t) => {
    const r = TASK_TABLE[t];
    return [t, r.label, r.cuts.join(", "), r.regime, `${Math.round(r.usualShare * 100)} %`];
  }),
)}

## Limits

${table(
  ["limit", "value"],
  Object.entries(LIMITS).map(([k, v]) => [k, String(v)]),
)}

## Schools

${SCHOOLS.map(
  (s) => `### ${s.question}

${table(
  ["option", "suits", "costs"],
  s.options.map((o) => [o.label, o.suits, o.cost]),
)}`,
).join("\n\n")}
`;

/** A text with its values named instead of filled in. */
const shape = (text: (v: Readonly<Record<string, string>>) => string): string =>
  text(new Proxy({}, { get: (_, key) => `{${String(key)}}` }));

const errors = (): string => `# What is refused, and how it is said

Made from \`core/src/words/issueTexts.ts\` by \`npm run docs\`. Every refusal names its place (a field or a path
into the file) and one of these codes; nothing is changed when something is refused.

${table(
  ["code", "text"],
  Object.entries(ISSUE_TEXTS).map(([code, text]) => [code, shape(text)]),
)}

Codes of reasons beside an answer: ${REASON_CODES.map((c) => `\`${c}\``).join(", ")}.
`;

const sources = (): string => `# Sources

Made from \`core/src/catalogue/sources.ts\` by \`npm run docs\`. Publications are cited from memory.

${table(
  ["id", "citation", "standing", "kinds that lean on it"],
  Object.entries(SOURCES).map(([id, s]) => [
    id,
    s.citation,
    s.standing,
    String(CATALOGUE.taxa.filter((t) => (t.sources as readonly string[]).includes(id)).length),
  ]),
)}
`;

/** The kinds of the demo garden as rows of code: a first visit answers with them before all the others are fetched. */
const demoKinds = (): string => {
  const garden = demoGarden(date("2026-06-10"));
  const ids = garden.plants.flatMap((p) => [p.taxonId, ...(p.identity?.candidates.map((c) => c.taxonId) ?? [])]);
  const rows = CATALOGUE.taxa.filter((t) => ids.includes(t.id)).map(({ schools: _, ...row }) => row);
  return `/** Made from the catalogue by \`npm run docs\`: the kinds of the demo garden. */
import type { TaxonRow } from "../catalogue/index.ts";

/** Rows of the kinds that the demo garden holds, or may hold. */
export const DEMO_KINDS: readonly TaxonRow[] = ${JSON.stringify(rows)};
`;
};

/** The table of towns as a text that the browser fetches when a place is asked for. */
const townRows = (
  csv: string,
): string => `/** Made from core/data/towns.csv by \`npm run docs\`: recalled from memory, rounded, not measured. */
export const TOWN_ROWS = ${JSON.stringify(csv)};
`;

/** What the towns teach of places in general. */
const learned = (csv: string): string => `/** Made from core/data/towns.csv by \`npm run docs\` (towns/learn.ts). */
import type { Learned } from "./learnedShape.ts";

export const LEARNED: Learned = ${JSON.stringify(learn(townsFrom(csv)))};
`;

/** Files of code that are made too. */
export const generatedCode = (): Readonly<Record<string, string>> => {
  const csv = readFileSync(new URL("../core/data/towns.csv", import.meta.url), "utf8");
  return {
    "core/src/demo/kinds.ts": demoKinds(),
    "core/src/towns/rows.ts": townRows(csv),
    "core/src/climate/learned.ts": learned(csv),
  };
};

/** File name in docs/ to text. */
export const generatedDocs = (): Readonly<Record<string, string>> => ({
  "words.md": words(),
  "errors.md": errors(),
  "sources.md": sources(),
  "gardenfile.schema.json": `${JSON.stringify(gardenFileJsonSchema(), null, 2)}\n`,
});
