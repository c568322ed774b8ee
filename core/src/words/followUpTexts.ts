/** What the next steps say: what to do, what to look for, and what if it never comes. One entry per chain. */
import type { Watched } from "../model/index.ts";
import type { ChainId, FollowUp } from "../plans/index.ts";
import type { Voice } from "./voice.ts";

interface ChainText {
  readonly title: string;
  readonly say: (f: FollowUp, say: Voice) => string;
}

/** Title and sentence of every step. */
export const CHAIN_TEXTS: Readonly<Record<ChainId, ChainText>> = {
  "real-prune": {
    title: "The real prune",
    say: (f, say) =>
      `Half of it came off against wind on ${say.date(f.since)}; the real cut follows about ${say.date(f.from)} to ${say.date(f.until)}. A slip at the first is put right now.`,
  },
  "thin-suckers": {
    title: "Thin the new shoots",
    say: (f, say) =>
      f.watched === null
        ? "The shoots have the height: keep five to nine of the strongest, well spread; the weak ones out at the base."
        : `After the hard cut of ${say.date(f.since)}: look for new shoots 20–30 cm tall from about ${say.date(f.from)}. If they never come up that strong, leave them all: the strongest win by themselves.`,
  },
  "deadhead-flush": {
    title: "Take off the first flush",
    say: (f, say) =>
      `From about ${say.date(f.from)}: spent flowers off as each flush ends, to a strong bud below; stop some six weeks before frost.`,
  },
  "candle-check": {
    title: "Look at the shortened candles",
    say: (f, say) =>
      `From ${say.date(f.from)}: new buds should sit at the shortened tips. Where none does, leave it alone next year.`,
  },
  "lift-again": {
    title: "Lift the skirt again",
    say: (f, say) =>
      `A year's growth hangs lower than where you lifted it on ${say.date(f.since)}: look from ${say.date(f.from)}.`,
  },
  trial: {
    title: "Judge the trial",
    say: (f, say) => `Cut to see on ${say.date(f.since)}: clean regrowth by ${say.date(f.until)}, or it goes.`,
  },
  "fallen-leaves": {
    title: "Pick up fallen leaves",
    say: (f, say) =>
      `It was diseased: leaves that fall from ${say.date(f.from)} to ${say.date(f.until)} go to the bin, every week or two, never on the compost.`,
  },
  "evergreen-debris": {
    title: "Rake out what fell",
    say: (f, say) =>
      `It was diseased: by ${say.date(f.until)} take the fallen leaves and clippings from inside and beneath it, to the bin, never on the compost.`,
  },
  "next-third": {
    title: "The next old stems",
    say: (f, say) =>
      `The last old stems came out on ${say.date(f.since)}: the next from ${say.date(f.from)}, oldest first.`,
  },
  rotation: {
    title: "Its turn again",
    say: (f, say) =>
      `Thinned on ${say.date(f.since)}: every three to five years is enough, between ${say.date(f.from)} and ${say.date(f.until)}.`,
  },
  "second-trim": {
    title: "The second trim",
    say: (f, say) =>
      `Trimmed on ${say.date(f.since)}; the second from ${say.date(f.from)}, six weeks before frost at the latest.`,
  },
  "leader-out": {
    title: "The second leader, its rest",
    say: (f, say) =>
      `It was halved on ${say.date(f.since)} so that the other takes over. From ${say.date(f.from)} to ${say.date(f.until)} take the rest out at the union, just outside the collar.`,
  },
  "stranger-look": {
    title: "Has the stranger come back?",
    say: (f, say) =>
      `A strange sucker was cut at its origin on ${say.date(f.since)}. Look from ${say.date(f.from)}: what has come again is traced and cut there once more. A stump product only as its label and local law say, and never on a stem that shares roots with the shrub.`,
  },
  "layers-lift": {
    title: "Lift the rooted branches",
    say: (f, say) =>
      `Severed on ${say.date(f.since)}, they root for themselves. Lift and pot or plant them at rest, from about ${say.date(f.from)} to ${say.date(f.until)}; what has few roots stays another year.`,
  },
};

/** What is looked for, on the button that says it was seen. */
export const WATCHED_LABELS: Readonly<Record<Watched, string>> = {
  "growth-seen": "Growth shows",
  "last-flower": "Bloom is over",
  "suckers-up": "New shoots are 20–30 cm tall",
  "berries-gone": "The berries are gone",
  "nest-empty": "The young birds have flown",
  "foot-dense": "The foot is dense",
  "regrowth-clean": "Clean regrowth",
  "flush-hardened": "New shoots are hard",
  "candles-out": "Candles are out",
};

/** The sentence of a step. */
export const followUpText = (f: FollowUp, say: Voice): string => say.prose(CHAIN_TEXTS[f.chain].say(f, say));
