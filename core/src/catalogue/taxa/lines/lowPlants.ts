/** Subshrubs, grasses and tall perennials. */
import { headed, deciduousYear, hardy, kinds, shortBloom, shrub, spring, springBloom, summerBloom, tender, warm, type Base } from "../parts.ts";

const subshrub: Base = { ...shrub, group: "subshrub", leaf: "evergreen", floweringWood: "new", year: { ...deciduousYear(10, 260), dormant: { rule: "cooling", meanC: 6 } }, shadeVigour: 0.2, regrowthFromLeaflessWood: "no", leastStubM: null, regimes: ["upkeep"], routineTask: "shear", never: { "hard-cutback": "old-wood-stays-bare" }, frost: tender(-3, -9, 0.5, false), passes: "shaping", wildlife: ["bees"], looksWrongButNormal: ["grey and shrunken in winter"], blade: "After bloom, with a few centimetres of leaf; always leave green below the blade.", sources: ["rhs", "practice"] };
const spikes = (dd: number, days: number, name = "flower spikes") => shortBloom(dd, days, name);
/** Shoots again from old wood: cut low in spring. */
const reshoots = { regrowthFromLeaflessWood: "yes", leastStubM: 0.1, regimes: ["upkeep", "cutback"], never: {}, routineTask: "hard-cutback", passes: "cutback" } satisfies Partial<Base>;
const old = { floweringWood: "old" } satisfies Partial<Base>;

