/** A half-day as one file that opens anywhere, without scripts: for whoever helps, or to ask somebody who knows. */
import {
  CAUTION_TEXTS,
  HALF_NAMES,
  jobText,
  LOAD_NAMES,
  PASS_ROWS,
  reasonText,
  adviseOn,
  atPlant,
  cutLineText,
  disinfectText,
  TOOL_NAMES,
  type DayRun,
  type GardenModel,
  type HalfDay,
  type Kit,
  type Voice,
} from "@wren/core";
import { fullWeekday } from "../../words/dates.ts";
import { clockText, rangeText } from "./runTexts.ts";

const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" })[c]!);
const list = (items: readonly string[]): string =>
  items.length === 0 ? "" : `<ul>${items.map((i) => `<li>${escaped(i)}</li>`).join("")}</ul>`;

const STYLE =
  "body{font:17px/1.45 Georgia,serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#16201f}h1,h2{line-height:1.2}" +
  "section{border-top:2px solid;padding-top:.5rem;margin-top:1.2rem;break-inside:avoid}small{color:#444}li{margin:.2rem 0}";

/** @returns the text of the file: no script, no picture from elsewhere */
export function dayFile(model: GardenModel, half: HalfDay, run: DayRun, kit: Kit, say: Voice): string {
  const title = `${fullWeekday(half.on)} ${HALF_NAMES[half.half]}, ${say.date(half.on)}`;
  const jobs = run.steps.map(({ job, fromMin }) => {
    const plant = model.plant(job.plantId);
    const taxon = model.taxonOf(plant);
    const bed = model.garden.beds.find((b) => b.id === plant.bedId)?.name ?? "";
    const why = job.task === null ? "" : reasonText(adviseOn(model, plant.id, half.on, job.task).reason, say);
    const at = job.task === null ? null : atPlant(model, plant, job.task, half.on);
    const passes = (at?.passes ?? []).map(({ pass, lines }) => {
      const cuts = lines.map((l) => `${l.no}. ${cutLineText(l, say)} (${l.tool})`);
      return `<li>${escaped(say.prose(`${PASS_ROWS[pass].title}: ${PASS_ROWS[pass].why}`))}${list(cuts)}</li>`;
    });
    return `<section><h2>${escaped(`${clockText(fromMin)} ${plant.label}: ${jobText(job).toLowerCase()}`)}</h2><p><small>${escaped(`${taxon.common[0]!} (${taxon.botanical}), ${bed}; ${rangeText(job)}`)}</small></p><p>${escaped(why)}</p>${passes.length > 0 ? `<ol>${passes.join("")}</ol>` : ""}</section>`;
  });
  const loads = kit.loads.map(
    (l) => `${l.m3[0].toFixed(2)} to ${l.m3[1].toFixed(2)} m³ loose: ${LOAD_NAMES[l.kind].toLowerCase()}`,
  );
  return [
    "<!doctype html>",
    `<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)}</title><style>${STYLE}</style></head><body>`,
    `<h1>${escaped(title)}</h1><p>${escaped(model.garden.name)}. Times by the sun, noon at 12.</p>`,
    ...jobs,
    `<section><h2>Take along</h2>${list([...kit.tools.map((t) => TOOL_NAMES[t.tool]), ...(kit.disinfect ? [disinfectText(kit.disinfect)] : [])])}</section>`,
    `<section><h2>Carry off</h2>${list(loads)}</section>`,
    `<section><h2>Mind</h2>${list(kit.cautions.map((c) => say.prose(CAUTION_TEXTS[c])))}</section>`,
    "</body></html>",
    "",
  ].join("\n");
}
