/** More shrubs that flower on the new wood of the year, or that are grown for young stems and leaf. */
import { notUntil, leafing, berries, bud, deciduousYear, flushYear, kinds, oldBloom, shortBloom, shrub, springBloom, summerBloom, spring, tender, warm, type Base } from "../parts.ts";

const base: Base = { ...shrub, group: "summer-shrub", floweringWood: "new", year: deciduousYear(6), leastStubM: 0.15, regimes: ["upkeep", "cutback", "renewal"], routineTask: "shape", passes: "cutback", blade: bud, sources: ["shrub-calendar", "practice"] };
/** Builds a branched frame that is kept: shaped, thinned, not cut to the ground. */
const frame = { regimes: ["upkeep", "renewal"], passes: "shaping", leastStubM: 0.3 } satisfies Partial<Base>;
const low = { routineTask: "hard-cutback" } satisfies Partial<Base>;
const bees = { wildlife: ["bees and butterflies in summer"] };

export const MORE_SUMMER_SHRUBS = kinds(base, [
  ["caryopteris-clandonensis", "Caryopteris × clandonensis", "Bluebeard|Blue mist shrub", "mound", [0.4, 0.6, 0.8], [0.6, 1.2], [0.6, 1.2], "5b", [notUntil(195, summerBloom(850, 13, "weeks"))], { ...low, ...bees, leastStubM: 0.15, frost: tender(-2, -14, 0.7), year: deciduousYear(16), looksWrongButNormal: ["grey and leafless far into spring"], blade: "15–30 cm from the ground as the buds swell, above live ones; not into the oldest leafless stumps." }],
  ["hibiscus-syriacus", "Hibiscus syriacus", "Rose of Sharon", "upright", [0.3, 0.5, 0.8], [2, 3.5], [1.5, 2.5], "5b", [notUntil(140, summerBloom(618, 14))], { ...frame, year: deciduousYear(26), sources: ["shrub-calendar", "bloom-order"], looksWrongButNormal: ["no leaf until well after the lilac"], blade: "Side shoots to two or three buds for larger flowers; or leave it." }],
  ["lagerstroemia-indica", "Lagerstroemia indica", "Crape myrtle", "tree", [0.4, 0.8, 1.2], [2, 7], [2, 5], "7a", [notUntil(148, summerBloom(560, 16))], { ...frame, frost: tender(-2, -15, 0.8), year: deciduousYear(26), looksWrongButNormal: ["no leaf until late spring", "bark that peels and shows patches"], blade: "Crossing twigs and seed heads only; the frame stays. Topped trunks make knobs and weak whips.", hazards: [] }],
  [
    "callicarpa-americana",
    "Callicarpa (americana, dichotoma and others)",
    "Beautyberry",
    "fountain",
    [0.6, 0.9, 1.3],
    [1.2, 2.4],
    [1.2, 2.4],
    "6a",
    [
      { ...shortBloom(480, 30), weight: 0.4 },
      { ...berries(warm(1150, 235), 80), weight: 0.8 },
    ],
    { ...low, frost: tender(-2, -18, 0.7), year: deciduousYear(16), wildlife: ["berries for birds"], looksWrongButNormal: ["tops dead after a cold winter"], blade: "15–30 cm from the ground in late winter; or a third of the stems at the base." },
  ],
  ["clethra-alnifolia", "Clethra alnifolia", "Summersweet", "upright", [0.2, 0.35, 0.6], [1.2, 2.5], [1.2, 2], "4a", [shortBloom(700, 35)], { ...frame, ...bees, shadeVigour: 0.8, passes: "renewal", year: deciduousYear(18), looksWrongButNormal: ["late leaf", "suckers that widen the clump"] }],
  [
    "symphoricarpos-albus",
    "Symphoricarpos albus",
    "Snowberry",
    "mound",
    [0.4, 0.6, 0.9],
    [0.9, 1.8],
    [0.9, 2],
    "3a",
    [
      { ...shortBloom(250, 60), weight: 0.3 },
      { ...berries(warm(900, 225), 130), weight: 0.6 },
    ],
    { hazards: ["toxic-clippings"], passes: "renewal", shadeVigour: 0.9, wildlife: ["berries for birds", "bees"], leastStubM: 0.1 },
  ],
  [
    "symphoricarpos-orbiculatus",
    "Symphoricarpos orbiculatus",
    "Coralberry",
    "fountain",
    [0.4, 0.6, 0.9],
    [0.9, 1.5],
    [1, 2],
    "3a",
    [
      { ...shortBloom(450, 40), weight: 0.3 },
      { ...berries(warm(1000, 243), 130), weight: 0.7 },
    ],
    { ...low, wildlife: ["berries for birds"], leastStubM: 0.1, blade: "10–20 cm from the ground, once the berries are gone." },
  ],
  ["abelia-grandiflora", "Abelia × grandiflora", "Glossy abelia", "fountain", [0.4, 0.7, 1], [1.2, 2.2], [1.2, 2.2], "6a", [summerBloom(420, 12)], { leaf: "semi-evergreen", ...bees, passes: "renewal", frost: tender(-2, -17, 0.6), regimes: ["upkeep", "cutback", "renewal"], looksWrongButNormal: ["long whips above the rest: cut them at their origin", "leaves lost in a cold winter"] }],
  ["potentilla-fruticosa", "Dasiphora fruticosa (Potentilla)", "Shrubby cinquefoil|Potentilla", "mound", [0.15, 0.3, 0.4], [0.6, 1.2], [0.8, 1.2], "3a", [summerBloom(120, 12)], { passes: "renewal", leastStubM: 0.1, ...bees, blade: "A third of the oldest stems at the base; or all of it at a hand's height when it has grown twiggy." }],
  ["diervilla-sessilifolia", "Diervilla (lonicera, sessilifolia)", "Bush honeysuckle", "mound", [0.4, 0.6, 0.8], [0.8, 1.5], [1, 1.8], "4a", [shortBloom(250, 45)], { ...low, ...bees, shadeVigour: 0.8, leastStubM: 0.1 }],
  ["lespedeza-thunbergii", "Lespedeza thunbergii", "Bush clover", "fountain", [1, 1.4, 1.8], [1, 1.8], [1.5, 2.5], "5b", [notUntil(205, summerBloom(1200, 13))], { ...low, ...bees, leastStubM: 0.05, frost: tender(-2, -12, 1, false), year: deciduousYear(22), looksWrongButNormal: ["dead to the ground every winter"], blade: "To the ground in late winter." }],
  ["indigofera-heterantha", "Indigofera heterantha", "Himalayan indigo", "fountain", [0.6, 1, 1.4], [1.5, 2.5], [1.5, 2.5], "6b", [summerBloom(420, 14)], { ...low, ...bees, year: deciduousYear(26), frost: tender(-2, -13, 0.8), looksWrongButNormal: ["no leaf until early summer"] }],
  ["ceanothus-deciduous", "Ceanothus, deciduous kinds", "Deciduous ceanothus", "upright", [0.5, 0.8, 1.1], [1.2, 2], [1.2, 2], "7a", [summerBloom(420, 14)], { ...low, ...bees, frost: tender(-2, -14, 0.7), leastStubM: 0.3, blade: "Last year's shoots to a hand's width from the frame as growth starts." }],
  ["fuchsia-magellanica", "Fuchsia magellanica", "Hardy fuchsia", "fountain", [0.6, 0.9, 1.3], [1, 2.2], [0.9, 1.8], "7a", [summerBloom(380, 11)], { ...low, frost: tender(-1, -8, 1), year: deciduousYear(18), leastStubM: 0.05, shadeVigour: 0.8, looksWrongButNormal: ["dead to the ground after a cold winter: it comes again from the base"], blade: "When growth shows: down to it." }],
  ["vitex-agnus-castus", "Vitex agnus-castus", "Chaste tree", "vase", [0.6, 1, 1.5], [2, 5], [2, 4], "7a", [summerBloom(520, 17)], { ...low, ...bees, leastStubM: 0.3, frost: tender(-2, -15, 0.8), year: deciduousYear(28), looksWrongButNormal: ["no leaf until late spring"] }],
  ["sorbaria-sorbifolia", "Sorbaria sorbifolia", "False spirea", "upright", [0.6, 1, 1.4], [1.5, 2.5], [1.8, 3], "2b", [shortBloom(280, 30)], { ...low, leastStubM: 0.1, looksWrongButNormal: ["leaves that open in frost", "suckers far from the clump"] }],
  ["spiraea-douglasii", "Spiraea douglasii (and Spiraea × billardii)", "Hardhack|Billard spirea", "upright", [0.5, 0.8, 1.1], [1.2, 2], [1.2, 2.5], "4a", [shortBloom(330, 45)], { ...low, leastStubM: 0.1, ...bees }],
  ["spiraea-betulifolia", "Spiraea betulifolia", "Birchleaf spirea", "mound", [0.2, 0.3, 0.45], [0.6, 1], [0.6, 1], "4a", [shortBloom(150, 25)], { leastStubM: 0.1 }],
  ["cephalanthus-occidentalis", "Cephalanthus occidentalis", "Buttonbush", "dome", [0.5, 0.8, 1.2], [1.5, 3], [1.5, 3], "4b", [shortBloom(560, 35)], { ...bees, year: deciduousYear(28), passes: "renewal", hazards: ["toxic-clippings"], looksWrongButNormal: ["one of the last to leaf out"] }],
  ["leycesteria-formosa", "Leycesteria formosa", "Himalayan honeysuckle", "fountain", [0.8, 1.2, 1.6], [1.2, 2.2], [1.2, 2], "7a", [summerBloom(520, 13)], { stooled: true, ...low, leastStubM: 0.1, frost: tender(-2, -12, 0.8), wildlife: ["berries for birds"] }],
  ["clerodendrum-trichotomum", "Clerodendrum trichotomum", "Harlequin glorybower", "tree", [0.4, 0.7, 1.1], [2.5, 5], [2.5, 4.5], "6b", [notUntil(190, shortBloom(850, 40))], { ...frame, year: deciduousYear(26), looksWrongButNormal: ["suckers round the foot", "late leaf"] }],
  ["amorpha-fruticosa", "Amorpha fruticosa", "False indigo", "upright", [0.6, 1, 1.4], [2, 4], [2, 3.5], "4a", [shortBloom(250, 25)], { ...low, year: deciduousYear(20) }],
  ["aesculus-parviflora", "Aesculus parviflora", "Bottlebrush buckeye", "mound", [0.2, 0.35, 0.5], [2, 3.5], [3, 5], "4b", [shortBloom(513, 25)], { ...frame, passes: "renewal", shadeVigour: 0.9, hazards: ["toxic-clippings"], sources: ["practice", "bloom-order"], looksWrongButNormal: ["suckers that widen the clump"] }],
  ["tamarix-ramosissima", "Tamarix ramosissima", "Summer tamarisk|Salt cedar", "fountain", [0.7, 1.1, 1.6], [2.5, 5], [2.5, 4], "3a", [summerBloom(420, 15)], { ...low, leastStubM: 0.3 }],
  ["sambucus-canadensis", "Sambucus canadensis (and Sambucus nigra)", "Elder|Elderberry|American elder", "upright", [0.9, 1.4, 2], [2, 4], [2, 3.5], "4a", [shortBloom(314, 25), { ...berries(warm(900, 205), 40), weight: 0.3 }], { stooled: true, passes: "renewal", hazards: ["toxic-clippings"], wildlife: ["berries for birds"], sources: ["shrub-renewal", "bloom-order"], leastStubM: 0.15 }],
  ["cotinus-coggygria", "Cotinus coggygria", "Smokebush", "dome", [0.5, 0.9, 1.4], [2.5, 4.5], [2.5, 4.5], "5a", [{ ...oldBloom("smoke", warm(148), 45, [214, 264], 0.95) }], { stooled: true, floweringWood: "old", regimes: ["upkeep", "renewal"], passes: "shaping", leastStubM: 0.3, hazards: ["irritant-sap"], year: leafing(0.8), sources: ["practice", "bloom-order"], blade: "For smoke: little, a few shoots at their origin. For large coloured leaves: low each spring, and no smoke that year." }],
  ["rhus-typhina", "Rhus typhina (and Rhus aromatica)", "Sumac", "vase", [0.4, 0.7, 1.1], [1, 5], [1.5, 4], "4a", [{ ...shortBloom(250, 25), weight: 0.4 }], { stooled: true, passes: "renewal", hazards: ["irritant-sap"], leastStubM: 0.1, looksWrongButNormal: ["suckers a long way off"] }],
  [
    "ilex-verticillata",
    "Ilex verticillata",
    "Winterberry",
    "dome",
    [0.2, 0.35, 0.5],
    [1.5, 3],
    [1.5, 3],
    "3b",
    [
      { ...springBloom(warm(220), 16, 40, 0.2), weight: 0.2 },
      { ...berries(warm(1150, 250), 110), weight: 0.6 },
    ],
    { floweringWood: "old", group: "spring-shrub", regimes: ["upkeep", "renewal"], passes: "renewal", hazards: ["toxic-clippings"], wildlife: ["berries for birds"], looksWrongButNormal: ["no berries without a male plant near"] },
  ],
  ["myrica-pensylvanica", "Morella pensylvanica (and Morella cerifera)", "Bayberry|Wax myrtle", "dome", [0.3, 0.5, 0.8], [1.5, 4], [1.5, 3], "4a", [], { floweringWood: "foliage", leaf: "semi-evergreen", ...frame, passes: "renewal", wildlife: ["waxy berries for birds"] }],
  ["hypericum-calycinum", "Hypericum calycinum", "Aaron's beard|Creeping St John's wort", "mound", [0.2, 0.3, 0.4], [0.3, 0.5], [0.6, 1.5], "6a", [shortBloom(300, 60)], { ...low, leaf: "semi-evergreen", leastStubM: 0.05 }],
  ["hypericum-frondosum", "Hypericum frondosum (and Hypericum prolificum)", "Golden St John's wort", "mound", [0.2, 0.35, 0.5], [0.8, 1.4], [0.8, 1.4], "5a", [shortBloom(330, 45)], { ...bees, leastStubM: 0.1, passes: "renewal" }],
  ["phygelius-aequalis", "Phygelius", "Cape fuchsia", "upright", [0.6, 0.9, 1.2], [0.8, 1.4], [0.8, 1.5], "7b", [summerBloom(250, 12)], { ...low, leaf: "semi-evergreen", frost: tender(-2, -9, 0.9), leastStubM: 0.05 }],
  ["rubus-odoratus", "Rubus odoratus", "Flowering raspberry", "upright", [0.8, 1.2, 1.6], [1, 2], [1.5, 3], "3b", [shortBloom(220, 60)], { passes: "renewal", leastStubM: 0.05, looksWrongButNormal: ["canes that flower and die: out at the ground"] }],
  ["punica-granatum", "Punica granatum", "Pomegranate", "vase", [0.3, 0.6, 0.9], [1.5, 4.5], [1.5, 3.5], "7b", [shortBloom(220, 70)], { ...frame, frost: tender(-2, -13, 0.6), year: deciduousYear(18), hazards: ["thorns"], blade: "Suckers and crossing wood in late winter; flowers come on short twigs of the frame." }],
  ["malva-olbia", "Malva (Lavatera) olbia and shrubby kin", "Tree mallow", "fountain", [0.9, 1.4, 2], [1.5, 2.5], [1.5, 2.5], "7b", [summerBloom(250, 13)], { ...low, ...bees, frost: tender(-2, -10, 0.9), year: deciduousYear(6), blade: "To 30–60 cm in spring, above the lowest live buds; short-lived, keep a young one ready." }],
  ["olearia-haastii", "Olearia (× haastii, macrodonta)", "Daisy bush", "dome", [0.2, 0.35, 0.5], [1.2, 3], [1.2, 3], "8a", [shortBloom(330, 35)], { ...frame, leaf: "evergreen", year: flushYear(-8, 240), frost: tender(-2, -11, 0.5), blade: "After bloom to within last year's growth, or in spring harder: old wood answers." }],
  ["bupleurum-fruticosum", "Bupleurum fruticosum", "Shrubby hare's ear", "mound", [0.3, 0.5, 0.8], [1.2, 2], [1.5, 2.5], "7b", [shortBloom(380, 50)], { ...frame, leaf: "evergreen", year: flushYear(-8, 240), frost: tender(-2, -12, 0.5), ...bees }],
  ["rosa-chinensis-bush", "Rosa, China and tea kinds", "China rose|Tea rose", "fountain", [0.4, 0.7, 1], [0.9, 1.8], [0.9, 1.6], "7b", [{ ...summerBloom(120, 10), name: "roses in flushes", flushes: true }], { ...frame, group: "rose", hazards: ["thorns"], frost: tender(-2, -11, 0.7), year: deciduousYear(-10, 240), cleanOut: "late winter: brown pith means dead, cut to white", blade: "Little: the oldest cane, twigs and spent flowers; they sulk when cut hard." }],
]);

