/** Subtropical kinds, cut when frost danger has passed, and dry-country kinds with calendars of their own. */
import { deciduousYear, flushYear, kinds, oldBloom, seasonDay, shrub, spring, shortBloom, springBloom, summerBloom, tender, warm, type Base, berries } from "../parts.ts";

const subtropical: Base = { ...shrub, group: "subtropical", leaf: "evergreen", floweringWood: "new", year: { wakes: spring(1), hardens: { rule: "after", stage: "wakes", degreeDays: 300 }, stops: { rule: "cooling", meanC: 14 }, dormant: { rule: "cooling", meanC: 11 } }, shadeVigour: 0.3, leastStubM: 0.2, regimes: ["upkeep", "cutback", "renewal"], routineTask: "shape", frost: tender(0, -3, 1), passes: "shaping", looksWrongButNormal: ["leaves shed after a cool winter"], blade: "Light trims after each flush; hard only once frost danger has passed.", sources: ["rhs", "practice"] };
const flushes = (dd: number, ends = 14, name = "flowers in flushes") => ({ ...summerBloom(dd, ends), name, flushes: true });
const sap = { hazards: ["toxic-clippings", "irritant-sap"] } satisfies Partial<Base>;

export const SUBTROPICAL = kinds(subtropical, [
  ["lantana-camara", "Lantana camara (and Lantana montevidensis)", "Lantana", "mound", [0.5, 0.8, 1.2], [0.5, 1.5], [0.8, 2], "8b", [flushes(180, 13)], { ...sap, invasive: true, frost: tender(-1, -6, 1), leastStubM: 0.1, wildlife: ["butterflies all summer"], looksWrongButNormal: ["dead to the ground after a frost: it comes again from the base"] }],
  ["nerium-oleander", "Nerium oleander", "Oleander", "upright", [0.3, 0.6, 1], [2, 4], [1.5, 3], "8b", [flushes(250, 15)], { ...sap, frost: tender(-2, -7, 0.8), leastStubM: 0.3, blade: "Flowered shoots by half after each flush; never burn it: the smoke is poisonous." }],
  ["cestrum-elegans", "Cestrum (elegans, nocturnum)", "Cestrum|Night jessamine", "fountain", [0.6, 1, 1.5], [1.5, 3], [1.5, 3], "9a", [flushes(250, 13)], { ...sap, frost: tender(-1, -5, 1) }],
  ["hibiscus-rosa-sinensis", "Hibiscus rosa-sinensis", "Chinese hibiscus|Tropical hibiscus", "dome", [0.4, 0.7, 1.1], [1.2, 3], [1.2, 2.5], "9b", [flushes(200, 16)], { frost: tender(0, -3, 1), blade: "A third of the longest shoots at a time, so that flowers do not stop." }],
  ["plumbago-auriculata", "Plumbago auriculata", "Cape plumbago", "fountain", [0.6, 1, 1.5], [1.2, 3], [1.5, 3], "9a", [flushes(280, 14)], { hazards: ["irritant-sap"], frost: tender(-1, -5, 1) }],
  ["tecoma-stans", "Tecoma stans (and Tecoma capensis)", "Yellow bells|Cape honeysuckle", "upright", [0.7, 1.2, 1.8], [1.5, 4], [1.5, 3], "9a", [flushes(350, 14)], { frost: tender(-1, -5, 1), wildlife: ["hummingbirds"] }],
  ["brugmansia", "Brugmansia", "Angel's trumpet", "vase", [0.6, 1.1, 1.7], [1.5, 3.5], [1.2, 3], "9a", [flushes(400, 13)], { ...sap, frost: tender(0, -4, 1), looksWrongButNormal: ["flowers only above the first fork: keep it"] }],
  ["duranta-erecta", "Duranta erecta", "Golden dewdrop", "fountain", [0.6, 1, 1.5], [1.5, 4], [1.5, 3], "9a", [flushes(300, 15)], { ...sap, hazards: ["thorns", "toxic-clippings"], frost: tender(-1, -4, 1), wildlife: ["butterflies", "berries for birds"] }],
  ["fuchsia-hybrida", "Fuchsia, tender kinds", "Fuchsia", "fountain", [0.4, 0.6, 0.9], [0.5, 1.5], [0.5, 1.2], "9a", [flushes(330, 11)], { shadeVigour: 0.8, frost: tender(0, -3, 1), leastStubM: 0.1 }],
  ["callistemon-citrinus", "Melaleuca citrina (Callistemon)", "Bottlebrush", "dome", [0.25, 0.5, 0.8], [1.5, 4], [1.5, 3], "8b", [{ ...springBloom(spring(1, 4), 40, 25, 0.9) }], { floweringWood: "old", regimes: ["upkeep", "renewal"], frost: tender(-2, -7, 0.7), blade: "Just behind the spent brush, before the new shoot hardens." }],
  ["leptospermum-scoparium", "Leptospermum scoparium", "Tea tree|Manuka", "upright", [0.15, 0.3, 0.5], [1, 3], [1, 2.5], "9a", [springBloom(spring(0.8), 35, 30, 0.4)], { floweringWood: "old", regrowthFromLeaflessWood: "no", leastStubM: null, regimes: ["upkeep"], never: { "hard-cutback": "old-wood-stays-bare" }, frost: tender(-2, -7, 0.7), blade: "Lightly after bloom, within the leafy growth." }],
  ["grevillea", "Grevillea", "Grevillea", "dome", [0.25, 0.5, 0.9], [0.8, 3], [1, 3], "8b", [{ ...oldBloom("winter and spring flowers", seasonDay(350), 150, [230, 310], 0.6) }], { floweringWood: "old", regimes: ["upkeep"], regrowthFromLeaflessWood: "slow", leastStubM: 0.3, group: "dry-country", frost: tender(-2, -7, 0.6), hazards: ["irritant-sap"] }],
  ["abutilon-hybridum", "Callianthe and Abutilon, garden kinds", "Flowering maple|Abutilon", "fountain", [0.5, 0.9, 1.3], [1, 3], [1, 2.5], "8b", [flushes(150, 11)], { frost: tender(-1, -6, 1) }],
  ["tibouchina-urvilleana", "Pleroma urvilleanum (Tibouchina)", "Princess flower|Glory bush", "upright", [0.5, 0.9, 1.4], [1.5, 4], [1.2, 3], "9b", [flushes(500, 14)], { frost: tender(0, -3, 1) }],
  ["aloysia-citrodora", "Aloysia citrodora", "Lemon verbena", "fountain", [0.6, 0.9, 1.4], [1, 2.5], [1, 2], "8a", [{ ...summerBloom(420, 14), weight: 0.4 }], { leaf: "deciduous", frost: tender(-1, -9, 1), year: deciduousYear(26), looksWrongButNormal: ["no leaf until early summer"] }],
  ["polygala-myrtifolia", "Polygala myrtifolia", "Sweet pea shrub", "dome", [0.25, 0.45, 0.7], [1, 2], [1, 2], "9a", [flushes(60, 11)], { frost: tender(-1, -4, 0.8), invasive: true }],
  ["hamelia-patens", "Hamelia patens", "Firebush", "dome", [0.6, 1, 1.5], [1, 3], [1, 2.5], "8b", [flushes(280, 14)], { frost: tender(-1, -7, 1), wildlife: ["hummingbirds", "berries for birds"], leastStubM: 0.05, looksWrongButNormal: ["dead to the ground after a frost: it comes again from the base"] }],
  ["ixora-coccinea", "Ixora coccinea", "Ixora", "dome", [0.2, 0.35, 0.6], [0.9, 2], [0.9, 2], "10a", [flushes(150, 17)], { frost: tender(1, -2, 1) }],
  ["streptosolen-jamesonii", "Streptosolen jamesonii", "Marmalade bush", "fountain", [0.4, 0.8, 1.2], [1, 2], [1, 2], "9b", [flushes(100, 12)], { frost: tender(0, -3, 1) }],
  ["tetrapanax-papyrifer", "Tetrapanax papyrifer", "Rice-paper plant", "vase", [0.8, 1.5, 2.5], [1.5, 4], [1.5, 3], "8a", [], { floweringWood: "foliage", hazards: ["irritant-sap"], frost: tender(-1, -7, 1), leastStubM: 0.1 }],
  ["euryops-pectinatus", "Euryops pectinatus", "Grey-leaved euryops", "mound", [0.25, 0.4, 0.6], [0.8, 1.5], [0.8, 1.5], "9a", [flushes(40, 10)], { frost: tender(-2, -6, 0.7), regrowthFromLeaflessWood: "slow", regimes: ["upkeep"], leastStubM: 0.2 }],
]);