export const MORE_SUBSHRUBS = kinds(subshrub, [
  ["lavandula-intermedia", "Lavandula × intermedia", "Lavandin", "mound", [0.15, 0.25, 0.4], [0.6, 1], [0.8, 1.3], "5b", [spikes(420, 40)], { wildlife: ["bees all summer", "seed for finches"] }],
  ["lavandula-stoechas", "Lavandula stoechas", "Spanish lavender|French lavender", "mound", [0.15, 0.25, 0.35], [0.4, 0.8], [0.5, 0.9], "8a", [spikes(20, 45)], { frost: tender(-2, -7, 0.6, false) }],
  ["rosmarinus-officinalis", "Salvia rosmarinus (Rosmarinus)", "Rosemary", "upright", [0.15, 0.3, 0.5], [0.6, 1.6], [0.6, 1.5], "8a", [{ ...springBloom(spring(0.3), 50, 45, 0.3) }], { ...old, routineTask: "shape", frost: tender(-2, -9, 0.6) }],
  ["santolina-chamaecyparissus", "Santolina chamaecyparissus", "Cotton lavender", "mound", [0.1, 0.2, 0.3], [0.3, 0.6], [0.5, 1], "6b", [{ ...spikes(260, 30, "button flowers"), weight: 0.4 }], { outline: false, regrowthFromLeaflessWood: "slow", leastStubM: 0.12, regimes: ["upkeep", "cutback"], never: {}, blade: "To 10–15 cm in spring, every few years, above buds low on the stems; spent buttons after bloom." }],
  ["calluna-vulgaris", "Calluna vulgaris", "Heather|Ling", "mound", [0.08, 0.15, 0.22], [0.2, 0.6], [0.3, 0.7], "4b", [spikes(800, 50, "late summer flowers")], { blade: "Flowered shoots in early spring, just below the old flowers, within the green.", frost: hardy, looksWrongButNormal: ["bronze or orange foliage in winter"] }],
  ["erica-carnea", "Erica carnea (and Erica × darleyensis)", "Winter heath", "mound", [0.06, 0.12, 0.2], [0.15, 0.5], [0.4, 0.8], "5a", [{ ...springBloom(spring(-0.8), 60, 60, 1), name: "winter flowers" }], { ...old, frost: tender(-4, -26, 0.3, false), blade: "Just below the spent flowers in spring, within the green." }],
  ["thymus-vulgaris", "Thymus vulgaris", "Common thyme", "mound", [0.06, 0.12, 0.18], [0.1, 0.3], [0.3, 0.5], "5a", [spikes(180, 30, "flowers")], { frost: tender(-4, -22, 0.3, false) }],
  ["salvia-officinalis", "Salvia officinalis", "Common sage", "mound", [0.15, 0.25, 0.4], [0.4, 0.8], [0.6, 1.1], "5b", [{ ...spikes(140, 25), weight: 0.5 }], { regrowthFromLeaflessWood: "slow", frost: tender(-3, -18, 0.4, false), never: {}, leastStubM: 0.15 }],
  ["ruta-graveolens", "Ruta graveolens", "Rue", "mound", [0.15, 0.25, 0.4], [0.4, 0.9], [0.5, 0.9], "5a", [{ ...spikes(280, 35, "flowers"), weight: 0.3 }], { ...reshoots, routineTask: "shear", hazards: ["irritant-sap"], blade: "To 10–15 cm in spring. Sap on skin in sunshine burns: gloves, sleeves, a dull day." }],
  ["helianthemum", "Helianthemum", "Sun rose", "mound", [0.08, 0.15, 0.25], [0.15, 0.4], [0.4, 0.8], "5b", [{ ...headed(springBloom(warm(70), 35, 40, 1)), name: "early summer flowers" }], { ...old, frost: tender(-3, -20, 0.4, false) }],
  ["phlomis-fruticosa", "Phlomis fruticosa", "Jerusalem sage", "mound", [0.2, 0.4, 0.6], [0.8, 1.3], [0.9, 1.6], "7b", [{ ...headed(springBloom(warm(150), 40, 40, 1)), name: "early summer flowers" }], { ...old, regrowthFromLeaflessWood: "slow", leastStubM: 0.2, never: {}, regimes: ["upkeep", "renewal"], hazards: ["irritant-sap"], routineTask: "shape" }],
  ["salvia-yangii", "Salvia yangii (Perovskia)", "Russian sage", "upright", [0.6, 0.9, 1.2], [0.8, 1.4], [0.7, 1.2], "4b", [summerBloom(540, 13)], { ...reshoots, leaf: "deciduous", year: deciduousYear(12), frost: tender(-2, -16, 0.8, false), wildlife: ["bees in late summer"], blade: "15–25 cm from the ground when the buds swell, above live ones." }],
  ["artemisia-abrotanum", "Artemisia (abrotanum, absinthium)", "Southernwood|Wormwood", "mound", [0.3, 0.5, 0.8], [0.6, 1.2], [0.6, 1.2], "4b", [], { ...reshoots, floweringWood: "foliage", leaf: "semi-evergreen" }],
  ["teucrium-chamaedrys", "Teucrium (chamaedrys, fruticans)", "Germander", "mound", [0.1, 0.2, 0.4], [0.2, 1.2], [0.4, 1.2], "5b", [{ ...spikes(380, 40), weight: 0.4 }], { regrowthFromLeaflessWood: "slow", never: {}, leastStubM: 0.1, outline: false }],
  ["cytisus-scoparius", "Cytisus scoparius (and Genista)", "Broom", "fountain", [0.4, 0.7, 1], [0.8, 2], [0.8, 2], "6a", [headed(springBloom(spring(1), 25, 20, 0.1))], { ...old, leaf: "deciduous", routineTask: "shape", hazards: ["toxic-clippings"], never: { "hard-cutback": "old-wood-stays-bare" }, blade: "Flowered whips by two thirds of the green part, straight after bloom; never into brown wood." }],
  ["iberis-sempervirens", "Iberis sempervirens", "Evergreen candytuft", "mound", [0.05, 0.1, 0.18], [0.15, 0.3], [0.4, 0.8], "4a", [headed(springBloom(spring(0.7), 30, 45, 1))], { ...old, frost: hardy }],
  ["euphorbia-characias", "Euphorbia characias", "Mediterranean spurge", "mound", [0.6, 0.9, 1.2], [0.8, 1.4], [0.8, 1.3], "7a", [{ ...headed(springBloom(spring(0.2), 70, 40, 1)) }], { ...old, regrowthFromLeaflessWood: "slow", regimes: ["upkeep", "renewal"], hazards: ["irritant-sap"], never: { shear: "large-leaved", "hard-cutback": "stem-by-stem" }, routineTask: "shape", frost: tender(-3, -14, 0.5, false), blade: "Each stem that has flowered, at the ground, in early summer: this year's stems flower next spring. Goggles: the sap burns eyes." }],
  ["penstemon-hybridus", "Penstemon, shrubby garden kinds", "Penstemon", "mound", [0.5, 0.7, 0.9], [0.5, 1], [0.4, 0.8], "7a", [summerBloom(280, 13)], { ...reshoots, leaf: "semi-evergreen", frost: tender(-3, -9, 0.9) }],
  ["hyssopus-officinalis", "Hyssopus officinalis", "Hyssop", "mound", [0.25, 0.4, 0.5], [0.4, 0.7], [0.4, 0.8], "4a", [spikes(380, 45)], { ...reshoots, leaf: "semi-evergreen" }],
  ["lithodora-diffusa", "Glandora diffusa (Lithodora)", "Lithodora", "mound", [0.06, 0.12, 0.2], [0.1, 0.2], [0.4, 0.8], "6b", [headed(springBloom(spring(0.8), 40, 50, 1))], old],
  ["convolvulus-cneorum", "Convolvulus cneorum", "Silverbush", "mound", [0.1, 0.2, 0.3], [0.4, 0.7], [0.6, 1], "8b", [{ ...springBloom(spring(1), 50, 40, 1), name: "early summer flowers" }], { ...old, frost: tender(-2, -8, 0.6, false) }],
  ["halimium", "Halimium and × Halimiocistus", "Halimium", "mound", [0.1, 0.2, 0.35], [0.4, 0.9], [0.7, 1.2], "8a", [{ ...springBloom(warm(60), 40, 40, 1), name: "early summer flowers" }], { ...old, frost: tender(-2, -10, 0.5, false) }],
  ["lotus-hirsutus", "Lotus hirsutus (Dorycnium)", "Hairy canary clover", "mound", [0.3, 0.45, 0.6], [0.4, 0.7], [0.6, 1], "8a", [spikes(260, 60, "summer flowers")], { ...reshoots, frost: tender(-2, -11, 0.6, false), blade: "To 15 cm in spring, above the new shoots." }],
  ["ballota-pseudodictamnus", "Pseudodictamnus mediterraneus (Ballota)", "False dittany", "mound", [0.2, 0.3, 0.45], [0.3, 0.6], [0.5, 0.9], "8b", [], { ...reshoots, floweringWood: "foliage", frost: tender(-2, -8, 0.6, false) }],
  ["brachyglottis-greyi", "Brachyglottis (greyi, × jubar)", "Grey-leaved daisy bush", "mound", [0.15, 0.3, 0.45], [0.8, 1.4], [1, 2], "8a", [{ ...spikes(240, 30, "yellow daisies"), weight: 0.3 }], { ...reshoots, floweringWood: "foliage", routineTask: "shear", frost: tender(-2, -10, 0.5, false), blade: "Flowered shoots after bloom, or by half in spring: it fills from below." }],
]);

