/** Hedging plants cut to an outline, and conifers by what grows back. */
import { leafing, berries, branch, deciduousYear, flushYear, hardy, kinds, shrub, spring, springBloom, tender, warm, type Base } from "../parts.ts";

const hedge: Base = {
  ...shrub,
  group: "hedge",
  leaf: "evergreen",
  floweringWood: "foliage",
  year: flushYear(-8, 220),
  outline: true,
  // Always in leaf: a trim draws on its reserves no more in one month than in another.
  inLeafCost: 0,
  leastStubM: 0.3,
  regimes: ["upkeep", "renewal"],
  routineTask: "shear",
  passes: "shaping",
  wildlife: ["dense shelter: check for nests before you cut"],
  blade: "Along the line, the foot wider than the top; shake the clippings out.",
  sources: ["rhs", "late-cuts", "practice"],
};
const leafy = { leaf: "deciduous", year: deciduousYear(2, 260), inLeafCost: 0.2 } satisfies Partial<Base>;
/** Shears slice its leaves: single cuts inside the outline. */
const largeLeaf = { routineTask: "shape", never: { shear: "large-leaved" }, blade: "Secateurs, shoot by shoot, just inside the outline: shears slice the leaves and the edges brown." } satisfies Partial<Base>;
/** Privets leaf soon after the first shrubs, also where they keep their leaves through winter. */
const earlyLeaf = { leaf: "semi-evergreen", year: { ...hedge.year, wakes: { rule: "spring", at: 0.2 } } } satisfies Partial<Base>;
const poison = { hazards: ["toxic-clippings"] } satisfies Partial<Base>;
const prickly = { hazards: ["sharp-leaf-edges", "toxic-clippings"] } satisfies Partial<Base>;

