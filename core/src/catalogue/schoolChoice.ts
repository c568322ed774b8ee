/** Which schools a kind is offered, and which option holds. */
import type { Celsius } from "../units/index.ts";
import type { Taxon } from "./schema.ts";
import { SCHOOLS, type School, type SchoolOption } from "./schools.ts";

type ForReach = Pick<Taxon, "id" | "group" | "regimes" | "outline" | "leaf" | "floweringWood">;

/** Is a school offered for a kind? */
export function schoolFits(s: School, t: ForReach): boolean {
  const { ids, groups, regime, outline, evergreen, woody, flowersOnNewWood } = s.reach;
  return (
    (ids ?? [t.id]).includes(t.id) &&
    (groups ?? [t.group]).includes(t.group) &&
    (regime === undefined || t.regimes.includes(regime)) &&
    (outline ?? t.outline) === t.outline &&
    (evergreen ?? t.leaf === "evergreen") === (t.leaf === "evergreen") &&
    (woody ?? t.leaf !== "herbaceous") === (t.leaf !== "herbaceous") &&
    (flowersOnNewWood ?? t.floweringWood === "new") === (t.floweringWood === "new")
  );
}

/** The chosen option of a school, or the default for the place. Throws on a school that does not exist. */
export function schoolOption(
  id: string,
  chosen: Readonly<Record<string, string>>,
  yearlyMinimumC: Celsius,
): SchoolOption {
  const school = SCHOOLS.find((s) => s.id === id);
  if (!school) throw new Error(`unknown school ${id}`);
  const wanted = chosen[id] ?? school.defaultFor.find((d) => yearlyMinimumC > d.warmerThanC)?.option;
  return school.options.find((o) => o.id === wanted) ?? school.options[0]!;
}
