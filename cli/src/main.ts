/** wren-song: the same answers as the web application, for the shell. Exit 0 fine, 1 the file is refused, 2 wrong use. */
import { readFile } from "node:fs/promises";
import { parseArgs } from "node:util";
import {
  adviceJson,
  adviseOn,
  buildOf,
  hedgeJson,
  learnJson,
  heightOf,
  measuredOn,
  newestStand,
  parseLength,
  planCut,
  planJson,
  stemsAsHigh,
  takenAbove,
  tryJson,
  tryOut,
  TASKS,
  CATALOGUE,
  invasiveIn,
  issueText,
  openGarden,
  parseDate,
  pathText,
  openGardenFile,
  BOUNDS,
  dayWithin,
  VERDICT_TABLE,
  voiceOf,
  type AdviceJson,
  type CutJson,
  type Garden,
  type HedgeJson,
  type Voice,
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
  wren-song cut FILE --plant ID --on YYYY-MM-DD --task TASK (--to HEIGHT | --share PERCENT) [--json]
  wren-song cut FILE --plant ID --on YYYY-MM-DD --try T [--json]     the cuts tried on its stems
  wren-song catalogue [--json]
  wren-song check FILE
  wren-song learn FILE [--on YYYY-MM-DD] [--json]     what its records teach
tasks: ${TASKS.join(", ")}`;

class WrongUse extends Error {}

/** Remarks on a file that is read all the same. */
const MOST_REMARKS = 5;

async function load(path: string, on: PlainDate, out: Out): Promise<Garden | null> {
  let text: string;
  try {
    text = await readFile(path, "utf8");
  } catch {
    throw new WrongUse(`cannot read ${path}`);
  }
  const read = openGardenFile(text, CATALOGUE, on);
  if (read.ok) {
    for (const i of read.value.remarks.slice(0, MOST_REMARKS))
      out.error(`${path}: note: ${pathText(i.path)}: ${issueText(i)}`);
    const more = read.value.remarks.length - MOST_REMARKS;
    if (more > 0) out.error(`${path}: note: ${more} more like these`);
    return read.value.garden;
  }
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
      to: { type: "string" },
      share: { type: "string" },
      try: { type: "string" },
      json: { type: "boolean", default: false },
    },
  });
  const { on, task, plant, json, to, share, try: tried } = parsed.values;
  const day = on === undefined ? null : parseDate(on);
  if (on !== undefined && day === null) throw new WrongUse(`--on ${on}: expected a day that exists, like 2026-06-10`);
  if (day !== null && dayWithin(day) !== day)
    throw new WrongUse(`--on ${day}: expected a day from ${BOUNDS.year.from} to ${BOUNDS.year.to}`);
  if (task !== undefined && !isTask(task)) throw new WrongUse(`--task ${task}: expected one of ${TASKS.join(", ")}`);
  return { file: parsed.positionals[0], day, task: task ?? null, plant: plant ?? null, json, to, share, tried };
}

function adviceText(a: AdviceJson, label: string): string {
  const window = a.window
    ? ` [${a.window.opens ?? "open"} to ${a.window.closes ?? "any day"}${a.window.daysLeft === null ? "" : `, ${a.window.daysLeft} days left`}]`
    : "";
  const head = `${label}: ${TASK_TABLE[a.task].label} – ${VERDICT_TABLE[a.verdict].word}${window}`;
  return [head, ...a.reasons.map((r) => `  ${r.text} (${r.source})`)].join("\n");
}

function hedgeText(h: HedgeJson, say: Voice): string {
  const size = `${say.length(h.wanted.heightM)} high, ${say.length(h.wanted.footM)} at the foot`;
  const wrong = h.faults.length > 0 ? ` (${h.faults.join(", ")})` : "";
  const trims = h.trims.length > 0 ? h.trims.join(", ") : "no day is open";
  const cut = h.refused ? "past its green: refused" : `${say.percent(h.share)} of its shell`;
  return `  as a hedge of ${say.length(h.lengthM)}${wrong}: to ${size}, ${cut}; trims ${trims}; ${h.minutes.join("–")} min`;
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
  const answers = plants.map((p) => {
    const hedge = garden.hedges.find((h) => h.plantId === p.id);
    const advice = adviceJson(adviseOn(model, p.id, day, o.task), say);
    return hedge ? { ...advice, hedge: hedgeJson(model, hedge, day) } : advice;
  });
  if (o.json) out.line(JSON.stringify(answers, null, 2));
  else
    answers.forEach((a, i) => {
      out.line(adviceText(a, plants[i]!.label));
      if ("hedge" in a) out.line(hedgeText(a.hedge, say));
    });
  return 0;
}

/** What the web application's page and bench answer for the same cut. */
async function cut(args: readonly string[], out: Out): Promise<number> {
  const o = readOptions(args);
  const { day, task, plant: id } = o;
  if (o.file === undefined || day === null || id === null)
    throw new WrongUse("cut needs FILE, --plant ID and --on DATE");
  if ([o.to, o.share, o.tried].filter((x) => x !== undefined).length !== 1)
    throw new WrongUse("cut needs one of --to HEIGHT, --share PERCENT and --try T");
  const garden = await load(o.file, day > today() ? day : today(), out);
  if (!garden) return 1;
  const plant = garden.plants.find((p) => p.id === id);
  if (!plant) throw new WrongUse(`--plant ${id}: no such plant in ${o.file}`);
  const model = openGarden(garden, CATALOGUE);
  const say = voiceOf(garden.rules.units);
  const answer = (): CutJson => {
    if (o.tried !== undefined) {
      const stand = newestStand(garden, id);
      const t = stand?.tries.find((x) => x.id === o.tried);
      if (!stand || !t) throw new WrongUse(`--try ${o.tried}: no such try at ${id}`);
      const { heightM } = heightOf(model, plant, day);
      const stems = stemsAsHigh(stand.stems, buildOf(model.taxonOf(plant), plant.form), heightM);
      return tryJson(tryOut(model, { plant, stems, task: task ?? t.task, cuts: t.cuts }, day), say);
    }
    if (task === null) throw new WrongUse("cut needs --task TASK");
    if (o.share !== undefined) {
      const percent = o.share.trim() === "" ? NaN : Number(o.share);
      if (!(percent >= 0 && percent <= 100)) throw new WrongUse(`--share ${o.share}: expected 0 to 100`);
      return planJson(planCut(model, id, day, { task, share: percent / 100 }), say);
    }
    const to = o.to!;
    if (/^[\d.,\s]+$/.test(to)) throw new WrongUse(`--to ${to}: expected a height with its unit, like 1.2 m or 85 cm`);
    const toM = parseLength(to, "cm");
    if (toM === null) throw new WrongUse(`--to ${to}: expected a height, like 1.2 m`);
    const taken = takenAbove(measuredOn(model, plant, day), heightOf(model, plant, day).heightM, toM);
    return planJson(planCut(model, id, day, { task, share: taken.share, extent: taken }), say);
  };
  const a = answer();
  if (o.json) out.line(JSON.stringify(a, null, 2));
  else {
    const cap =
      a.cap === null ? "no cap counts" : `${say.percent(a.takenAfter)} of ${say.percent(a.cap)} in twelve months`;
    out.line(
      `${plant.label}: ${a.accepted ? "it can be planned" : a.verdict}: ${say.percent(a.share)} of its live growth, ${cap}`,
    );
    for (const text of [...a.remarks, ...a.reasons.map((r) => r.text)]) out.line(`  ${text}`);
  }
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

/** What the file's own record taught, against the catalogue. */
async function learn(args: readonly string[], out: Out): Promise<number> {
  const { file, day, json } = readOptions(args);
  if (file === undefined) throw new WrongUse("learn needs FILE");
  const on = day ?? today();
  const garden = await load(file, on > today() ? on : today(), out);
  if (!garden) return 1;
  const say = voiceOf(garden.rules.units);
  const told = learnJson(openGarden(garden, CATALOGUE), on, say);
  if (json) {
    out.line(JSON.stringify(told, null, 2));
    return 0;
  }
  const label = (id: string | null): string => garden.plants.find((p) => p.id === id)?.label ?? garden.name;
  for (const l of told.lessons)
    out.line(`${label(l.plant)}: ${l.text} (${l.records.length} records${l.used ? "" : "; set aside"})`);
  for (const a of told.asked) out.line(`${label(a.plant)}, ${a.on}: ${a.text}`);
  if (told.lessons.length === 0 && told.asked.length === 0) out.line(`${file}: nothing was recorded that teaches yet`);
  return 0;
}

const hasCode = (e: unknown): e is { code: string; message: string } =>
  typeof e === "object" && e !== null && "code" in e && typeof e.code === "string" && "message" in e;

/** Runs one command; returns the exit code. */
export async function main(argv: readonly string[], out: Out = console_): Promise<number> {
  const [command, ...rest] = argv;
  try {
    if (command === "advise") return await advise(rest, out);
    if (command === "cut") return await cut(rest, out);
    if (command === "catalogue") return catalogue(rest, out);
    if (command === "check") return await check(rest, out);
    if (command === "learn") return await learn(rest, out);
    throw new WrongUse(command === undefined ? "no command" : `unknown command ${command}`);
  } catch (e) {
    const parseTrouble = hasCode(e) && e.code.startsWith("ERR_PARSE_ARGS");
    if (!(e instanceof WrongUse) && !parseTrouble) throw e;
    out.error(`${e.message}\n${USAGE}`);
    return 2;
  }
}