const dry: Base = { ...shrub, restsInDrought: true, group: "dry-country", leaf: "evergreen", floweringWood: "old", year: flushYear(-10, 240), shadeVigour: 0.3, regrowthFromLeaflessWood: "slow", leastStubM: 0.3, regimes: ["upkeep"], routineTask: "shape", frost: tender(-2, -11, 0.5), passes: "shaping", wildlife: ["bees"], looksWrongButNormal: ["dull, curled leaves in a dry late summer"], blade: "Lightly after bloom, in dry weather, within the leafy growth.", sources: ["practice"] };
/** Leafless or nearly so in the dry season; grows with the rains. Drought-driven: a temperate calendar is wrong. */
const summerDormant = (dormantDay: number, wakesDay: number): Base["year"] => ({ wakes: seasonDay(wakesDay), hardens: seasonDay(Math.min(364, wakesDay + 52)), stops: seasonDay(115), dormant: seasonDay(dormantDay) });
const sleeps = { leaf: "deciduous", cleanOut: "early in leaf: while it is leafless in summer it only looks dead", looksWrongButNormal: ["no leaf in the dry months: it sleeps through the drought; scratch a twig, it is green"] } satisfies Partial<Base>;
const bare = { regrowthFromLeaflessWood: "no", leastStubM: null, never: { "hard-cutback": "old-wood-stays-bare" } } satisfies Partial<Base>;