const grass: Base = { ...shrub, group: "grass", leaf: "herbaceous", floweringWood: "foliage", year: deciduousYear(14, 400), shadeVigour: 0.4, leastStubM: 0.1, regimes: ["cutback"], routineTask: "hard-cutback", never: { shape: "grass-all-or-nothing" }, passes: "cutback", wildlife: ["winter shelter for insects and birds"], cleanOut: "late winter, before new blades show", looksWrongButNormal: ["nothing green until late spring: it is a warm-season grass"], blade: "Tie the tuft first; then straight across at 8–15 cm, before new blades reach that height.", sources: ["practice", "rhs"] };
const plumes = (dd: number) => ({ name: "plumes and winter blades", on: "new", weight: 1, opens: warm(dd), ends: spring(0, 365 - 24), budsBegin: null, budsSet: null, atTips: 1, spent: "not-done" }) as const;
const early = { year: deciduousYear(-12, 300), looksWrongButNormal: ["green by the first mild days: it is a cool-season grass"] } satisfies Partial<Base>;
/** Keeps its leaves: combed, or shortened by a third at most. */
const keepsLeaf = { leaf: "evergreen", regimes: ["upkeep"], routineTask: "shape", never: { "hard-cutback": "old-wood-stays-bare", shear: "grass-all-or-nothing" }, leastStubM: null, regrowthFromLeaflessWood: "no", passes: "shaping", looksWrongButNormal: ["brown blades inside: comb them out with gloved hands"], blade: "Comb dead blades out with gloved hands; a third off at most." } satisfies Partial<Base>;

