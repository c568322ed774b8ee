/** Kinds looked up by id or by name. */
import type { Taxon, TaxonRow } from "./schema.ts";
import { schoolFits } from "./schoolChoice.ts";
import { lettersOff } from "../units/index.ts";
import { OTHER_NAMES } from "./otherNames.ts";
import { SCHOOLS } from "./schools.ts";

/** Kinds of plants by id and by name. */
export interface Catalogue {
  readonly taxa: readonly Taxon[];
  /** null when there is no such kind. */
  readonly byId: (id: string) => Taxon | null;
  /** Kinds whose common or botanical name holds every word of the query, best match first. */
  readonly search: (query: string) => readonly Taxon[];
}

const namesOf = (t: Taxon): string =>
  [...t.common, t.botanical, ...(OTHER_NAMES[t.id] ?? [])].join(" · ").toLowerCase();

/** How many letters of a word may be wrong, missing, too many or swapped. // => "crape" one, "rhododendrum" two */
const slips = (word: string): number => (word.length < 5 ? 0 : word.length < 9 ? 1 : 2);

/** Is a word spelt like another, or like its beginning, give or take a few letters? */
const isLike = (word: string, other: string, most: number): boolean =>
  Math.min(...lettersOff(word, other.slice(0, word.length + most))) <= most;

/**
 * Builds a catalogue from rows; throws when an id comes twice: that is a bug in the data. The rows that ship are held to
 * their schema by the compiler and by a test: parsing five hundred of them would come before every first answer.
 */
export function catalogueOf(rows: readonly TaxonRow[]): Catalogue {
  const taxa = rows.map((t): Taxon => ({ ...t, schools: SCHOOLS.filter((s) => schoolFits(s, t)).map((s) => s.id) }));
  const index = new Map(taxa.map((t) => [t.id, t]));
  if (index.size !== taxa.length) throw new Error("a taxon id comes twice in the catalogue");
  return {
    taxa,
    byId: (id) => index.get(id) ?? null,
    search(query) {
      const words = query.toLowerCase().split(/\s+/).filter(Boolean);
      const text = words.join(" ");
      // "Lilac" asks for what is a lilac, before what has a lilac in some other name.
      const startsWith = (t: Taxon): number =>
        t.common.some((c) => c.toLowerCase().startsWith(words[0] ?? "") || c.toLowerCase().endsWith(` ${text}`))
          ? 0
          : 1;
      // A form by description stands behind the kind it is a form of.
      const isForm = (t: Taxon): number => (/, (dwarf|low|compact|globe|sterile)/.test(t.botanical) ? 1 : 0);
      const found = taxa.filter((t) => words.every((w) => namesOf(t).includes(w)));
      const all =
        found.length > 0
          ? found
          : taxa.filter((t) => {
              const own = namesOf(t).split(/[^\p{L}]+/u);
              return words.every((w) => own.some((o) => (slips(w) === 0 ? o.startsWith(w) : isLike(w, o, slips(w)))));
            });
      return all.toSorted(
        (a, b) => startsWith(a) - startsWith(b) || isForm(a) - isForm(b) || a.common[0]!.localeCompare(b.common[0]!),
      );
    },
  };
}

/** A catalogue in which the kinds of another stay the objects they are: what was worked out for them holds on. */
export function withKinds(known: Catalogue, all: Catalogue): Catalogue {
  const kept = (t: Taxon): Taxon => known.byId(t.id) ?? t;
  const taxa = all.taxa.map(kept);
  return { taxa, byId: (id) => known.byId(id) ?? all.byId(id), search: (query) => all.search(query).map(kept) };
}
