/** Finding a town by what was typed: accents, case, hyphens and common spellings forgiven. */
import { lettersOff } from "../units/index.ts";
import { kilometres, type Town } from "./table.ts";

/** Other names people use, to the table's own; from general knowledge. */
const OTHER_NAMES: Readonly<Record<string, string>> = {
  munchen: "munich",
  wien: "vienna",
  cologne: "koln",
  praha: "prague",
  warszawa: "warsaw",
  roma: "rome",
  milano: "milan",
  torino: "turin",
  firenze: "florence",
  napoli: "naples",
  venezia: "venice",
  bruxelles: "brussels",
  brussel: "brussels",
  kobenhavn: "copenhagen",
  beograd: "belgrade",
  athina: "athens",
  geneve: "geneva",
  genf: "geneva",
  nurnberg: "nuremberg",
  seville: "sevilla",
  strassburg: "strasbourg",
  kiev: "kyiv",
  kharkov: "kharkiv",
  gothenburg: "goteborg",
  "port elizabeth": "gqeberha",
  "new york": "new york city",
  nyc: "new york city",
  "ciudad de mexico": "mexico city",
  "washington dc": "washington",
  marrakech: "marrakesh",
  peking: "beijing",
  canton: "guangzhou",
  bozen: "bolzano",
  kaschau: "kosice",
  klausenburg: "cluj napoca",
};

/** Letters only, without accents, in small; "saint" is "st". // => plain("Saint-Étienne") is "st etienne" */
export const plain = (text: string): string =>
  text
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replace(/ß/g, "ss")
    .replace(/ø/gi, "o")
    .replace(/æ/gi, "ae")
    .replace(/ł/gi, "l")
    .toLowerCase()
    .replace(/[^a-z ]+/g, " ")
    .replace(/\bsaint\b|\bsankt\b/g, "st")
    .replace(/\s+/g, " ")
    .trim();

/** Changes of a letter between two words, up to two; Infinity beyond. */
const slips = (a: string, b: string): number =>
  Math.abs(a.length - b.length) > 2 ? Infinity : lettersOff(a, b).at(-1)!;

/** How well a town answers to what was typed: 0 best; Infinity not at all. */
function rank(town: Town, typed: string): number {
  const name = plain(town.name);
  const whole = plain(`${townLabel(town)} ${town.country}`);
  if (name === typed) return 0;
  if (name.startsWith(typed)) return 1;
  if (whole.startsWith(typed)) return 1.5;
  const words = typed.split(" ");
  if (words.every((w) => whole.split(" ").some((x) => x.startsWith(w)))) return 2;
  const [first, ...rest] = words;
  if (rest.length > 0 && name.startsWith(first!) && rest.every((w) => whole.includes(w))) return 2.5;
  const n = typed.length >= 5 ? slips(name.slice(0, Math.max(typed.length, name.length)), typed) : Infinity;
  return n <= (typed.length >= 8 ? 2 : 1) ? 3 + n : Infinity;
}

const MOST = 8;
/** Towns that answer to a name, best first; those of one name stay apart by region and country. */
export function townsNamed(towns: readonly Town[], text: string): readonly Town[] {
  const typed = plain(text);
  if (typed === "") return [];
  const asked = OTHER_NAMES[typed] ?? typed;
  return towns
    .map((town) => ({ town, r: rank(town, asked) }))
    .filter((x) => x.r < Infinity)
    .sort((a, b) => a.r - b.r || (a.town.name < b.town.name ? -1 : 1))
    .slice(0, MOST)
    .map((x) => x.town);
}

/** The nearest town of the table and its distance, km; null only of an empty table. */
export const nearestTown = (
  towns: readonly Town[],
  at: Pick<Town, "latitudeDeg" | "longitudeDeg">,
): { readonly town: Town; readonly km: number } | null =>
  towns.reduce<{ town: Town; km: number } | null>((best, town) => {
    const km = kilometres(town, at);
    return best === null || km < best.km ? { town, km } : best;
  }, null);

const COUNTRIES = typeof Intl !== "undefined" && "DisplayNames" in Intl ? Intl.DisplayNames : null;
let countryNames: Intl.DisplayNames | null = null;
/** A town with what tells it from others of its name. // => "Portland, Oregon, United States" */
export function townLabel(t: Pick<Town, "name" | "region" | "country">): string {
  countryNames ??= COUNTRIES && new COUNTRIES(["en"], { type: "region" });
  return `${t.name}, ${t.region}, ${countryNames?.of(t.country) ?? t.country}`;
}