export const MORE_GRASSES = kinds(grass, [
  ["calamagrostis-acutiflora", "Calamagrostis × acutiflora", "Feather reed grass", "tuft", [0.9, 1.4, 1.8], [1, 1.8], [0.5, 0.9], "4a", [plumes(250)], early],
  ["panicum-virgatum", "Panicum virgatum", "Switchgrass", "tuft", [0.8, 1.3, 1.9], [0.9, 2], [0.6, 1.2], "4a", [plumes(650)]],
  ["pennisetum-alopecuroides", "Cenchrus purpurascens (Pennisetum)", "Fountain grass", "tuft", [0.5, 0.8, 1.2], [0.5, 1.2], [0.6, 1.2], "5b", [plumes(700)]],
  ["schizachyrium-scoparium", "Schizachyrium scoparium", "Little bluestem", "tuft", [0.5, 0.8, 1.2], [0.6, 1.2], [0.4, 0.7], "3b", [plumes(850)]],
  ["andropogon-gerardii", "Andropogon gerardii (and Sorghastrum)", "Big bluestem|Indian grass", "tuft", [1, 1.6, 2.2], [1.2, 2.2], [0.6, 1], "3b", [plumes(850)]],
  ["sporobolus-heterolepis", "Sporobolus heterolepis", "Prairie dropseed", "tuft", [0.4, 0.6, 0.9], [0.5, 0.9], [0.6, 1], "3b", [plumes(750)]],
  ["molinia-caerulea", "Molinia caerulea", "Moor grass", "tuft", [0.6, 1.1, 1.8], [0.6, 2], [0.5, 1], "4b", [plumes(450)], { looksWrongButNormal: ["stems that break off by themselves in winter"] }],
  ["muhlenbergia-capillaris", "Muhlenbergia (capillaris, rigens)", "Muhly grass|Deer grass", "tuft", [0.6, 0.9, 1.3], [0.7, 1.4], [0.7, 1.3], "6a", [plumes(1100)]],
  ["cortaderia-selloana", "Cortaderia selloana", "Pampas grass", "tuft", [1.2, 2, 2.8], [1.5, 3], [1.2, 2.2], "7b", [plumes(1000)], { hazards: ["sharp-leaf-edges"], leastStubM: 0.2, blade: "Comb and cut to 30–60 cm in late winter; thick sleeves and gloves; look for nests and hedgehogs first. Never burn it out." }],
  ["chasmanthium-latifolium", "Chasmanthium latifolium", "Northern sea oats", "tuft", [0.5, 0.9, 1.2], [0.6, 1.2], [0.4, 0.8], "5a", [plumes(500)], { shadeVigour: 0.8 }],
  ["hakonechloa-macra", "Hakonechloa macra", "Japanese forest grass", "tuft", [0.25, 0.4, 0.6], [0.3, 0.6], [0.5, 0.9], "5b", [plumes(600)], { shadeVigour: 0.9 }],
  ["arundo-donax", "Arundo donax", "Giant reed", "tuft", [2, 3, 4.5], [2.5, 5], [1.5, 3], "6b", [plumes(1200)], { leastStubM: 0.15 }],
  ["helictotrichon-sempervirens", "Helictotrichon sempervirens", "Blue oat grass", "tuft", [0.3, 0.5, 0.8], [0.5, 1.1], [0.5, 0.9], "4a", [plumes(150)], keepsLeaf],
  ["festuca-glauca", "Festuca glauca", "Blue fescue", "tuft", [0.12, 0.2, 0.3], [0.15, 0.4], [0.2, 0.4], "4a", [plumes(120)], keepsLeaf],
  ["stipa-tenuissima", "Nassella tenuissima (Stipa)", "Mexican feather grass", "tuft", [0.3, 0.5, 0.7], [0.4, 0.7], [0.3, 0.6], "6b", [plumes(180)], { ...keepsLeaf }],
  ["carex-evergreen", "Carex, evergreen kinds", "Sedge", "tuft", [0.15, 0.3, 0.45], [0.2, 0.6], [0.3, 0.7], "5b", [], { ...keepsLeaf, shadeVigour: 0.9 }],
]);

