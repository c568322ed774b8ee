/** One text per reason; a missing one does not compile. Short, second person, says why. */
import type { LeafyCut, ReasonCode, ReasonValues, Reason } from "../advice/index.ts";
import type { Danger } from "../model/index.ts";
import type { Voice } from "./voice.ts";

type Texts = { readonly [C in ReasonCode]: (v: ReasonValues[C], say: Voice) => string };

const chance = (say: Voice, risk: number): string => `about ${say.percent(Math.round(risk * 20) / 20)}`;

/** Where to cut to once new growth has shown where the plant lives. */
const CUT_BACK_TO: Readonly<Record<string, string>> = {
  base: "It grows from the base: the dead tops come off down to the new shoots.",
  "old-stems": "It grows from old stems: cut each back to its first good live pair of buds.",
  tips: "It grows near the tips: only what is dead above the first live buds comes off.",
  unsaid: "New growth shows where it lives: cut back to the first good live pair of buds on each stem.",
};
const SUPPORT_FIRST: Readonly<Record<string, string>> = {
  "broken-ties": "Ties are broken: tie it in before you shorten anything.",
  trapped: "A stem is trapped behind a wire: free it first, or plan to lose it.",
  rubbing: "It rubs on its support: pad or move the tie first.",
};

/** Weather that nobody observed says so wherever it decides anything. */
const byStation = (simulated: boolean): string => (simulated ? " (The simulated station says so: look outside.)" : "");

const WILDLIFE_TEXTS: Readonly<Record<string, string>> = {
  berries: "Its berries or hips feed birds now.",
  seed: "Its seed heads feed birds now.",
  stems: "Insects winter in its stems: leave what you cut on the ground until spring.",
  nests: "Birds are nesting: look into it first. In many places disturbing a nest is an offence; local law decides.",
  nectar: "Its flowers feed insects now.",
};

/** What is to be looked for where the place is known too roughly for a date. */
const LOOK_FIRST: Readonly<Record<string, string>> = {
  "bloom-over": "Look whether its flowers are over, and say so",
  "flush-hard": "Feel whether its new shoots are hard, and say so",
  candles: "Look whether its candles are out, and say so",
};

/** What a cut in full leaf takes with the leaves, and when it is better done. */
const IN_FULL_LEAF: Readonly<Record<LeafyCut, string>> = {
  flush:
    "Its spring flush is made: a hard cut throws it away, and what answers has less of the season. Better as winter ends.",
  all: "In full leaf a hard cut draws on its reserves. Better while it sleeps.",
  "old-stems": "Old stems taken out in full leaf take a summer’s work with them. Better while it sleeps.",
  "after-bloom": "Old stems taken out in full leaf take a summer’s work with them. Better soon after bloom.",
};

const CALL = "This is work for a licensed arborist.";
/** What was seen of danger, and why it stops the work. */
const DANGERS: Readonly<Record<Danger, string>> = {
  "hung-limb": `A limb hangs loose in it and can fall at a touch. Keep people away. ${CALL}`,
  "broken-limb":
    "A limb is broken: it comes off first, from the ground, back to sound wood. Stand where it cannot fall.",
  "split-limb": `A limb or fork is split: it can give way while you work. ${CALL}`,
  "dead-over-path": "Dead wood stands over a path or seat: it comes off first. Close the way while you work.",
  "dead-over-roof": `A dead limb over a roof has to be lowered, not dropped. ${CALL}`,
  "bird-nest": "Birds nest in it.",
  "insect-nest":
    "Bees, wasps or hornets nest in it: a shaken plant brings them out. Call a beekeeper or a pest controller first.",
  "over-glass": `What falls here falls on glass. ${CALL}`,
  "over-roof": `What falls here falls on a roof. ${CALL}`,
  "over-road": `What falls here falls on a road: closing it is for those who may. ${CALL}`,
  "over-water": `A ladder does not stand at the water's edge, and what falls in is lost. ${CALL}`,
  protected:
    "It is a protected tree: in many places any cut needs leave. Ask the local authority first; local law decides.",
  neighbours:
    "It is a neighbour’s: what may be cut, how far and who pays is local law. Talk to them first, and cut nothing on their ground.",
};