export const HEDGING = kinds(hedge, [
  ["buxus-microphylla", "Buxus microphylla", "Littleleaf box|Japanese box", "mound", [0.04, 0.08, 0.15], [0.6, 1.2], [0.6, 1.4], "5b", [], { ...poison, leastStubM: 0.15, looksWrongButNormal: ["bronze leaves after a cold, sunny winter"] }],
  ["taxus-baccata", "Taxus baccata (and Taxus cuspidata)", "English yew|Japanese yew", "column", [0.1, 0.2, 0.3], [1.5, 8], [1.5, 5], "5b", [], { ...poison, year: flushYear(-6, 230), shadeVigour: 0.9, regrowthFromLeaflessWood: "slow", sources: ["evergreen-pruning", "rhs"] }],
  ["ilex-crenata", "Ilex crenata", "Japanese holly", "dome", [0.08, 0.15, 0.25], [1, 3], [1, 2.5], "6a", [], { ...poison, year: flushYear(-8, 210) }],
  ["ilex-glabra", "Ilex glabra", "Inkberry", "dome", [0.1, 0.2, 0.35], [1, 2.4], [1, 2.4], "4b", [], { ...poison, passes: "renewal", looksWrongButNormal: ["bare legs with age: it renews from the base"] }],
  ["ilex-vomitoria", "Ilex vomitoria", "Yaupon holly", "dome", [0.15, 0.3, 0.5], [1, 5], [1, 3], "7a", [], { ...poison, frost: tender(-2, -16, 0.4) }],
  ["ilex-aquifolium", "Ilex aquifolium (and Ilex × meserveae)", "English holly|Blue holly", "cone", [0.12, 0.25, 0.4], [2, 7], [1.5, 4], "5b", [{ ...berries(warm(1200, 275), 110), weight: 0.1 }], { ...prickly, shadeVigour: 0.8, wildlife: ["berries for birds", "dense shelter: check for nests before you cut"] }],
  ["ilex-opaca", "Ilex opaca", "American holly", "cone", [0.15, 0.3, 0.45], [3, 9], [2, 5], "5b", [{ ...berries(warm(1200, 275), 110), weight: 0.1 }], { ...prickly, routineTask: "shape", outline: false, wildlife: ["berries for birds"] }],
  ["ilex-cornuta", "Ilex cornuta", "Chinese holly", "dome", [0.15, 0.3, 0.5], [1, 3.5], [1, 3.5], "7a", [{ ...berries(warm(1200, 275), 110), weight: 0.1 }], { ...prickly, frost: tender(-2, -16, 0.4) }],
  ["ligustrum-ovalifolium", "Ligustrum ovalifolium (and Ligustrum vulgare)", "Privet", "upright", [0.4, 0.7, 1], [1.5, 4], [1.2, 3], "5b", [], { ...poison, ...earlyLeaf, leastStubM: 0.15 }],
  ["ligustrum-japonicum", "Ligustrum japonicum", "Japanese privet|Wax-leaf privet", "upright", [0.3, 0.5, 0.8], [2, 4], [1.5, 3], "7b", [], { ...poison, frost: tender(-2, -14, 0.5) }],
  ["prunus-laurocerasus", "Prunus laurocerasus", "Cherry laurel", "dome", [0.3, 0.5, 0.8], [1.5, 6], [2, 5], "6b", [], { ...largeLeaf, hazards: ["toxic-clippings"], shadeVigour: 0.8, ailments: ["silver-leaf"], frost: tender(-2, -19, 0.4) }],
  ["prunus-lusitanica", "Prunus lusitanica", "Portuguese laurel", "dome", [0.2, 0.35, 0.55], [1.5, 6], [1.5, 4], "7a", [], { ...largeLeaf, hazards: ["toxic-clippings"], ailments: ["silver-leaf"], frost: tender(-2, -17, 0.4) }],
  ["prunus-caroliniana", "Prunus caroliniana", "Carolina cherry laurel", "upright", [0.4, 0.7, 1.1], [2, 8], [2, 5], "7b", [], { ...largeLeaf, hazards: ["toxic-clippings"], frost: tender(-2, -14, 0.4) }],
  ["lonicera-nitida", "Lonicera ligustrina (nitida)", "Box honeysuckle", "mound", [0.3, 0.5, 0.7], [0.8, 2], [0.8, 1.8], "7a", [], { leastStubM: 0.1, frost: tender(-2, -14, 0.5), looksWrongButNormal: ["shaggy three weeks after a trim: it needs several a year"] }],
  ["euonymus-japonicus", "Euonymus japonicus", "Japanese euonymus", "upright", [0.15, 0.3, 0.5], [1, 3], [1, 2], "7a", [], { ...poison, frost: tender(-2, -14, 0.5) }],
  ["carpinus-betulus", "Carpinus betulus", "Hornbeam", "column", [0.3, 0.5, 0.8], [1.5, 8], [1.2, 5], "4b", [], { ...leafy, ailments: ["bleeds"], looksWrongButNormal: ["brown leaves that hang on all winter"], year: leafing(0.6, 260) }],
  ["fagus-sylvatica", "Fagus sylvatica", "European beech", "column", [0.2, 0.4, 0.6], [1.5, 9], [1.2, 6], "5a", [], { ...leafy, year: leafing(0.85, 240), regrowthFromLeaflessWood: "slow", looksWrongButNormal: ["brown leaves that hang on all winter"] }],
  ["acer-campestre", "Acer campestre", "Field maple|Hedge maple", "column", [0.3, 0.5, 0.8], [1.5, 8], [1.2, 5], "4b", [], { ...leafy, ailments: ["bleeds"], year: leafing(0.6, 260) }],
  ["crataegus-monogyna", "Crataegus monogyna", "Hawthorn", "upright", [0.4, 0.6, 0.9], [1.5, 6], [1.2, 4], "5a", [{ ...springBloom(warm(60), 14, 30, 0.2), weight: 0.3 }], { ...leafy, hazards: ["thorns"], ailments: ["fire-blight"], leastStubM: 0.1, wildlife: ["dense shelter: check for nests before you cut", "berries for birds"] }],
  ["prunus-spinosa", "Prunus spinosa", "Blackthorn|Sloe", "upright", [0.3, 0.6, 0.9], [1.5, 4], [1.5, 3], "4b", [{ ...springBloom(spring(0.2), 14, 40, 0.1), weight: 0.3 }], { ...leafy, hazards: ["thorns"], ailments: ["silver-leaf"], leastStubM: 0.1, wildlife: ["early nectar", "dense shelter: check for nests before you cut"] }],
  ["griselinia-littoralis", "Griselinia littoralis", "Griselinia", "upright", [0.3, 0.5, 0.8], [1.5, 5], [1.2, 3], "8b", [], { ...largeLeaf, never: {}, routineTask: "shear", frost: tender(-2, -9, 0.6) }],
  ["pittosporum-tobira", "Pittosporum tobira", "Japanese pittosporum", "dome", [0.15, 0.3, 0.5], [1, 4], [1.2, 3.5], "8b", [{ ...springBloom(spring(0.9), 22, 40, 0.9), weight: 0.4 }], { ...largeLeaf, frost: tender(-2, -9, 0.5) }],
  ["pittosporum-tenuifolium", "Pittosporum tenuifolium", "Kohuhu", "upright", [0.3, 0.5, 0.8], [1.5, 5], [1.2, 3], "8b", [], { frost: tender(-2, -8, 0.6), regrowthFromLeaflessWood: "slow" }],
  ["laurus-nobilis", "Laurus nobilis", "Bay laurel", "cone", [0.15, 0.3, 0.5], [1.5, 6], [1, 4], "8a", [], { ...largeLeaf, frost: tender(-2, -10, 0.6) }],
  ["quercus-ilex", "Quercus ilex", "Holm oak", "dome", [0.2, 0.35, 0.5], [2, 10], [2, 7], "8a", [], { frost: tender(-2, -14, 0.5) }],
  ["podocarpus-macrophyllus", "Podocarpus macrophyllus", "Yew pine|Southern yew", "column", [0.12, 0.25, 0.4], [1.5, 6], [1, 2.5], "8a", [], { ...poison, regrowthFromLeaflessWood: "slow", frost: tender(-2, -12, 0.4), sources: ["evergreen-pruning", "practice"] }],
  ["cotoneaster-lucidus", "Cotoneaster lucidus", "Hedge cotoneaster", "upright", [0.3, 0.5, 0.7], [1.2, 2.5], [1.2, 2], "2b", [], { ...leafy, ailments: ["fire-blight"], leastStubM: 0.1 }],
  ["ribes-alpinum", "Ribes alpinum", "Alpine currant", "mound", [0.15, 0.3, 0.45], [0.9, 1.8], [0.9, 1.8], "2b", [], { ...leafy, year: deciduousYear(-6, 240), leastStubM: 0.1, shadeVigour: 0.8 }],
  ["murraya-paniculata", "Murraya paniculata", "Orange jasmine", "dome", [0.2, 0.4, 0.7], [1.5, 3.5], [1.2, 2.5], "9b", [], { frost: tender(0, -4, 0.8) }],
  ["dodonaea-viscosa", "Dodonaea viscosa", "Hop bush", "upright", [0.4, 0.7, 1.1], [2, 4], [1.5, 3], "9a", [], { frost: tender(-1, -7, 0.6) }],
  ["ligustrum-sinense", "Ligustrum sinense", "Chinese privet", "fountain", [0.5, 0.8, 1.3], [1.5, 4], [1.5, 3.5], "7a", [], { ...poison, ...earlyLeaf, leastStubM: 0.1 }],
  ["ilex-vomitoria-dwarf", "Ilex vomitoria, dwarf kinds", "Dwarf yaupon", "mound", [0.05, 0.1, 0.16], [0.6, 1.3], [0.9, 1.6], "7a", [], { ...poison, leastStubM: 0.15, frost: tender(-2, -16, 0.4) }],
  ["phillyrea-angustifolia", "Phillyrea (angustifolia, latifolia)", "Mock privet|Phillyrea", "dome", [0.15, 0.3, 0.45], [1.5, 4], [1.5, 3], "7b", [], { frost: tender(-2, -14, 0.4) }],
  ["pistacia-lentiscus", "Pistacia lentiscus", "Mastic tree|Lentisk", "dome", [0.15, 0.3, 0.45], [1, 3.5], [1.5, 3.5], "8b", [], { hazards: ["irritant-sap"], frost: tender(-2, -9, 0.6) }],
  ["rhamnus-alaternus", "Rhamnus alaternus", "Italian buckthorn", "upright", [0.3, 0.5, 0.8], [2, 4.5], [1.5, 3.5], "7b", [], { frost: tender(-2, -12, 0.5) }],
  ["atriplex-halimus", "Atriplex halimus", "Tree purslane|Saltbush", "dome", [0.4, 0.7, 1.1], [1.2, 2.2], [1.5, 2.5], "8a", [], { frost: tender(-2, -9, 0.6), leastStubM: 0.15 }],
  ["teucrium-fruticans", "Teucrium fruticans", "Shrubby germander", "dome", [0.3, 0.5, 0.8], [0.9, 1.8], [1, 2], "8a", [{ ...springBloom(spring(0.6), 60, 50, 0.5), weight: 0.3 }], { frost: tender(-2, -9, 0.6), leastStubM: 0.15 }],
  ["corokia-cotoneaster", "Corokia (cotoneaster, × virgata)", "Wire-netting bush", "dome", [0.15, 0.3, 0.5], [1.2, 2.5], [1.2, 2], "8b", [], { frost: tender(-2, -9, 0.5) }],
  ["pittosporum-tobira-dwarf", "Pittosporum tobira, dwarf kinds", "Dwarf pittosporum", "mound", [0.06, 0.12, 0.2], [0.5, 1], [0.8, 1.5], "8b", [], { ...largeLeaf, frost: tender(-2, -9, 0.5) }],
]);