const perennial: Base = { ...grass, group: "perennial", floweringWood: "new", year: deciduousYear(4, 350), leastStubM: 0.03, wildlife: ["hollow stems for nesting insects: leave them on the ground"], looksWrongButNormal: ["dead to the ground every winter"], blade: "Old stems at 5–10 cm in late winter, before the new shoots show.", never: {}, sources: ["practice"] };

export const MORE_PERENNIALS = kinds(perennial, [
  ["eutrochium-purpureum", "Eutrochium (purpureum, maculatum)", "Joe Pye weed", "upright", [1.2, 1.8, 2.3], [1.2, 2.4], [0.8, 1.4], "4a", [shortBloom(700, 45)], { year: deciduousYear(16, 350) }],
  ["symphyotrichum-novae-angliae", "Symphyotrichum (novae-angliae and others)", "New England aster|Michaelmas daisy", "upright", [0.8, 1.2, 1.7], [0.8, 1.7], [0.6, 1], "4a", [{ ...summerBloom(1150, 8), shortDays: true }], { wildlife: ["late nectar", "hollow stems for nesting insects"] }],
  ["rudbeckia-laciniata", "Rudbeckia (laciniata, fulgida and others)", "Coneflower|Black-eyed Susan", "upright", [0.6, 1.2, 2], [0.6, 2.2], [0.5, 1.2], "4a", [summerBloom(500, 12)], { wildlife: ["seed for finches"] }],
  ["echinacea-purpurea", "Echinacea purpurea", "Purple coneflower", "upright", [0.6, 0.9, 1.2], [0.6, 1.2], [0.4, 0.7], "4a", [summerBloom(420, 14)], { wildlife: ["bees", "seed for finches"] }],
  ["baptisia-australis", "Baptisia australis", "Blue false indigo", "dome", [0.8, 1.1, 1.4], [0.9, 1.4], [0.9, 1.4], "3b", [shortBloom(40, 22)], { looksWrongButNormal: ["black pods that rattle", "dead to the ground every winter"] }],
  ["paeonia-lactiflora", "Paeonia lactiflora", "Herbaceous peony", "dome", [0.6, 0.8, 1], [0.6, 1.1], [0.7, 1.1], "3a", [shortBloom(60, 16)], { year: deciduousYear(0, 300), cleanOut: "autumn: take all leaves away, blight winters in them", wildlife: [] }],
  ["phlox-paniculata", "Phlox paniculata", "Garden phlox", "upright", [0.7, 1, 1.3], [0.7, 1.3], [0.5, 0.9], "4a", [summerBloom(500, 15)]],
  ["hylotelephium-spectabile", "Hylotelephium (spectabile and others)", "Showy stonecrop|Sedum", "mound", [0.3, 0.5, 0.65], [0.3, 0.7], [0.4, 0.7], "3b", [summerBloom(900, 10)], { wildlife: ["bees and butterflies", "winter heads hold snow"] }],
  ["amsonia-hubrichtii", "Amsonia hubrichtii (and others)", "Bluestar", "dome", [0.6, 0.9, 1.1], [0.7, 1.1], [0.8, 1.2], "5a", [shortBloom(20, 22)], { hazards: ["irritant-sap"] }],
  ["vernonia-noveboracensis", "Vernonia", "Ironweed", "upright", [1.2, 1.8, 2.2], [1.2, 2.2], [0.7, 1.2], "4b", [shortBloom(950, 40)]],
  ["salvia-leucantha", "Salvia leucantha", "Mexican bush sage", "fountain", [0.8, 1.1, 1.4], [0.9, 1.5], [1, 1.6], "8b", [summerBloom(1000, 10)], { frost: tender(-1, -8, 1, false), wildlife: ["hummingbirds"] }],
  ["canna-hedychium", "Canna (and Hedychium)", "Canna|Ginger lily", "upright", [1, 1.6, 2.2], [0.8, 2.2], [0.5, 1], "8a", [summerBloom(500, 14)], { frost: tender(0, -5, 1, false), year: deciduousYear(34, 350) }],
  ["nepeta-faassenii", "Nepeta (faassenii, racemosa)", "Catmint", "mound", [0.3, 0.5, 0.7], [0.3, 0.8], [0.5, 1], "4a", [{ ...summerBloom(60, 13), flushes: true }], { blade: "Sheared by half after the first flush it flowers again; old stems off in late winter.", wildlife: ["bees"] }],
]);
