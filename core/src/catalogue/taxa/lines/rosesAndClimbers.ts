/** Roses by class, clematis by flowering wood, and the other climbers. */
import { notUntil, leafing, headed, branch, deciduousYear, flushYear, kinds, oldBloom, seasonDay, shortBloom, shrub, spring, springBloom, summerBloom, tender, warm, type Base, berries } from "../parts.ts";

const rose: Base = { ...shrub, group: "rose", floweringWood: "new", year: deciduousYear(-6, 260), shadeVigour: 0.4, leastStubM: 0.15, regimes: ["upkeep", "cutback", "framework"], routineTask: "shape", frost: tender(-3, -17, 0.6, false), passes: "framework", hazards: ["thorns"], wildlife: ["hips for birds, if the last flowers stay on"], cleanOut: "early spring: brown pith means dead, cut to white", looksWrongButNormal: ["red new leaves: they turn green", "suckers from below the graft: other leaves, pull them at the root"], blade: "6 mm above an outward bud, down to white pith.", sources: ["rhs", "shrub-calendar", "practice"] };
const flushes = (degreeDays: number) => ({ ...summerBloom(degreeDays, 10), name: "roses in flushes", flushes: true });
/** Flowered canes come out from the end of bloom until early autumn. */
const once = (degreeDays: number, days: number) => ({ ...springBloom(warm(degreeDays), days, 60, 0.3), name: "summer roses" });
const onceWood = { floweringWood: "old", regimes: ["upkeep", "renewal", "framework"], leastStubM: 0.3, frost: tender(-3, -26, 0.5, false) } satisfies Partial<Base>;

export const MORE_ROSES = kinds(rose, [
  ["rosa-hybrid-tea", "Rosa, hybrid tea kinds", "Hybrid tea rose|Large-flowered bush rose", "vase", [0.5, 0.8, 1.1], [0.9, 1.6], [0.6, 1], "5b", [flushes(240)], { routineTask: "hard-cutback", blade: "Three to five canes at 30–45 cm (15–20 cm where winters are cold), above an outward bud; weak ones out." }],
  ["rosa-floribunda", "Rosa, floribunda kinds", "Floribunda rose|Cluster-flowered bush rose", "vase", [0.5, 0.7, 1], [0.7, 1.3], [0.6, 1], "5a", [flushes(230)], { routineTask: "hard-cutback", blade: "Five to seven canes, a quarter to a third longer than a hybrid tea's." }],
  ["rosa-shrub-once", "Rosa, once-flowering old shrub kinds", "Old garden rose|Once-flowering shrub rose", "fountain", [0.5, 0.9, 1.4], [1.2, 2.2], [1.2, 2.2], "4a", [once(200, 28)], { ...onceWood, passes: "renewal", blade: "After bloom the oldest canes at the base; long new ones are next year's flowers." }],
  ["rosa-rambler", "Rosa, once-flowering ramblers", "Rambling rose|Rambler", "climber", [1.2, 2, 3.5], [3, 8], [2, 5], "5a", [once(260, 25)], { ...onceWood, blade: "Flowered canes out at the base after bloom, as many as there are new ones to tie in." }],
  ["rosa-climber-repeat", "Rosa, repeat-flowering climbers", "Climbing rose", "climber", [0.8, 1.4, 2.2], [2, 4], [1.5, 3], "5b", [flushes(240)], { regimes: ["upkeep", "framework", "renewal"], leastStubM: 0.3, blade: "The structure stays; side shoots to two or three buds; one old cane at the base when a young one can take its place." }],
  ["rosa-rugosa", "Rosa rugosa", "Rugosa rose", "mound", [0.5, 0.7, 1], [1.2, 2], [1.2, 2], "2b", [flushes(150), { ...berries(warm(900, 213), 100, "hips"), weight: 0.3 }], { frost: tender(-3, -40, 0, false), passes: "renewal", regimes: ["upkeep", "cutback", "renewal"], looksWrongButNormal: ["suckers that widen the clump"] }],
  ["rosa-species", "Rosa, wild kinds", "Species rose|Wild rose", "fountain", [0.6, 1, 1.5], [1.5, 3], [1.5, 3], "4a", [once(130, 20), berries(warm(900, 232), 110, "hips")], { ...onceWood, passes: "renewal" }],
  ["rosa-groundcover", "Rosa, ground-cover kinds", "Ground-cover rose|Landscape rose", "mound", [0.4, 0.6, 0.9], [0.5, 0.9], [0.9, 1.5], "5a", [flushes(230)], { routineTask: "hard-cutback", passes: "cutback" }],
  ["rosa-miniature", "Rosa, miniature and patio kinds", "Miniature rose|Patio rose", "mound", [0.2, 0.35, 0.5], [0.25, 0.6], [0.3, 0.6], "5b", [flushes(240)], { leastStubM: 0.08, passes: "cutback" }],
  ["rosa-banksiae", "Rosa banksiae", "Banksian rose", "climber", [1, 2, 3.5], [4, 9], [3, 6], "8a", [{ ...headed(springBloom(spring(0.9), 28, 25, 0.2)), name: "spring roses" }], { ...onceWood, leaf: "semi-evergreen", hazards: [], frost: tender(-2, -12, 0.6), blade: "Flowered side shoots after bloom; two- and three-year-old wood flowers best, so the frame stays." }],
]);

