/** Stems as they stand now: drawn some time ago, all of them have grown as the plant has. */
import type { Stem } from "../model/index.ts";
import type { Metres } from "../units/index.ts";
import type { Build } from "./architecture.ts";
import { standSize } from "./leaf.ts";

/** A drawing nearer to its plant's height than this is left as it is. */
const NEAR = 0.01;
/** No drawing is taken to be so far off. */
const MOST_TIMES = 3;
const round = (m: Metres): Metres => Math.max(0.01, Math.round(m * 1000) / 1000);

/** The last height that stems were asked for at. */
const KNOWN = new WeakMap<
  readonly Stem[],
  { readonly build: Build; readonly heightM: Metres; readonly grown: readonly Stem[] }
>();

/**
 * Live stems lengthened or shortened alike, until the highest stands as high as the plant is known to be.
 * @returns the same stems where they do already
 */
export function stemsAsHigh(stems: readonly Stem[], build: Build, heightM: Metres): readonly Stem[] {
  const known = KNOWN.get(stems);
  if (known?.build === build && known.heightM === heightM) return known.grown;
  const drawn = standSize(stems, build).heightM;
  const times = drawn > 0 ? heightM / drawn : 1;
  const fits = Math.abs(times - 1) < NEAR || times > MOST_TIMES || times < 1 / MOST_TIMES;
  const grown = fits ? stems : longer(stems, times);
  KNOWN.set(stems, { build, heightM, grown });
  return grown;
}

const longer = (stems: readonly Stem[], times: number): readonly Stem[] =>
  stems.map((s) =>
    s.state === "dead"
      ? s
      : {
          ...s,
          lengthM: round(s.lengthM * times),
          branches: s.branches.map((b) => ({
            ...b,
            lengthM: round(b.lengthM * times),
            shoots: b.shoots.map((x) => ({ ...x, lengthM: round(x.lengthM * times) })),
          })),
        },
  );