const TEXTS: Texts = {
  danger: (v) => DANGERS[v.danger],
  "danger-first": (v) => DANGERS[v.danger],
  "law-first": (v) => DANGERS[v.danger],
  "bird-nest": (v, say) =>
    `Birds nest in it: ${v.flown ? `the young should have flown, about ${say.date(v.expected)}. Look whether the nest is empty, and say so` : `wait until the young have flown, about ${say.date(v.expected)}`}. In many places disturbing a nest is an offence; local law decides.`,
  "out-of-reach": (v, say) =>
    `This is done about ${say.length(v.heightM)} above the ground, and from ${say.length(v.limitM)} up no ladder's safe step is enough for it. ${CALL}`,
  "high-over": (v, say) =>
    `About ${say.length(v.heightM)} up, above what is reached from the ground. ${DANGERS[v.danger]}`,
  "from-a-step": (v, say) =>
    `This is done about ${say.length(v.heightM)} above the ground: long handles, or a tripod ladder on firm ground, both hands free, no saw overhead and somebody within call.`,
  topping: (v) =>
    v.conifer
      ? `Topping ${v.taxon} leaves a hole and rival leaders that break out later. Shorten single branches back to a side branch instead.`
      : `Topping ${v.taxon} on its trunk leaves stubs that rot and a broom of weakly held shoots. Thin it: whole branches back to their origin.`,
  "head-not-felled": () =>
    "It is grafted as a head on a stem: cut to the ground, what comes back is the stock. Shorten the head's shoots, never the stem.",
  "below-graft": () =>
    "What shoots below the graft belongs to the stock and takes over: tear or cut it off at its origin, on any day.",
  "lifted-lately": (v, say) =>
    `Its skirt was lifted on ${say.date(v.on)}: the next step waits until ${say.date(v.until)}, so that the trunk can thicken.`,
  "dead-not-told": (v, say) =>
    v.expected === null
      ? "What is dead cannot be told from what only sleeps: mark what looks dead, and take it when growth shows."
      : `It sleeps, and what is dead cannot be told from what will wake: mark what looks dead, and take it when growth shows, about ${say.date(v.expected)}. Brown under the bark down to the base, or brittle: that may go.`,
  "dead-maybe": () =>
    "It is bare: take only what is surely dead, brittle or brown under the bark, and mark the rest until leaves show.",
  "dead-tops-off": () =>
    "It grows from the base only and the rest is brown: the dead tops come off now, down to the new growth.",
  "loss-accepted": (v, say) =>
    `Takes about ${say.percent(v.loss)} of the ${v.display}: given up for what you want (${v.goal.toLowerCase()}).`,
  bleeds: (v, say) =>
    `It bleeds sap when cut now, from late winter until its leaves are out, about ${say.date(v.until)}. That does it little harm, and nothing stops it.`,
  "silver-leaf": (v, say) =>
    `Silver leaf and canker enter wet wounds of cherries, plums and laurels in the cold months: cut in dry weather of summer, from about ${say.date(v.until)}.`,
  "fire-blight": () =>
    "Fire blight enters by open flowers and soft shoots: look for shoots bent and black, cut 20 to 30 cm below what shows, in dry weather, and clean the blade each time.",
  "power-line": (v, say) =>
    `A power line is ${say.length(v.distanceM)} away: within ${say.length(v.limitM)} this is work for a licensed arborist or the line's owner.`,
  "leaning-trunk": (v) =>
    v.split
      ? "The trunk is split: it can give way while you work. Call a licensed arborist."
      : "The trunk leans: what holds it is not seen from outside. Call a licensed arborist.",
  "thick-stem": (v, say) =>
    `A stem of ${say.thickness(Math.round(v.diameterMm))} is past ${say.thickness(v.limitMm)}: it is heavier than it looks. Call a licensed arborist.`,
  "natural-shape": (v) =>
    `Shears leave ${v.taxon} a shell of twigs, bare within, and take the shape it grows by itself. Single cuts suit it better.`,
  "large-leaved": (v) => `${v.taxon} has large leaves: shears slice them and the cut halves go brown. Use single cuts.`,
  "old-wood-stays-bare": (v) =>
    `${v.taxon} does not shoot from old wood: cut past the leaves and it stays bare. Shorten it inside the green each year; one that is too large is replaced.`,
  "bare-wood-stays-bare": (v) =>
    `${v.taxon} does not grow back from leafless wood: the hole stays. Stay inside the green, or take a branch back to a green side branch.`,
  "needles-cut-brown": (v) =>
    `Shears cut the needles of ${v.taxon} in half and the ends go brown. Shorten single candles.`,
  "stem-by-stem": (v) =>
    `${v.taxon} is slow from old wood: felled at once it sulks for years. Renew it a stem or two a year.`,
  "grass-all-or-nothing": (v) => `${v.taxon} is cut once, to the ground: a trim leaves a brown stump of blades.`,
  "no-such-regime": (v) =>
    `${v.task} is wrong for ${v.taxon}: it does not rebuild from a low framework. Thin it: a few whole branches to their origin each year.`,
  "no-candles": (v) =>
    `${v.taxon} has no candles: that is for pines, spruces and their like, while the new shoots are soft.`,
  "no-skirt": (v) => `${v.taxon} has no skirt to lift: it is low by nature.`,
  "no-suckers": (v) => `${v.taxon} does not rebuild from suckers: there are none to thin.`,
  "too-low-for-wind": (v) => `${v.taxon} gives the wind nothing to hold: cutting it for that gains nothing.`,
  "first-season": (v, say) =>
    `First season after planting: dead wood only until growth stops, about ${say.date(v.until)}.`,
  "second-season": (v, say) => `Second season after planting: at most ${say.percent(v.cap)} of its live growth.`,
  stressed: () => "It is under stress. Dead wood only until you have seen new growth.",
  frosted: () =>
    "Frost has hurt it: wait until frost danger has passed and growth shows how far back to go. Look for swelling buds low on the stems and at the base, and for green under the bark; what looks dead may not be.",
  dieback: () => "Much has died back. Dead wood only until you have seen where it grows again.",
  drought: () => "In drought it cannot answer a hard cut or the shears. Wait for rain, or water it well first.",
  "drought-half": (v, say) =>
    `In drought it can spare half of what it else could, ${say.percent(v.cap)} in twelve months. Water it first, or wait for rain.`,
  unchecked: () => "Nobody knows how it has fared. Check its health first: scratch a stem, look for new growth.",
  "past-maturity-hard": () =>
    "Past its prime, it may not answer a cut to the ground. Renew it by its oldest stems over three or four years.",
  "past-maturity": (v, say) => `Past its prime: take no more than ${say.percent(v.cap)} in twelve months.`,
  "not-established": () => "Not yet established: a hard cut waits until it has finished two growing seasons.",
  "after-cutback": (v, say) =>
    `It was cut back on ${say.date(v.on)} and is building a new frame: only dead wood and spent flowers until about ${say.date(v.until)}.`,
  "after-renewal": (v, say) =>
    `Old stems came out on ${say.date(v.on)}: no other live cut goes with that until ${say.date(v.until)}.`,
  "renewal-after-cuts": (v, say) =>
    `Live growth was taken in the last twelve months: a renewal goes alone, from ${say.date(v.until)}.`,
  "cap-reached": (v, say) =>
    `${say.percent(v.taken)} went in the last twelve months, of ${say.percent(v.cap)} that may. Enough frees up on ${say.date(v.freesUpOn)}.`,
  "more-than-cap": (v, say) =>
    `${say.percent(v.share)} at once is more than the ${say.percent(v.cap)} that may go in twelve months: spread it over the years.`,
  "cap-over": (v, say) =>
    `Over by ${say.percent(v.over)} in the last twelve months. It clears enough on ${say.date(v.freesUpOn)}.`,
  "cap-left": (v, say) => `${say.percent(v.left)} of its live growth may still go, of ${say.percent(v.cap)}.`,
  "cap-scarce": (v, say) =>
    `This usually takes ${say.percent(v.usual)} of its live growth, and ${say.percent(v.left)} is left: take less, or wait until ${say.date(v.freesUpOn)}, when it fits again.`,
  "growth-shows": (v, say) =>
    `Wait until growth shows where it lives, about ${say.date(v.expected)}, give or take ${say.days(v.spreadDays)}. Look low on the stems and at the base.`,
  "look-first": (v, say) =>
    `${LOOK_FIRST[v.what] ?? "Look first"}: about ${say.date(v.expected)}, but what is known of your place tells that only to ${say.days(v.spreadDays)} either way. Until you have seen it, waiting is the safe side.`,
  "growth-overdue": (v, say) =>
    `Growth was expected about ${say.date(v.expected)} and nobody has written it down. Look low on the stems and at the base, and say what you see: the date was only a forecast. If nothing shows by ${say.date(v.latest)}, scratch the base.`,
  "growth-never": (v, say) =>
    `No growth was written down since ${say.date(v.expected)}. Scratch the base: green means wait on, brown and dry down to the ground means it is dead. Then note its condition.`,
  "after-midwinter": (v, say) =>
    `Wait until midwinter is past, about ${say.date(v.until)}: tops shelter the base, and heads and berries last until then.`,
  "builds-base": () =>
    "A weak whip may be cut low in its first winter to build a base: that is the school you chose for it.",
  "berries-kept": (v, say) =>
    `You keep its berries and heads: wait until they are gone, ${say.date(v.until)} at the latest, when growth starts.`,
  "foot-first": () =>
    "Its foot is bare: let the base fill first, then take the old stems and the height. Say when the foot is dense.",
  "trimmed-enough": (v, say) =>
    v.times === 1
      ? `Trimmed this season on ${say.date(v.on)}: that is enough for the year.`
      : `Trimmed ${v.times} times this season, last on ${say.date(v.on)}: that is enough for the year.`,
  "wind-calm": () => "It is low or sheltered: wind does it no harm, so there is nothing to gain by cutting for it.",
  "wind-leaving": (v) =>
    `Left as it is, winter wind will ${v.risk >= 0.6 ? "probably" : "perhaps"} rock it loose or break stems. Half its height off in late autumn takes the load away.`,
  heat: (v, say) =>
    `It reaches ${say.temperature(v.tmaxC)} today: from ${say.temperature(v.limitC)} on ${v.limitC >= 38 ? "only what is dangerous comes off" : "no shears and no hard cut, because what is bared burns"}. Early morning of a cooler day.${byStation(v.simulated)}`,
  "hot-season": (v, say) =>
    `Afternoons may reach ${say.temperature(v.limitC)} now (${chance(say, v.odds)}): look at the forecast and work in the morning.`,
  "hot-weeks": (v, say) =>
    `These are the hottest weeks: the chance of an afternoon past ${say.temperature(v.limitC)} is ${chance(say, v.odds)}, and what shears or a hard cut bare burns for weeks. It waits until they are over.`,
  "frost-tonight": (v, say) =>
    `A night of ${say.temperature(v.tminC)} is near: fresh cuts and soft growth would be frosted. Wait for milder nights.${byStation(v.simulated)}`,
  "rain-disease": (v) =>
    `It rains and the plant is diseased: wet blades carry it from cut to cut. Wait for a dry day.${byStation(v.simulated)}`,
  "dry-spell": (v, say) =>
    `${say.days(v.days)} with hardly any rain: water it well first; a hard cut waits until you have.${byStation(v.simulated)}`,
  "just-before-bloom": (v, say) =>
    `Its ${v.display} open about ${say.date(v.opens)}: these weeks are the worst for a cut in leaf.`,
  wildlife: (v) => WILDLIFE_TEXTS[v.use] ?? "It feeds or shelters wildlife now.",
  "year-runs": (v, say) =>
    v.days > 0
      ? `This year runs about ${say.days(v.days)} ahead of the usual one; the dates here have been moved by that.`
      : `This year runs about ${say.days(-v.days)} behind the usual one; the dates here have been moved by that.`,
  "spring-frost": (v, say) => `A cut now wakes buds, and the chance that frost catches them is ${chance(say, v.risk)}.`,
  "growth-in-frost": (v, say) =>
    `Its new growth is out: the chance that frost still catches it, cut or not, is ${chance(say, v.risk)}.`,
  "bared-frame": (v, say) =>
    `Its tops shelter the frame: cut now, the cold still to come costs ${chance(say, v.risk)} of it.`,
  "heads-shelter": (v, say) =>
    `The old heads shelter next year's buds: taken now, the cold would cost ${chance(say, v.risk)} of them. Leave them until growth starts, about ${say.date(v.until)}.`,
  scorch: (v, say) =>
    `The cut bares leaves that have never met frost, and one is near: chance that they scorch ${chance(say, v.risk)}. Not in the frost's weeks.`,
  "until-asleep": (v, say) =>
    `What grows after a cut now meets frost before it is hard, chance ${chance(say, v.risk)}: wait until it sleeps.`,
  "late-growth": (v, say) =>
    `Too late for this year: what grows after the cut meets frost before it is hard, chance ${chance(say, v.risk)}.`,
  "shoots-hard": () => "This year's shoots are hard: a shortened one stays a stub. Only whole branches to a union now.",
  "shoots-not-out": () => "The candles are not out yet. Wait until they have stretched and are still soft.",
  "before-flush": (v, say) =>
    `${say.percent(v.toCome)} of this season's growth is still to come: cut now and you do it again. Wait until the flush has hardened, about ${say.date(v.hardens)}.`,
  "costs-display": (v, say) => `Takes about ${say.percent(v.loss)} of the ${v.display} due about ${say.date(v.opens)}.`,
  "costs-open-display": (v, say) => `The ${v.display} are on: this takes about ${say.percent(v.loss)} of them.`,
  "costs-next-display": (v, say) =>
    `Buds for the next ${v.display} have begun: about ${say.percent(v.loss)} of them go.`,
  "delays-display": (v, say) => `The ${v.display} come about ${say.days(v.days)} later.`,
  "small-loss": (v, say) => `Costs about ${say.percent(v.loss)} of the ${v.display}: hardly to be seen.`,
  "in-full-leaf": (v) => IN_FULL_LEAF[v.cut],
  "stands-open": (v, say) =>
    `Growth answers from about ${say.date(v.answers)}: its wounds stand open until then and dry back a little. Better as winter ends.`,
  "goal-leave": () => "You want it left as it is. Nothing to gain today.",
  "well-formed": (v, say) =>
    `Looked at on ${say.date(v.on)}: sound, leafy to the foot, clear of what stands near${v.stems > 0 ? `, and of its ${v.stems} stems none is dead, weak or in another's way` : ""}. It keeps its shape by itself: nothing to gain.`,
  "goal-met": (v, say) =>
    `It stands at ${say.length(v.heightM)} and ends the season near ${say.length(v.endM)}, under the ${say.length(v.wantedM)} you want.`,
  "nothing-spent": () => "There are no spent flowers to take off.",
  "not-deadheaded": (v) =>
    v.fruit === null
      ? "Its spent flowers are many and small, and fall by themselves: nothing to gain."
      : `Its ${v.fruit} follow the flowers: what is spent stays on for them.`,
  "spent-flowers": () => "Spent flowers can come off. It keeps its strength and its looks.",
  "dead-any-day": () => "Dead wood can go on any day. It costs the plant nothing and does not count.",
  "buds-not-begun": (v) => `The ${v.display} are over and the buds of the next have not begun.`,
  "buds-on-spurs": (v) =>
    `The buds of its ${v.display} stand low on the shoots or on spurs: shortening the long ends takes none of them.`,
  "few-buds": (v) => `It takes few of the buds of its ${v.display}, or none.`,
  "buds-were-killed": (v) =>
    `Frost took the buds of its ${v.display}, and those of the next have not begun: there are none to lose.`,
  "growth-just-out": (v) => `It flowers on new wood, and its growth has only begun: the ${v.display} lose little.`,
  "before-growth": (v) => `It flowers on new wood, and that is still to grow: the ${v.display} lose nothing.`,
  "after-bloom": (v) => `The ${v.display} are over, and new growth has time to harden.`,
  "flush-hardened": () => "The flush has hardened: what you cut stays cut.",
  "flush-to-come": (v) =>
    v.allYear
      ? "It grows on and on here: cut it when it has lost its shape."
      : "The flush to come hides the cuts; trim again when that has hardened.",
  "shoots-soft": () => "The candles are out and still soft: shorten them by about half.",
  "no-harm": () => "No harm to the plant or its flowers.",
  "not-hardy": (v) =>
    `Zone ${v.zone} is colder than the zone ${v.coldestZone} it is hardy to: a hard winter may kill it.`,
  "placed-late": (v) =>
    `How late its ${v.display} open in so cool a summer cannot be told: they are taken to come last, give or take a month. Say when you see them.`,
  "too-cool-for": (v) => `This place is too cool for its ${v.display} to open in most years.`,
  "never-asleep": (v, say) =>
    `Winters are too mild here to put it to sleep: its quiet weeks, from about ${say.date(v.quietFrom)}, stand for that.`,
  "cut-back-to": (v) => CUT_BACK_TO[v.where] ?? CUT_BACK_TO["unsaid"]!,
  "tie-first": (v) => SUPPORT_FIRST[v.support] ?? "Check what holds it before you shorten anything.",
  "not-certain": (v, say) =>
    `Not certain what it is: ${v.candidates} (${say.percent(v.share)} for the first). Until that is settled you get the safest answer, here for ${v.strictest}.`,
  "goal-not-for-kind": (v) => `“${v.goal}” does not fit ${v.taxon}.`,
  "cannot-hold": (v, say) =>
    `${v.taxon} grows about ${say.length(v.growthM)} a year: it cannot be held below ${say.length(v.holdableFromM)}, and you want ${say.length(v.wantedM)}.`,
  outgrows: (v, say) =>
    `${v.taxon} wants to stand at ${say.length(v.matureM)} and more: at ${say.length(v.wantedM)} you fight about ${say.length(v.growthM)} every year. Think of moving it, or of a kind that fits.`,
  "never-so-tall": (v, say) =>
    `${v.taxon} seldom grows past ${say.length(v.matureM)}: it will not reach ${say.length(v.wantedM)}.`,
  "two-trims": (v, say) =>
    `Held at ${say.length(v.wantedM)} and growing about ${say.length(v.growthM)} a year, it needs two trims a year.`,
  "let-go-touches": (v, say) =>
    `Let go, it reaches the ${v.what} within a year: it grows about ${say.length(v.growthM)}.`,
  "would-expose": (v, say) =>
    `At ${say.length(v.heightM)} it would show what should stay hidden from ${v.viewpoint}: keep ${say.length(v.leastM)}.`,
  "would-block": (v, say) =>
    `At ${say.length(v.heightM)} it stands in the line from ${v.viewpoint}: keep it under ${say.length(v.mostM)}.`,
  "views-disagree": (v, say) =>
    `What is to be hidden asks for ${say.length(v.leastM)}, what is to be seen for under ${say.length(v.mostM)}: it cannot do both.`,
};

/** The sentence for a reason. */
export function reasonText<C extends ReasonCode>(r: Reason<C>, say: Voice): string {
  const text = TEXTS[r.code] as (v: ReasonValues[C], say: Voice) => string;
  return say.prose(text(r.values, say));
}

/** All codes that an answer may say. */
export const REASON_CODES = Object.keys(TEXTS) as ReasonCode[];
