/** wren-song: the same answers as the web application, for the shell. Exit 0 fine, 1 the file is refused, 2 wrong use. */
import { readFile } from "node:fs/promises";
import { parseArgs } from "node:util";
import {
  adviceJson,
  adviseOn,
  TASKS,
  CATALOGUE,
  invasiveIn,
  issueText,
  openGarden,
  parseDate,
  pathText,
  readGardenFile,
  VERDICT_TABLE,
  voiceOf,
  type AdviceJson,
  type Garden,
  type PlainDate,
  type Task,
  TASK_TABLE,
} from "@wren/core";
import { today } from "./clock.ts";

export interface Out {
  readonly line: (text: string) => void;
  readonly error: (text: string) => void;
}
const console_: Out = { line: (t) => console.log(t), error: (t) => console.error(t) };

const USAGE = `usage:
  wren-song advise FILE --on YYYY-MM-DD [--task TASK] [--plant ID] [--json]
  wren-song catalogue [--json]
  wren-song check FILE
tasks: ${TASKS.join(", ")}`;

class WrongUse extends Error {}

async function load(path: string, on: PlainDate, out: Out): Promise<Garden | null> {
  let text: string;
  try {
    text = await readFile(path, "utf8");
  } catch {
    throw new WrongUse(`cannot read ${path}`);
  }
  const read = readGardenFile(text, CATALOGUE, on);
  if (read.ok) return read.value;
  for (const i of read.issues) out.error(`${path}: ${pathText(i.path) || "file"}: ${issueText(i)}`);
  return null;
}

const isTask = (t: string): t is Task => (TASKS as readonly string[]).includes(t);

function readOptions(args: readonly string[]) {
  const parsed = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      on: { type: "string" },
      task: { type: "string" },
      plant: { type: "string" },
      json: { type: "boolean", default: false },
    },
  });
  const { on, task, plant, json } = parsed.values;
  const day = on === undefined ? null : parseDate(on);
  if (on !== undefined && day === null) throw new WrongUse(`--on ${on}: expected a day that exists, like 2026-06-10`);
  if (task !== undefined && !isTask(task)) throw new WrongUse(`--task ${task}: expected one of ${TASKS.join(", ")}`);
  return { file: parsed.positionals[0], day, task: task ?? null, plant: plant ?? null, json };
}

function adviceText(a: AdviceJson, label: string): string {
  const window = a.window
    ? ` [${a.window.opens ?? "open"} to ${a.window.closes ?? "any day"}${a.window.daysLeft === null ? "" : `, ${a.window.daysLeft} days left`}]`
    : "";
  const head = `${label}: ${TASK_TABLE[a.task].label} – ${VERDICT_TABLE[a.verdict].word}${window}`;
  return [head, ...a.reasons.map((r) => `  ${r.text} (${r.source})`)].join("\n");
}

async function advise(args: readonly string[], out: Out): Promise<number> {
  const o = readOptions(args);
  if (o.file === undefined || o.day === null) throw new WrongUse("advise needs FILE and --on DATE");
  const { day } = o;
  // A plan may be asked about any day, so records count as past up to the later of that day and today.
  const garden = await load(o.file, day > today() ? day : today(), out);
  if (!garden) return 1;
  const plants = garden.plants.filter((p) => o.plant === null || p.id === o.plant);
  if (o.plant !== null && plants.length === 0) throw new WrongUse(`--plant ${o.plant}: no such plant in ${o.file}`);
  const model = openGarden(garden, CATALOGUE);
  const say = voiceOf(garden.rules.units);
  const answers = plants.map((p) => adviceJson(adviseOn(model, p.id, day, o.task), say));
  if (o.json) out.line(JSON.stringify(answers, null, 2));
  else answers.forEach((a, i) => out.line(adviceText(a, plants[i]!.label)));
  return 0;
}

function catalogue(args: readonly string[], out: Out): number {
  const { json } = readOptions(args);
  // Everything the catalogue holds, with the displays under the documented name "bloom" as well.
  const taxa = CATALOGUE.taxa.map((t) => ({
    ...t,
    invasive: invasiveIn(t.id).length > 0,
    invasiveIn: invasiveIn(t.id),
    bloom: t.displays.map((d) => ({ display: d.name, on: d.on, weight: d.weight, opens: d.opens, ends: d.ends })),
  }));
  if (json) out.line(JSON.stringify(taxa, null, 2));
  else
    for (const t of taxa)
      out.line(`${t.id.padEnd(34)} ${t.common[0]!.padEnd(30)} ${t.floweringWood} wood; ${t.regimes.join(", ")}`);
  return 0;
}

async function check(args: readonly string[], out: Out): Promise<number> {
  const { file } = readOptions(args);
  if (file === undefined) throw new WrongUse("check needs FILE");
  const garden = await load(file, today(), out);
  if (!garden) return 1;
  out.line(`${file}: fine: ${garden.beds.length} beds, ${garden.plants.length} plants, ${garden.visits.length} visits`);
  return 0;
}

const hasCode = (e: unknown): e is { code: string; message: string } =>
  typeof e === "object" && e !== null && "code" in e && typeof e.code === "string" && "message" in e;

/** Runs one command; returns the exit code. */
export async function main(argv: readonly string[], out: Out = console_): Promise<number> {
  const [command, ...rest] = argv;
  try {
    if (command === "advise") return await advise(rest, out);
    if (command === "catalogue") return catalogue(rest, out);
    if (command === "check") return await check(rest, out);
    throw new WrongUse(command === undefined ? "no command" : `unknown command ${command}`);
  } catch (e) {
    const parseTrouble = hasCode(e) && e.code.startsWith("ERR_PARSE_ARGS");
    if (!(e instanceof WrongUse) && !parseTrouble) throw e;
    out.error(`${e.message}\n${USAGE}`);
    return 2;
  }
}