const clematis: Base = { ...shrub, group: "clematis", floweringWood: "old", year: deciduousYear(-8), leastStubM: 0.3, regimes: ["upkeep", "renewal"], routineTask: "shape", frost: tender(-4, -30, 0.3, false), passes: "framework", hazards: ["irritant-sap"], looksWrongButNormal: ["stems that look dead in March and carry fat buds", "a whole stem collapsed in a day: wilt; it comes again from below the ground"], blade: "Just above a strong pair of buds; untangle and tie in before you shorten.", sources: ["rhs", "practice"] };
/** Flowers on new growth: everything above a low pair of buds goes each late winter. */
const groupThree = { floweringWood: "new", regimes: ["upkeep", "cutback"], routineTask: "hard-cutback", passes: "cutback", blade: "30–45 cm above the ground, over a strong pair of buds." } satisfies Partial<Base>;

export const CLEMATIS = kinds(clematis, [
  ["clematis-alpina", "Clematis alpina", "Alpine clematis", "climber", [0.5, 0.9, 1.5], [2, 3], [1, 2], "3b", [springBloom(spring(0.7), 28, 21, 0.2)]],
  ["clematis-macropetala", "Clematis macropetala", "Downy clematis", "climber", [0.5, 0.9, 1.5], [2, 3], [1, 2], "3b", [springBloom(spring(0.8), 28, 21, 0.2)]],
  ["clematis-montana", "Clematis montana", "Mountain clematis", "climber", [1, 2, 4], [5, 10], [2, 4], "6b", [springBloom(spring(1, 2), 28, 21, 0.2)]],
  ["clematis-armandii", "Clematis armandii", "Evergreen clematis", "climber", [0.8, 1.5, 3], [3, 6], [2, 4], "7b", [springBloom(spring(0.2), 30, 25, 0.2)], { leaf: "evergreen", frost: tender(-2, -12, 0.6), year: flushYear(-10, 240), looksWrongButNormal: ["old leaves brown in spring"] }],
  ["clematis-cirrhosa", "Clematis cirrhosa", "Winter clematis", "climber", [0.6, 1.2, 2], [2.5, 5], [1, 2], "7b", [oldBloom("winter flowers", { rule: "season", day: 340 }, 90, [240, 300], 0.2)], { leaf: "evergreen", frost: tender(-2, -11, 0.6), year: flushYear(-10, 240), looksWrongButNormal: ["leafless in a dry summer: it rests"] }],
  [
    "clematis-large-early",
    "Clematis, large early-summer kinds",
    "Large-flowered clematis, early summer",
    "climber",
    [0.8, 1.2, 2],
    [2, 3.5],
    [1, 1.5],
    "4b",
    [
      { ...headed(springBloom(warm(110), 30, 40, 0.3)), name: "first flowers", onSpurs: true },
      { ...shortBloom(800, 40, "second flowers"), weight: 0.25 },
    ],
    { floweringWood: "both", routineTask: "tip", blade: "In late winter down to the first strong pair of buds on each stem, no more; again lightly after the first flowers." },
  ],
  ["clematis-large-late", "Clematis, large late-summer kinds", "Large-flowered clematis, late summer", "climber", [1.5, 2.2, 3], [2, 3.5], [1, 1.5], "4a", [summerBloom(420, 13)], groupThree],
  ["clematis-viticella", "Clematis viticella", "Italian clematis", "climber", [1.5, 2.5, 3.5], [2.5, 4], [1, 2], "4b", [summerBloom(420, 13)], groupThree],
  ["clematis-tangutica", "Clematis tangutica", "Golden clematis", "climber", [1.5, 2.5, 4], [3, 5], [1.5, 3], "4a", [summerBloom(520, 12), { ...berries(warm(1100, 225), 90, "silky seed heads"), weight: 0.3 }], { ...groupThree }],
  ["clematis-terniflora", "Clematis terniflora", "Sweet autumn clematis", "climber", [2, 3, 4], [4, 8], [2, 4], "5a", [notUntil(215, shortBloom(1050, 30, "late summer flowers"))], { ...groupThree }],
  ["clematis-texensis", "Clematis texensis", "Scarlet clematis", "climber", [1, 1.6, 2.4], [1.8, 3], [0.8, 1.5], "5a", [summerBloom(420, 13)], groupThree],
  ["clematis-integrifolia", "Clematis integrifolia (and Clematis heracleifolia)", "Herbaceous clematis", "mound", [0.5, 0.8, 1.1], [0.6, 1.2], [0.6, 1.2], "3b", [summerBloom(220, 13)], { ...groupThree, leaf: "herbaceous", regimes: ["cutback"], leastStubM: 0.03, blade: "Old stems to the ground before the new ones show." }],
]);