const conifer: Base = { ...hedge, group: "conifer", year: flushYear(-6, 230), regrowthFromLeaflessWood: "no", leastStubM: null, regimes: ["upkeep"], never: { "hard-cutback": "bare-wood-stays-bare" }, shadeVigour: 0.5, looksWrongButNormal: ["inner leaves brown and drop in autumn"], blade: "Inside the green, cuts at different depths hidden under the next shoot; never into bare wood.", sources: ["evergreen-pruning", "late-cuts"] };
/** Shaped shoot by shoot inside the green, once the early flush is out. */
const single = { routineTask: "shape", year: flushYear(-20, 150) } satisfies Partial<Base>;
/** Needle conifers: a headed shoot does not answer once it is hard. */
const needled = { outline: false, routineTask: "shape", never: { "hard-cutback": "bare-wood-stays-bare", shear: "needles-cut-brown" }, shadeVigour: 0.3 } satisfies Partial<Base>;
const pine = { ...needled, headOnlyWhileSoft: true, year: flushYear(-10, 320), cleanOut: "autumn: dead twigs come away easily", looksWrongButNormal: ["bare stretches where the male cones fell", "inner needles shed in autumn"], blade: "Shorten the soft candle by about half with finger and thumb; older wood back to a side branch." } satisfies Partial<Base>;
const spruce = { ...needled, headOnlyWhileSoft: true, sideBuds: true, never: { "hard-cutback": "bare-wood-stays-bare" }, year: flushYear(-4, 290), looksWrongButNormal: ["inner needles shed"], blade: "To a side bud or a side branch while the new growth is still soft; a second leader out in good time." } satisfies Partial<Base>;
const juniper = { ...single, hazards: ["irritant-sap"], cleanOut: "spring: dead twigs pull off most easily", looksWrongButNormal: ["browned tips after a dry, windy winter"], blade: "Longest shoots, one by one, to a side shoot that hides the cut; never into bare wood." } satisfies Partial<Base>;
const reshoots = { regrowthFromLeaflessWood: "slow", leastStubM: 0.4, regimes: ["upkeep", "renewal"], never: {} } satisfies Partial<Base>;