const stems = { ...base, group: "stem-colour", floweringWood: "foliage", routineTask: "hard-cutback", passes: "renewal", leastStubM: 0.1, sources: ["shrub-calendar", "shrub-renewal"] } satisfies Base;
const colour = { name: "coloured winter stems", on: "new", weight: 1, opens: { rule: "cooling", meanC: 7 }, ends: spring(0, 365 - 21), budsBegin: null, budsSet: null, atTips: 1, spent: "not-done" } as const;
const leafColour = { ...colour, name: "coloured leaf", opens: spring(0.5), ends: { rule: "cooling", meanC: 10 } } as const;
const blade = "Oldest, dullest stems at the base; or all of them to a hand's height above the ground.";

export const STEM_AND_LEAF = kinds(stems, [
  ["cornus-alba", "Cornus alba", "Tatarian dogwood|Red-barked dogwood", "vase", [0.7, 1.1, 1.6], [1.5, 2.5], [1.8, 3], "3a", [colour], { blade, wildlife: ["berries for birds"] }],
  ["cornus-sanguinea", "Cornus sanguinea", "Bloodtwig dogwood", "vase", [0.5, 0.8, 1.2], [1.5, 2.5], [1.5, 2.5], "4b", [colour], { blade }],
  ["salix-alba-stems", "Salix alba, coloured-stem forms", "Golden willow|Coral-bark willow", "upright", [1.2, 1.8, 2.5], [1.8, 6], [1.5, 4], "3a", [colour], { blade: "All shoots to the knuckle or to a hand's height, every year or every second.", leastStubM: 0.05 }],
  ["salix-purpurea", "Salix purpurea", "Purple osier|Arctic willow", "fountain", [0.8, 1.2, 1.8], [1.5, 3], [1.5, 3], "3a", [{ ...colour, weight: 0.5 }], { blade, leastStubM: 0.05 }],
  ["salix-integra", "Salix integra", "Dappled willow", "fountain", [0.8, 1.2, 1.6], [1.2, 2.5], [1.2, 2.5], "4b", [{ ...leafColour, name: "dappled new leaf" }], { leastStubM: 0.1, blade: "Low in late winter; tipped again in early summer the pink comes twice." }],
  ["rubus-cockburnianus", "Rubus cockburnianus (and Rubus thibetanus)", "White-stemmed bramble|Ghost bramble", "fountain", [1.2, 1.8, 2.5], [1.5, 2.5], [2, 3], "5b", [colour], { hazards: ["thorns"], blade: "All canes to the ground in late winter.", leastStubM: 0.03 }],
  ["acer-negundo", "Acer negundo, coloured forms", "Box elder", "vase", [0.9, 1.4, 2], [2, 8], [2, 6], "3a", [leafColour], { ailments: ["bleeds"], regimes: ["upkeep", "cutback", "renewal"], leastStubM: 0.3, blade: "To the knuckle of the frame while it sleeps; green shoots on a coloured plant out at their origin." }],
  ["eucalyptus-gunnii", "Eucalyptus gunnii", "Cider gum", "upright", [1, 1.6, 2.4], [2, 12], [1.5, 6], "8a", [leafColour], { leaf: "evergreen", frost: tender(-3, -12, 0.8), leastStubM: 0.3, inLeafCost: 0, blade: "To 30–60 cm in early spring for round young leaves; a bark frame damaged by frost to live wood." }],
]);
