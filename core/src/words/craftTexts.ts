/** What is said of the care after a cut: one entry per matter, with its days. */
import type { Care, CareCode } from "../craft/index.ts";
import type { Voice } from "./voice.ts";

interface CareText {
  readonly title: string;
  readonly say: (from: string, until: string) => string;
}

/** Title and sentence of every matter of aftercare. */
export const CARE_TEXTS: Readonly<Record<CareCode, CareText>> = {
  water: {
    title: "Water",
    say: (from, until) => `deeply once in every week without rain, from ${from} until ${until}; slowly, at the foot.`,
  },
  "keep-dry": { title: "Keep it dry", say: () => "no extra water in summer: it rests then, and wet roots rot." },
  mulch: {
    title: "Mulch",
    say: (from) =>
      `5 to 8 cm deep once the ground has warmed and is wet, about ${from}; a hand's breadth off the stems.`,
  },
  feed: {
    title: "Feed",
    say: (from, until) =>
      `compost or a balanced feed about ${from}; none after ${until}: late soft growth falls to frost.`,
  },
  "no-feed": { title: "No feed", say: () => "it is grown lean: food makes soft shoots and few flowers." },
  tie: {
    title: "Tie in",
    say: (from, until) => `new shoots while they are soft, ${from} to ${until}, in a loose figure of eight.`,
  },
  layers: {
    title: "Rooted layers",
    say: (from, until) =>
      `what lay on the ground and has rooted can be cut free and moved while it sleeps, ${from} to ${until}.`,
  },
  rubbish: {
    title: "What was cut",
    say: () => "healthy wood is shredded or stacked for wildlife. Whether you may burn or bag it is local law.",
  },
  "rubbish-sick": {
    title: "What was cut",
    say: () =>
      "all of it and what fell beneath goes to the bin in closed bags, never on the compost. Burning is local law.",
  },
  "rubbish-spreads": {
    title: "What was cut",
    say: () =>
      "seed heads, berries and rooting stems go to the bin in closed bags: it spreads from them. Local law may ask for more.",
  },
};

/** The sentence behind the title. */
export const careText = (c: Care, say: Voice): string =>
  CARE_TEXTS[c.code].say(c.from ? say.date(c.from) : "", c.until ? say.date(c.until) : "");