export const CONIFERS = kinds(conifer, [
  ["thuja-plicata", "Thuja plicata", "Western red cedar", "cone", [0.3, 0.5, 0.9], [2, 15], [1.5, 5], "5a", [], { regrowthFromLeaflessWood: "no" }],
  ["platycladus-orientalis", "Platycladus orientalis", "Oriental arborvitae", "cone", [0.1, 0.25, 0.4], [1, 5], [0.8, 3], "6a", []],
  ["chamaecyparis-obtusa", "Chamaecyparis obtusa", "Hinoki cypress", "cone", [0.05, 0.15, 0.3], [1, 8], [1, 4], "5a", [], { ...single, looksWrongButNormal: ["inner fans brown and drop in autumn"] }],
  ["chamaecyparis-pisifera", "Chamaecyparis pisifera", "Sawara cypress", "mound", [0.08, 0.2, 0.4], [0.8, 8], [1, 4], "4b", [], single],
  ["chamaecyparis-lawsoniana", "Chamaecyparis lawsoniana", "Lawson cypress", "cone", [0.2, 0.4, 0.7], [2, 12], [1.2, 4], "6a", []],
  ["cupressus-leylandii", "Cupressus × leylandii", "Leyland cypress", "column", [0.5, 0.9, 1.3], [2, 18], [1.5, 5], "6b", [], { frost: tender(-2, -20, 0.4), looksWrongButNormal: ["a brown patch that never greens: aphids or a cut too deep"] }],
  ["cupressus-sempervirens", "Cupressus sempervirens", "Italian cypress", "column", [0.3, 0.5, 0.9], [3, 15], [0.8, 2], "7b", [], { frost: tender(-2, -15, 0.4) }],
  ["juniperus-chinensis", "Juniperus chinensis (and Juniperus × pfitzeriana)", "Chinese juniper", "vase", [0.1, 0.25, 0.4], [0.8, 4], [1.5, 4], "4a", [], juniper],
  ["juniperus-horizontalis", "Juniperus horizontalis (and low kinds)", "Creeping juniper", "mound", [0.1, 0.2, 0.35], [0.2, 0.6], [1.5, 3], "3a", [], juniper],
  ["juniperus-communis", "Juniperus communis", "Common juniper", "column", [0.08, 0.15, 0.3], [1, 4], [0.6, 2.5], "3a", [], juniper],
  ["juniperus-squamata", "Juniperus squamata", "Flaky juniper", "mound", [0.06, 0.12, 0.25], [0.4, 1.5], [0.8, 2.5], "4a", [], juniper],
  ["juniperus-virginiana", "Juniperus virginiana (and Juniperus scopulorum)", "Eastern redcedar|Rocky Mountain juniper", "cone", [0.15, 0.3, 0.5], [2, 10], [1, 4], "3a", [], { ...juniper, wildlife: ["berries for birds", "dense shelter: check for nests before you cut"] }],
  ["microbiota-decussata", "Microbiota decussata", "Russian arborvitae", "mound", [0.06, 0.12, 0.25], [0.25, 0.5], [1.2, 3], "3a", [], { ...single, looksWrongButNormal: ["bronze-brown all winter"] }],
  ["picea-abies", "Picea abies", "Norway spruce", "cone", [0.1, 0.35, 0.6], [1, 15], [1.2, 7], "3a", [], spruce],
  ["picea-glauca", "Picea glauca", "White spruce", "cone", [0.04, 0.25, 0.45], [1, 12], [0.8, 5], "2b", [], { ...spruce, looksWrongButNormal: ["a faster, coarser shoot on a dwarf: it reverts, out at its origin", "inner needles shed"] }],
  ["picea-pungens", "Picea pungens", "Colorado spruce|Blue spruce", "cone", [0.08, 0.25, 0.4], [1, 14], [1, 6], "3a", [], spruce],
  ["abies-balsamea", "Abies (balsamea, koreana and others)", "Fir", "cone", [0.06, 0.25, 0.45], [1, 14], [1, 6], "4a", [], spruce],
  ["pseudotsuga-menziesii", "Pseudotsuga menziesii", "Douglas fir", "cone", [0.25, 0.45, 0.8], [3, 20], [2, 7], "4b", [], spruce],
  ["tsuga-canadensis", "Tsuga canadensis", "Canada hemlock|Eastern hemlock", "cone", [0.15, 0.3, 0.5], [1.5, 12], [1.2, 6], "4a", [], { ...reshoots, shadeVigour: 0.9, blade: "Along a soft outline or shoot by shoot; it fills from within, slowly.", looksWrongButNormal: ["inner needles shed"] }],
  ["pinus-sylvestris", "Pinus sylvestris", "Scots pine", "cone", [0.15, 0.4, 0.6], [1, 14], [1, 7], "3a", [], pine],
  ["pinus-strobus", "Pinus strobus", "Eastern white pine", "cone", [0.1, 0.5, 0.8], [1, 15], [1, 8], "3b", [], pine],
  ["pinus-thunbergii", "Pinus thunbergii", "Japanese black pine", "cone", [0.15, 0.35, 0.6], [1.5, 8], [1.5, 6], "6a", [], { ...pine, frost: tender(-3, -26, 0.3, false) }],
  ["pinus-densiflora", "Pinus densiflora (and Pinus parviflora)", "Japanese red pine", "dome", [0.1, 0.25, 0.5], [1, 8], [1.2, 6], "5a", [], pine],
  ["pinus-nigra", "Pinus nigra", "Austrian pine", "cone", [0.15, 0.4, 0.6], [2, 14], [1.5, 8], "4a", [], pine],
  ["cedrus-deodara", "Cedrus deodara", "Deodar cedar", "cone", [0.25, 0.5, 0.9], [3, 18], [2, 9], "7a", [], { ...needled, headOnlyWhileSoft: true, sideBuds: true, looksWrongButNormal: ["needles shed in spring"] }],
  ["cryptomeria-japonica", "Cryptomeria japonica", "Japanese cedar", "cone", [0.1, 0.4, 0.7], [1, 14], [1, 5], "6a", [], { ...reshoots, outline: false, routineTask: "shape", looksWrongButNormal: ["bronze foliage in winter"] }],
  ["cephalotaxus-harringtonia", "Cephalotaxus harringtonia", "Plum yew", "mound", [0.08, 0.15, 0.25], [0.8, 3], [1, 3], "6b", [], { ...reshoots, hazards: ["toxic-clippings"], shadeVigour: 0.9 }],
  ["sequoia-sempervirens", "Sequoia sempervirens", "Coast redwood", "cone", [0.4, 0.8, 1.3], [3, 25], [2, 8], "8a", [], { ...reshoots, regrowthFromLeaflessWood: "yes", outline: false, routineTask: "shape", frost: tender(-2, -14, 0.4) }],
  ["larix-decidua", "Larix (decidua, kaempferi)", "Larch", "cone", [0.2, 0.5, 0.8], [1.5, 15], [1.5, 7], "3b", [], { ...needled, leaf: "deciduous", year: deciduousYear(0), inLeafCost: 0.2, looksWrongButNormal: ["bare in winter: it is a conifer that sheds its needles"], blade: branch }],
  ["metasequoia-glyptostroboides", "Metasequoia glyptostroboides (and Taxodium)", "Dawn redwood|Bald cypress", "cone", [0.4, 0.8, 1.2], [4, 20], [2, 7], "5a", [], { ...reshoots, outline: false, routineTask: "shape", leaf: "deciduous", year: deciduousYear(10), inLeafCost: 0.2, frost: hardy, looksWrongButNormal: ["bare in winter: it is a conifer that sheds its needles"] }],
  ["thuja-occidentalis-globe", "Thuja occidentalis, globe and dwarf kinds", "Globe arborvitae", "mound", [0.04, 0.08, 0.14], [0.6, 1.5], [0.6, 1.5], "3a", []],
  ["picea-glauca-dwarf", "Picea glauca, dwarf cone kinds", "Dwarf white spruce", "cone", [0.04, 0.08, 0.13], [1, 3], [0.6, 1.5], "3a", [], { ...spruce, looksWrongButNormal: ["one coarse fast branch: it goes back to the wild kind, off at its origin"] }],
  ["juniperus-procumbens", "Juniperus procumbens (and conferta)", "Japanese garden juniper|Shore juniper", "mound", [0.1, 0.2, 0.35], [0.2, 0.6], [1.5, 3], "5a", [], juniper],
]);