export const DRY_COUNTRY = kinds(dry, [
  ["ceanothus-thyrsiflorus", "Ceanothus, low spreading kinds", "Creeping ceanothus", "mound", [0.2, 0.4, 0.7], [0.4, 1], [1.5, 3], "7b", [springBloom(spring(0.8), 28, 30, 0.6)], bare],
  ["arctostaphylos-densiflora", "Arctostaphylos, shrubby kinds", "Manzanita", "dome", [0.1, 0.25, 0.4], [1, 3.5], [1.2, 3.5], "7a", [oldBloom("winter flowers", seasonDay(20), 60, [170, 230], 1)], { ...bare, blade: "Dead and shaded twigs, a few side branches to show the red bark, in dry weather; no tips after midsummer.", wildlife: ["winter nectar for hummingbirds"] }],
  ["arctostaphylos-uva-ursi", "Arctostaphylos uva-ursi", "Bearberry|Kinnikinnick", "mound", [0.08, 0.2, 0.35], [0.1, 0.4], [1, 3], "2b", [springBloom(spring(0.6), 25, 60, 1)], { ...bare, frost: tender(-3, -40, 0, false) }],
  [
    "heteromeles-arbutifolia",
    "Heteromeles arbutifolia",
    "Toyon",
    "dome",
    [0.2, 0.4, 0.7],
    [2, 4.5],
    [2, 4],
    "8a",
    [
      { ...springBloom(warm(250), 35, 50, 0.9), name: "summer flowers" },
      { ...berries(warm(1500), 100), weight: 0.3 },
    ],
    { regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], ailments: ["fire-blight"], wildlife: ["berries for birds"] },
  ],
  ["rhus-ovata", "Rhus ovata (and Rhus integrifolia)", "Sugar bush|Lemonade berry", "dome", [0.2, 0.4, 0.6], [1.5, 4], [2, 4], "8a", [springBloom(spring(0.4), 30, 60, 1)], { regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], hazards: ["irritant-sap"] }],
  ["fremontodendron", "Fremontodendron", "Flannel bush", "upright", [0.4, 0.8, 1.3], [2, 5], [2, 4], "8a", [springBloom(spring(1), 55, 40, 0.2)], { ...bare, hazards: ["irritant-sap"], blade: "As little as can be, in dry weather; its hairs make skin and eyes itch: goggles and sleeves." }],
  ["romneya-coulteri", "Romneya coulteri", "Matilija poppy", "upright", [1, 1.5, 2], [1.2, 2.4], [1.5, 3], "7b", [summerBloom(250, 18)], { leaf: "deciduous", floweringWood: "new", regimes: ["upkeep", "cutback"], regrowthFromLeaflessWood: "yes", leastStubM: 0.05, routineTask: "hard-cutback", passes: "cutback", frost: tender(-3, -12, 1), year: { wakes: seasonDay(335), hardens: seasonDay(364), stops: seasonDay(190), dormant: seasonDay(255) }, looksWrongButNormal: ["brown and dry from late summer: it sleeps until the rains"], blade: "To a few centimetres above the ground in autumn, before the rains." }],
  ["cistus", "Cistus", "Rock rose", "mound", [0.15, 0.3, 0.5], [0.6, 1.5], [0.9, 1.8], "8a", [{ ...springBloom(warm(80), 35, 30, 0.9), name: "early summer flowers" }], { ...bare, frost: tender(-2, -9, 0.6), blade: "Tips of young plants after bloom; an old one is replaced, not cut hard." }],
  ["leucophyllum-frutescens", "Leucophyllum frutescens", "Texas sage|Cenizo", "dome", [0.2, 0.4, 0.6], [1.2, 2.4], [1.2, 2.4], "8a", [summerBloom(500, 17)], { floweringWood: "new", regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], looksWrongButNormal: ["flowers follow rain, not the calendar"] }],
  ["dendromecon-harfordii", "Dendromecon harfordii", "Island bush poppy", "dome", [0.3, 0.6, 0.9], [1.5, 3], [1.5, 3], "8b", [springBloom(spring(0.5), 80, 40, 0.8)], { regrowthFromLeaflessWood: "slow", frost: tender(-2, -8, 0.6) }],
  ["frangula-californica", "Frangula californica", "Coffeeberry", "dome", [0.2, 0.4, 0.6], [1, 3], [1.2, 3], "7a", [], { floweringWood: "foliage", regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], wildlife: ["berries for birds"] }],
  ["baccharis-pilularis", "Baccharis pilularis", "Coyote brush", "mound", [0.2, 0.4, 0.7], [0.5, 2], [1.5, 3], "7b", [], { floweringWood: "foliage", regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "cutback", "renewal"], leastStubM: 0.15 }],
  ["ribes-viburnifolium", "Ribes viburnifolium", "Evergreen currant", "mound", [0.2, 0.4, 0.7], [0.6, 1], [1.5, 3], "8a", [oldBloom("late winter flowers", seasonDay(45), 50, [280, 340], 0.4)], { regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], shadeVigour: 0.9 }],
  ["aesculus-californica", "Aesculus californica", "California buckeye", "tree", [0.2, 0.4, 0.6], [3, 7], [3, 7], "7a", [oldBloom("late spring flowers", seasonDay(125), 40, [315, 355], 1)], { ...sleeps, year: summerDormant(200, 325), hazards: ["toxic-clippings"], regrowthFromLeaflessWood: "yes", leastStubM: 0.5 }],
  ["encelia-californica", "Encelia californica (and Encelia farinosa)", "Brittlebush|Coast sunflower", "mound", [0.4, 0.6, 0.9], [0.6, 1.2], [0.8, 1.5], "9a", [{ ...oldBloom("winter and spring flowers", seasonDay(40), 100, [310, 350], 1) }], { ...sleeps, year: summerDormant(190, 310), regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], leastStubM: 0.15, frost: tender(-1, -5, 0.9) }],
  ["artemisia-californica", "Artemisia californica", "California sagebrush", "mound", [0.3, 0.5, 0.8], [0.6, 1.5], [0.9, 1.5], "8b", [], { ...sleeps, leaf: "semi-evergreen", floweringWood: "foliage", year: summerDormant(205, 310), leastStubM: 0.2 }],
  ["salvia-clevelandii", "Salvia clevelandii (and Salvia leucophylla)", "Cleveland sage", "mound", [0.3, 0.5, 0.8], [0.8, 1.5], [1, 1.8], "8b", [{ ...shortBloom(60, 50, "early summer flowers") }], { ...bare, floweringWood: "new", blade: "Spent stems with a third of the leafy growth, in autumn before the rains; never into bare wood.", looksWrongButNormal: ["half of its leaves shed in late summer"] }],
  ["trichostema-lanatum", "Trichostema lanatum", "Woolly blue curls", "mound", [0.2, 0.4, 0.6], [0.8, 1.4], [0.8, 1.4], "8b", [springBloom(spring(0.9), 90, 50, 1)], { ...bare }],
  ["cercocarpus-betuloides", "Cercocarpus betuloides", "Mountain mahogany", "upright", [0.2, 0.4, 0.6], [2, 5], [1.5, 3.5], "7a", [], { floweringWood: "foliage", regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"] }],
  ["galvezia-speciosa", "Gambelia speciosa", "Island snapdragon", "mound", [0.3, 0.5, 0.8], [0.6, 1.2], [1, 2], "9a", [summerBloom(40, 12)], { floweringWood: "new", regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "renewal"], leastStubM: 0.15, frost: tender(-1, -6, 0.8), wildlife: ["hummingbirds"] }],
  ["ericameria-nauseosa", "Ericameria nauseosa", "Rabbitbrush", "mound", [0.3, 0.5, 0.7], [0.6, 1.8], [0.8, 1.8], "3a", [summerBloom(1000, 9)], { leaf: "deciduous", floweringWood: "new", year: deciduousYear(0), regrowthFromLeaflessWood: "yes", regimes: ["upkeep", "cutback", "renewal"], leastStubM: 0.2, frost: tender(-3, -38, 0.1, false), blade: "To 20–30 cm in late winter." }],
]);