const climber: Base = { ...shrub, group: "climber", floweringWood: "old", year: deciduousYear(8), leastStubM: 0.3, regimes: ["upkeep", "renewal", "framework"], routineTask: "shape", passes: "framework", looksWrongButNormal: ["little growth in the first two years"], blade: branch, sources: ["rhs", "practice"] };
const leafClimber = { floweringWood: "foliage", blade: "Off windows, gutters and roof, at a joint; loose shoots at their origin: they do not cling again." } satisfies Partial<Base>;

export const CLIMBERS = kinds(climber, [
  ["wisteria-sinensis", "Wisteria (sinensis, floribunda)", "Wisteria", "climber", [1, 2.5, 5], [4, 12], [4, 10], "5a", [{ ...headed(springBloom(spring(1, 4), 20, 40, 0.1)), onSpurs: true }], { hazards: ["toxic-clippings"], blade: "After bloom the long whips to five or six leaves; in late winter the same shoots to two or three buds. Fat buds near the frame are flowers.", looksWrongButNormal: ["late leaf", "no flowers for years on a seedling"], year: leafing(0.85) }],
  ["lonicera-periclymenum", "Lonicera periclymenum", "Common honeysuckle|Woodbine", "climber", [0.8, 1.5, 2.5], [3, 6], [1.5, 3], "5a", [{ ...springBloom(warm(220), 40, 60, 0.3), name: "summer flowers" }], { hazards: ["toxic-clippings"], wildlife: ["moths in summer", "berries for birds"] }],
  ["lonicera-sempervirens", "Lonicera sempervirens", "Coral honeysuckle|Trumpet honeysuckle", "climber", [0.8, 1.5, 2.5], [3, 5], [1.5, 2.5], "4b", [springBloom(spring(0.9), 45, 25, 0.4), { ...summerBloom(500, 13), name: "later flowers", weight: 0.4 }], { floweringWood: "both", leaf: "semi-evergreen", wildlife: ["hummingbirds", "berries for birds"] }],
  ["lonicera-japonica", "Lonicera japonica", "Japanese honeysuckle", "climber", [1, 2, 4], [4, 9], [2, 5], "5a", [summerBloom(200, 13)], { floweringWood: "new", regimes: ["upkeep", "cutback", "renewal"], leaf: "semi-evergreen" }],
  ["campsis-radicans", "Campsis radicans (and Campsis × tagliabuana)", "Trumpet vine", "climber", [1.2, 2.5, 4], [4, 10], [2, 5], "5a", [summerBloom(560, 16)], { floweringWood: "new", regimes: ["upkeep", "cutback", "framework"], hazards: ["irritant-sap"], year: leafing(1.1), blade: "Side shoots to two or three buds from the frame in late winter.", looksWrongButNormal: ["late leaf", "suckers a long way off"] }],
  ["jasminum-officinale", "Jasminum officinale", "Common jasmine|Summer jasmine", "climber", [0.8, 1.5, 2.5], [3, 8], [2, 4], "7b", [{ ...springBloom(warm(280), 60, 30, 0.5), name: "summer flowers" }], { leaf: "semi-evergreen", frost: tender(-2, -10, 0.7), blade: "After bloom, whole flowered shoots out at the frame." }],
  ["trachelospermum-jasminoides", "Trachelospermum jasminoides", "Star jasmine|Confederate jasmine", "climber", [0.4, 0.8, 1.5], [2.5, 6], [1.5, 4], "8a", [{ ...springBloom(warm(120), 35, 30, 0.4), name: "early summer flowers" }], { leaf: "evergreen", hazards: ["irritant-sap"], frost: tender(-2, -10, 0.6), year: flushYear(0, 240), looksWrongButNormal: ["red leaves in winter"] }],
  ["parthenocissus-tricuspidata", "Parthenocissus (tricuspidata, quinquefolia)", "Boston ivy|Virginia creeper", "climber", [1, 2, 4], [6, 18], [4, 10], "3b", [], { ...leafClimber, hazards: ["irritant-sap"], year: leafing(0.6) }],
  ["hedera-helix", "Hedera helix", "English ivy", "climber", [0.5, 1.2, 2], [3, 15], [2, 8], "5a", [], { ...leafClimber, leaf: "evergreen", inLeafCost: 0, hazards: ["irritant-sap", "toxic-clippings"], routineTask: "shear", year: flushYear(-10, 220), shadeVigour: 0.9, wildlife: ["late nectar and winter berries", "nests: look before you cut"] }],
  ["vitis-coignetiae", "Vitis, ornamental kinds", "Ornamental grape", "climber", [1.5, 3, 5], [4, 12], [3, 8], "5a", [], { ...leafClimber, ailments: ["bleeds"], regimes: ["upkeep", "cutback", "framework"], routineTask: "hard-cutback", blade: "Young canes to two buds from the frame in midwinter, before the sap rises.", year: leafing(0.85) }],
  ["akebia-quinata", "Akebia quinata", "Chocolate vine", "climber", [1, 2, 4], [4, 9], [2, 5], "5a", [springBloom(spring(0.8), 20, 30, 0.1)], { leaf: "semi-evergreen" }],
  ["actinidia-kolomikta", "Actinidia kolomikta", "Kolomikta vine", "climber", [0.8, 1.5, 2.5], [3, 6], [2, 4], "3b", [], { ...leafClimber, ailments: ["bleeds"], year: leafing(0.5) }],
  ["passiflora-caerulea", "Passiflora caerulea", "Blue passionflower", "climber", [1.5, 3, 5], [3, 8], [2, 4], "7b", [summerBloom(380, 12)], { floweringWood: "new", leaf: "semi-evergreen", regimes: ["upkeep", "cutback", "framework"], frost: tender(-2, -9, 1), year: deciduousYear(14) }],
  [
    "celastrus-scandens",
    "Celastrus scandens",
    "American bittersweet",
    "climber",
    [0.8, 1.5, 3],
    [4, 8],
    [2, 4],
    "3b",
    [
      { ...springBloom(warm(150), 14, 30, 0.3), weight: 0.2 },
      { ...berries(warm(1000, 255), 110), weight: 0.5 },
    ],
    { hazards: ["toxic-clippings"], wildlife: ["berries for birds"] },
  ],
  ["bignonia-capreolata", "Bignonia capreolata", "Crossvine", "climber", [1, 2, 3.5], [4, 12], [2, 4], "6b", [springBloom(spring(0.9), 28, 30, 0.2)], { leaf: "semi-evergreen", wildlife: ["hummingbirds"] }],
  ["gelsemium-sempervirens", "Gelsemium sempervirens", "Carolina jessamine", "climber", [0.8, 1.5, 2.5], [3, 6], [1.5, 3], "7a", [springBloom(spring(0.1), 45, 25, 0.2)], { leaf: "evergreen", hazards: ["toxic-clippings", "irritant-sap"], year: flushYear(-8, 240) }],
  ["schizophragma-hydrangeoides", "Schizophragma hydrangeoides", "Japanese hydrangea vine", "climber", [0.2, 0.5, 0.9], [5, 10], [2, 5], "5b", [headed(oldBloom("summer flowers", warm(340), 35, [240, 280], 0.7))], { shadeVigour: 0.9, looksWrongButNormal: ["little growth in the first three years"], year: leafing(0.5) }],
  ["solanum-laxum", "Solanum laxum (and Solanum crispum)", "Potato vine", "climber", [1, 2, 3.5], [3, 6], [2, 4], "8b", [summerBloom(150, 12)], { floweringWood: "new", leaf: "semi-evergreen", hazards: ["toxic-clippings"], regimes: ["upkeep", "cutback", "framework"], frost: tender(-1, -8, 0.9), year: leafing(0.5) }],
  ["fallopia-baldschuanica", "Fallopia baldschuanica", "Silver lace vine", "climber", [2, 4, 6], [5, 12], [3, 8], "4b", [summerBloom(520, 13)], { floweringWood: "new", regimes: ["upkeep", "cutback"], passes: "cutback", year: leafing(0.4) }],
  ["euonymus-fortunei", "Euonymus fortunei", "Wintercreeper", "mound", [0.15, 0.3, 0.6], [0.4, 3], [0.8, 3], "5a", [], { floweringWood: "foliage", leaf: "evergreen", outline: true, inLeafCost: 0, routineTask: "shear", regimes: ["upkeep", "renewal"], hazards: ["toxic-clippings"], year: flushYear(-10, 220), shadeVigour: 0.9, looksWrongButNormal: ["green shoots on a variegated plant: out at their origin"] }],
  ["jasminum-polyanthum", "Jasminum polyanthum", "Pink jasmine|Many-flowered jasmine", "climber", [1, 2, 3], [3, 6], [2, 4], "9a", [springBloom(spring(0.7), 35, 30, 0.3)], { leaf: "evergreen", frost: tender(-1, -5, 0.8) }],
  ["podranea-ricasoliana", "Podranea ricasoliana (and Pandorea jasminoides)", "Pink trumpet vine|Bower vine", "climber", [1.5, 2.5, 4], [3, 7], [2, 5], "9b", [{ ...summerBloom(350, 14), name: "flowers in flushes", flushes: true }], { floweringWood: "new", leaf: "evergreen", regimes: ["upkeep", "cutback", "framework"], frost: tender(-1, -5, 1), blade: "Last year's shoots to two or three pairs of buds in spring, when frost is past." }],
  ["amphilophium-buccinatorium", "Amphilophium buccinatorium (Distictis)", "Blood-red trumpet vine", "climber", [1.5, 2.5, 4], [4, 8], [3, 6], "9b", [{ ...summerBloom(320, 14), name: "flowers in flushes", flushes: true }], { floweringWood: "new", leaf: "evergreen", frost: tender(-1, -4, 0.9) }],
  ["hardenbergia-violacea", "Hardenbergia violacea", "Purple coral pea|Australian lilac vine", "climber", [0.8, 1.5, 2.5], [2, 4], [1, 2.5], "9a", [headed(oldBloom("winter flowers", seasonDay(35), 45, [200, 290], 0.4))], { leaf: "evergreen", frost: tender(-1, -5, 0.7), blade: "By half straight after bloom." }],
]);
