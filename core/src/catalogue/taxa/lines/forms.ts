/** Low or smaller forms by description, of kinds that stand elsewhere: what they do not say they take from their kind. */
import type { TaxonRow } from "../../schema.ts";

type Form = readonly [of: string, id: string, botanical: string, common: string, growthM: TaxonRow["growthM"], matureHeightM: TaxonRow["matureHeightM"], matureWidthM: TaxonRow["matureWidthM"], more?: Partial<TaxonRow>];

const FORMS: readonly Form[] = [
  ["hydrangea-paniculata", "hydrangea-paniculata-dwarf", "Hydrangea paniculata, dwarf kinds", "Dwarf panicle hydrangea", [0.2, 0.35, 0.5], [0.8, 1.4], [0.9, 1.5], { habit: "mound" }],
  ["hydrangea-quercifolia", "hydrangea-quercifolia-dwarf", "Hydrangea quercifolia, dwarf kinds", "Dwarf oakleaf hydrangea", [0.1, 0.2, 0.3], [0.8, 1.3], [1, 1.6]],
  ["hydrangea-arborescens", "hydrangea-arborescens-dwarf", "Hydrangea arborescens, dwarf kinds", "Dwarf smooth hydrangea", [0.3, 0.5, 0.7], [0.6, 1], [0.6, 1]],
  ["buddleja-davidii", "buddleja-dwarf", "Buddleja, dwarf and sterile kinds", "Dwarf butterfly bush", [0.3, 0.5, 0.8], [0.6, 1.2], [0.7, 1.4], { habit: "mound" }],
  ["lagerstroemia-indica", "lagerstroemia-dwarf", "Lagerstroemia, dwarf and shrubby kinds", "Dwarf crape myrtle", [0.2, 0.4, 0.6], [0.6, 1.8], [0.8, 1.6], { habit: "dome", regimes: ["upkeep", "cutback", "renewal"], leastStubM: 0.1, blade: "Spent heads and weak twigs in late winter; where winter kills it, to live wood." }],
  ["abelia-grandiflora", "abelia-dwarf", "Abelia × grandiflora, low and coloured kinds", "Dwarf abelia", [0.15, 0.3, 0.45], [0.6, 1], [0.9, 1.4], { habit: "mound" }],
  ["berberis-thunbergii", "berberis-thunbergii-dwarf", "Berberis thunbergii, dwarf kinds", "Dwarf barberry", [0.05, 0.12, 0.2], [0.3, 0.7], [0.4, 0.9]],
  ["spiraea-japonica", "spiraea-japonica-dwarf", "Spiraea japonica, dwarf and golden kinds", "Dwarf spirea", [0.15, 0.25, 0.4], [0.3, 0.7], [0.5, 1]],
  ["potentilla-fruticosa", "potentilla-dwarf", "Potentilla fruticosa (Dasiphora), low kinds", "Low shrubby cinquefoil", [0.06, 0.12, 0.2], [0.3, 0.6], [0.6, 1]],
  ["rhododendron-evergreen-azalea", "rhododendron-azalea-dwarf", "Rhododendron, dwarf evergreen azaleas", "Dwarf azalea", [0.03, 0.06, 0.1], [0.3, 0.8], [0.5, 1]],
  ["hibiscus-syriacus", "hibiscus-syriacus-sterile", "Hibiscus syriacus, sterile and columnar kinds", "Columnar rose of Sharon", [0.3, 0.5, 0.8], [2, 4], [0.5, 1], { habit: "column" }],
  ["caryopteris-clandonensis", "caryopteris-incana", "Caryopteris incana and low kinds", "Low bluebeard", [0.3, 0.5, 0.7], [0.5, 0.8], [0.6, 0.9]],
  ["lavandula-angustifolia", "lavandula-dwarf", "Lavandula angustifolia, dwarf kinds", "Dwarf lavender", [0.08, 0.14, 0.2], [0.25, 0.4], [0.3, 0.5]],
];

/** @throws when a form names a kind that is not among the rows */
export const formsOf = (rows: readonly TaxonRow[]): readonly TaxonRow[] =>
  FORMS.map(([of, id, botanical, common, growthM, matureHeightM, matureWidthM, more]) => {
    const kind = rows.find((r) => r.id === of);
    if (!kind) throw new Error(`no kind ${of} for the form ${id}`);
    return { ...kind, id, botanical, common: [common], growthM, matureHeightM, matureWidthM, ...more };
  });
