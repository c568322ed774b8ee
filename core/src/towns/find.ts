/** Finding a town by what was typed: accents, case, hyphens and common spellings forgiven. */
import { lettersOff } from "../units/index.ts";
import { kilometres, type Locality, type Town } from "./table.ts";

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

interface Listed<T> {
  readonly town: T;
  readonly name: string;
  /** Its name, region and country; written out when it is first asked for. */
  whole: string | null;
}
/** What people write for a country beside its name and its two letters. */
const COUNTRY_SHORT: Readonly<Record<string, string>> = { GB: "UK", US: "USA" };
const wholeOf = (t: Listed<Locality>): string =>
  (t.whole ??= plain(`${townLabel(t.town)} ${t.town.country} ${COUNTRY_SHORT[t.town.country] ?? ""}`));

/** How well a town answers to what was typed: 0 best; Infinity not at all. */
function rank(t: Listed<Locality>, typed: string, words: readonly string[]): number {
  const { name } = t;
  if (name === typed) return 0;
  if (name.startsWith(typed)) return 1;
  const [first, ...rest] = words;
  if (!name.includes(first!) && !wholeOf(t).includes(first!)) return Infinity;
  const whole = wholeOf(t);
  if (whole.startsWith(typed)) return 1.5;
  if (words.every((w) => whole.split(" ").some((x) => x.startsWith(w)))) return 2;
  if (rest.length > 0 && name.startsWith(first!) && rest.every((w) => whole.includes(w))) return 2.5;
  return Infinity;
}
/** How badly a name is spelt, where nothing answers to the letters as they stand. */
function misspelt({ name }: Listed<Locality>, typed: string): number {
  const n = typed.length >= 5 ? slips(name, typed) : Infinity;
  return n <= (typed.length >= 8 ? 2 : 1) ? n : Infinity;
}

const MOST = 8;
/**
 * A way to ask a list for the towns that answer to a name, best first, then as they stand in the list; those of one name
 * stay apart by region and country, and by the town of the table near them where there is no region.
 * @param list the more important first
 * @param table towns that others are told apart by
 */
export function townFinder<T extends Locality>(list: readonly T[], table: readonly Town[] = []) {
  const listed = list.map((town): Listed<T> => ({ town, name: plain(town.name), whole: null }));
  const best = (score: (t: Listed<T>) => number): readonly T[] =>
    listed
      .map((t) => ({ t, r: score(t) }))
      .filter((x) => x.r < Infinity)
      .sort((a, b) => a.r - b.r)
      .slice(0, MOST)
      .map((x) => x.t.town);
  return (text: string): readonly T[] => {
    const typed = plain(text);
    if (typed === "") return [];
    const asked = OTHER_NAMES[typed] ?? typed;
    const words = asked.split(" ");
    const found = best((t) => rank(t, asked, words));
    return toldApart(found.length > 0 ? found : best((t) => misspelt(t, asked)), table);
  };
}

/** Towns of one label get the town of the table near them for a region; of those that still share one the first stays. */
function toldApart<T extends Locality>(towns: readonly T[], table: readonly Town[]): readonly T[] {
  const labels = towns.map(townLabel);
  const apart = towns.map((t, i): T => {
    const shared = t.region === "" && labels.some((l, k) => k !== i && l === labels[i]);
    const near = shared ? nearestTown(table, t) : null;
    return near ? { ...t, region: `near ${near.town.name}` } : t;
  });
  const seen = new Set<string>();
  return apart.filter((t) => {
    const label = townLabel(t);
    return !seen.has(label) && seen.add(label);
  });
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
const countries = new Map<string, string>();
function countryName(code: string): string {
  let name = countries.get(code);
  if (name === undefined) {
    countryNames ??= COUNTRIES && new COUNTRIES(["en"], { type: "region" });
    countries.set(code, (name = countryNames?.of(code) ?? code));
  }
  return name;
}
/** A town with what tells it from others of its name. // => "Portland, Oregon, United States" */
export const townLabel = (t: Pick<Locality, "name" | "region" | "country">): string =>
  [t.name, t.region, countryName(t.country)].filter((part) => part !== "").join(", ");
