/** One text per refusal: what was wrong, what was expected. docs/errors.md is written from this table. */
import { shortNumber, type Issue } from "../units/index.ts";
import type { PlaceIssueCode } from "../climate/index.ts";
import type { FileIssueCode } from "../gardenfile/index.ts";
import type { WeatherIssueCode } from "../weather/index.ts";
import type { TableIssueCode } from "../planttable/index.ts";
import type { SketchIssueCode, StemIssueCode } from "../stems/index.ts";
import { MONTH_NAMES } from "../calendar/index.ts";
import { monthDayText } from "./voice.ts";

/** Everything that may be wrong with a file. */
export type IssueCode =
  PlaceIssueCode | FileIssueCode | TableIssueCode | WeatherIssueCode | SketchIssueCode | StemIssueCode;
type Values = Issue["values"];

/** What is no day of the year, as in docs/errors.md where values are named instead of filled in, stays as it is. */
const day = (md: string | number | undefined): string =>
  /^\d\d-\d\d$/.test(String(md)) ? monthDayText(String(md)) : String(md);
const monthName = (month: string | number | undefined): string => MONTH_NAMES[Number(month) - 1] ?? String(month);
const WINTER_AT: Readonly<Record<string, string>> = { north: "January", south: "July" };

/** The sentence for each thing wrong with a file: what was found and what was expected. */
export const ISSUE_TEXTS: Readonly<Record<IssueCode, (v: Values) => string>> = {
  "latitude-range": (v) => `Latitude ${v["got"]} does not exist: it runs from −90 (south) to 90 (north).`,
  "latitude-polar": (v) => `Latitude ${v["got"]} lies past the polar circles: expected −66 to 66.`,
  "zone-unknown": (v) => `“${v["got"]}” is not a hardiness zone: expected ${v["first"]} to ${v["last"]}, like 6b.`,
  "frost-none": () => "No frost in most years was said: leave both frost dates empty, or take it back.",
  "frost-order": (v) =>
    `The last frost ${v["lastFrost"] === "" ? "" : `(${day(v["lastFrost"])}) `}comes before midsummer and the first ${v["firstFrost"] === "" ? "" : `(${day(v["firstFrost"])}) `}after it; the year here turns in ${WINTER_AT[String(v["hemisphere"])] ?? "midwinter"}.`,
  "frost-hemisphere": (v) =>
    `Last frost ${day(v["lastFrost"])} and first frost ${day(v["firstFrost"])} are the wrong way round for the ${v["hemisphere"]}ern hemisphere: check the dates or the sign of the latitude.`,
  "frost-season-short": (v) => `Only ${v["days"]} frost-free days: expected at least 30. Check both dates.`,
  "months-twelve": () => "Expected twelve monthly means, January to December, of the minimum and of the maximum.",
  "months-range": (v) =>
    `${monthName(v["month"])}: ${v["minC"]} to ${v["maxC"]} °C is out of bounds: expected −60 to 50 °C.`,
  "months-order": (v) =>
    `${monthName(v["month"])}: the mean minimum (${v["minC"]} °C) must lie below the mean maximum (${v["maxC"]} °C).`,
  "months-hemisphere": (v) =>
    `These months are coldest in the middle of the ${v["hemisphere"]}ern summer: check the sign of the latitude.`,
  "hedge-twice": (v) => `${v["got"]} is a hedge already: expected one to a plant.`,
  "posts-order": (v) =>
    `This post stands at ${v["got"]} m, the one before it at ${v["before"]} m: expected posts in order along the hedge.`,
  "slope-steep": (v) => `The ground rises ${v["got"]}° to this post: expected at most 45°.`,
  "span-order": (v) =>
    `From ${v["from"]} m to ${v["to"]} m does not lie on a hedge of ${v["lengthM"]} m: expected from before to, both on it.`,
  "weather-order": (v) => `The day's minimum (${v["minC"]} °C) lies above its maximum (${v["maxC"]} °C).`,
  "weather-empty": () => "The file is empty: expected one day a line with its minimum and maximum.",
  "weather-columns": (v) =>
    `No columns for the day, the minimum and the maximum were found in “${v["got"]}”: expected headings like date, tmin, tmax.`,
  "weather-day": (v) => `“${v["got"]}” is not a day: expected one like 2026-03-31.`,
  "weather-day-order": (v) =>
    `“${v["got"]}” can be read two ways, and so can every other line: expected days like 2026-03-31.`,
  "weather-number": (v) =>
    `“${v["got"]}” is not a number: expected a temperature or rain, or nothing where it is missing.`,
  "weather-span": (v) => `${v["got"]} °C is out of bounds: expected ${v["from"]} to ${v["to"]} °C.`,
  "weather-rain": (v) => `${v["got"]} mm of rain is out of bounds: expected ${v["from"]} to ${v["to"]} mm a day.`,
  "weather-years": (v) => `${v["years"]} years: expected at most ${v["most"]} in one garden.`,
  "weather-reversed": (v) => `The minimum (${v["minC"]} °C) lies above the maximum (${v["maxC"]} °C).`,
  "weather-twice": (v) => `${v["day"]} stands on line ${v["line"]} already, with other temperatures.`,
  "weather-future": (v) => `${v["day"]} lies in the future: expected days up to ${v["today"]}.`,
  "weather-long": (v) => `${v["lines"]} lines: expected at most ${v["most"]}.`,
  "weather-none": () => "No day has both a minimum and a maximum.",
  "file-empty": () => "The file is empty: expected a garden file in JSON.",
  "file-not-json": (v) => `This is not JSON (${v["detail"]}): expected a garden file written by Wren Song.`,
  "file-too-large": (v) => `The file has ${v["megabytes"]} MB: expected at most ${v["limit"]} MB.`,
  "file-deep": (v) =>
    `Its entries are nested more than ${v["limit"]} deep: no garden is, so this is not a garden file, or it was damaged.`,
  "file-format": (v) => `format is “${v["got"]}”: expected “${v["expected"]}”.`,
  "file-version": (v) => `Version ${v["got"]} is not known here: expected 1 to ${v["newest"]}.`,
  "file-newer": (v) =>
    `This file is of version ${v["got"]}, written by a newer Wren Song; this one reads up to ${v["newest"]}. Nothing was changed: take the newer version first.`,
  "field-missing": () => "This field is missing or empty.",
  "field-unknown": (v) => `Unknown field “${v["key"]}”.`,
  "field-type": (v) => `Expected ${v["expected"]}, got ${v["got"]}.`,
  "field-small": (v) => `${v["got"]} is too small: expected ${v["limit"]} or more.`,
  "field-large": (v) => `${v["got"]} is too large: expected ${v["limit"]} or less.`,
  "field-few": (v) => `${v["got"]} entries are too few: expected ${v["limit"]} or more.`,
  "field-many": (v) => `${v["got"]} entries are too many: expected at most ${v["limit"]}.`,
  "field-long": (v) => `${v["got"]} letters are too many: expected at most ${v["limit"]}.`,
  "field-choice": (v) => `“${v["got"]}” is not one of: ${v["options"]}.`,
  "field-format": (v) => `“${v["got"]}” is not right: expected ${v["expected"]}.`,
  "taxon-unknown": (v) => `The catalogue has no kind “${v["got"]}”.`,
  "id-twice": (v) => `The id “${v["got"]}” comes twice.`,
  "bed-unknown": (v) => `There is no bed “${v["got"]}” in this garden.`,
  "plant-unknown": (v) => `There is no plant “${v["got"]}” in this garden.`,
  "photo-unknown": (v) => `The picture “${v["got"]}” belongs to no photo of this garden.`,
  "stem-unknown": (v) => `A cut names the stem “${v["got"]}” or a side branch of it that was not recorded.`,
  "viewpoint-unknown": (v) => `There is no viewpoint “${v["got"]}” in this garden.`,
  "date-future": (v) => `${v["got"]} lies in the future: a record cannot be later than ${v["today"]}.`,
  "date-before-planting": (v) => `${v["got"]} is before the plant was planted, ${v["planted"]}.`,
  "height-order": (v) => `After the cut it cannot be taller (${v["after"]} m) than before (${v["before"]} m).`,
  "stems-order": (v) =>
    `${v["removed"]} stems were removed of ${v["live"]} live ones: expected no more than there were.`,
  "table-empty": () => "There are no lines under the headings: expected one plant a line.",
  "table-column": (v) => `No column is matched to “${v["column"]}”; the headings are: “${v["got"]}”.`,
  "table-column-twice": (v) => `The heading “${v["heading"]}” is matched twice, to ${v["a"]} and ${v["b"]}.`,
  "table-unit": (v) => `“${v["got"]}” is not a unit known here: expected ${v["options"]}.`,
  "table-long": (v) => `${v["lines"]} plants: expected at most ${v["most"]} in one garden.`,
  "table-fields": (v) => `${v["got"]} fields: expected ${v["expected"]}, as many as headings.`,
  "table-needed": () => "Empty: expected a value.",
  "table-kind": (v) => `“${v["got"]}” is not in the catalogue: expected a common or botanical name, or “unknown”.`,
  "table-kind-many": (v) => `“${v["got"]}” fits several kinds: ${v["options"]} …; expected one of them.`,
  "table-id": (v) => `“${v["got"]}” cannot be an id: expected letters, digits, - and _, at most 64.`,
  "table-id-twice": (v) => `The id “${v["got"]}” stands on line ${v["line"]} already.`,
  "table-length": (v) => `“${v["got"]}” is not a length: expected a number, or one with mm, cm, m, in or ft.`,
  "table-length-range": (v) => `${v["got"]} is out of bounds: expected ${v["from"]} to ${v["to"]} m.`,
  "table-day": (v) =>
    `“${v["got"]}” is not valid: expected a day like 2019-04-15, or a year, from 1850 to ${v["today"]}.`,
  "table-choice": (v) => `“${v["got"]}” is not one of: ${v["options"]}.`,
  "table-text-long": (v) => `${v["got"]} letters: expected at most ${v["most"]}.`,
  "table-beds": (v) => `The bed “${v["got"]}” would be one too many: expected at most ${v["most"]} beds in one garden.`,
  "table-record": (v) => `Planted ${v["got"]}, but it has a record of ${v["record"]}: expected that day or earlier.`,
  "tally-empty": () => "No number was found: expected a count like “14 stems: 5 thick, 6 middling, 3 thin, 2 dead”.",
  "tally-words": (v) =>
    `“${v["got"]}” is not understood: expected thick, middling, thin, dead, crossing, low or weak after the number.`,
  "tally-zero": () => "No stems: count at least one, dead ones too.",
  "tally-many": (v) =>
    `${v["got"]} stems are too many to draw: expected at most ${v["limit"]}. Count one plant of the row.`,
  "tally-sum": (v) => `${v["sum"]} stems by thickness are more than the ${v["said"]} said in all.`,
  "sketch-many": (v) => `“${v["got"]}”: expected at most ${v["limit"]} of these.`,
  "sketch-length": (v) => `“${v["got"]}”: expected a length behind it, such as 60 cm or a hand.`,
  "sketch-long": (v) => `${v["got"]} letters: expected one line of at most ${v["limit"]}.`,
  "sketch-negative": (v) => `“${v["got"]}”: expected a count from 0 upwards.`,
  "tally-among": (v) => `${v["got"]} ${v["part"]} of ${v["total"]} stems: expected no more than there are.`,
  "stems-none": () => "No stems are recorded: count at least one.",
  "stems-many": (v) => `${v["got"]} stems are too many to draw: expected at most ${v["limit"]}.`,
  "stem-long": (v) =>
    `Stem ${v["name"]} is ${v["got"]} m long, far longer than the plant is tall: expected at most ${v["limit"]} m. Is the unit right?`,
  "stem-thick": (v) =>
    `Stem ${v["name"]} is ${v["got"]} mm thick and ${v["length"]} m long: too thick for its length. Thickness is in millimetres.`,
  "stem-thin": (v) =>
    `Stem ${v["name"]} is ${v["got"]} mm thick and ${v["length"]} m long: too thin to stand. Was it measured in centimetres?`,
  "stem-crosses": (v) => `Stem ${v["name"]} is said to cross a stem that is not there.`,
  "too-many": (v) => `At least ${v["more"]} more problems are not listed.`,
};

/** The sentence for a refusal. */
export const issueText = (i: Issue<IssueCode>): string =>
  ISSUE_TEXTS[i.code](
    Object.fromEntries(Object.entries(i.values).map(([k, v]) => [k, typeof v === "number" ? shortNumber(v) : v])),
  );

/** A path as people read it. // => pathText(["plants", 3, "heightM"]) is "plants[3].heightM" */
export const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>((s, p) => (typeof p === "number" ? `${s}[${p}]` : s === "" ? p : `${s}.${p}`), "");
