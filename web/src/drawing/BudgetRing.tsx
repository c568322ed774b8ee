/** The third as an angle: the twelve-month budget as the sawn end of a stem. */
import { memo } from "react";
import { useVoice } from "../state/voice.ts";
import { nickPath, onCircle, ringPath, seedOf, shareAngle, wedgePath } from "./ring.geometry.ts";

interface Props {
  readonly seed: string;
  /** Share of live growth taken in the last twelve months. */
  readonly taken: number;
  /** null: no cap counts (a cutback). */
  readonly cap: number | null;
  /** A cut being tried, after what is taken. */
  readonly tried?: number;
  /** Dead stems taken in the last twelve months: crumbs outside the bark. */
  readonly deadCount?: number;
  /** Shares of the years before, newest first: marks on the inner rings. */
  readonly past?: readonly number[];
  readonly size?: number;
}

const BARK = 100;
const OUTER = 91;
const INNER = 69;
const WOBBLE = 0.022;

/** The rings of the years before, newest first. */
const INNER_RINGS = [54, 41, 30, 20, 11] as const;

/** The sawn end of one plant is the same whatever is tried on it. */
const Wood = memo(function Wood({ n }: { readonly n: number }) {
  return (
    <>
      <path d={ringPath(BARK + 7, 0.03, n + 1)} fill="var(--umber)" />
      <path d={ringPath(OUTER + 2, WOBBLE, n)} fill="#f1dfba" />
    </>
  );
});
const Rings = memo(function Rings({ n }: { readonly n: number }) {
  return [INNER, ...INNER_RINGS].map((r, i) => (
    <path
      key={r}
      d={ringPath(r, WOBBLE + 0.006 * i, n + i)}
      fill="none"
      stroke="#a97f49"
      strokeWidth={i === 0 ? 2 : 1.2}
    />
  ));
});

/** Most days change nothing on it, while the sums of the years before are made anew with each. */
const sameRing = (a: Props, b: Props): boolean =>
  Object.keys({ ...a, ...b }).every((k) => {
    const key = k as keyof Props;
    return key === "past" ? String(a.past) === String(b.past) : a[key] === b[key];
  });

export const BudgetRing = memo(function BudgetRing({
  seed,
  taken,
  cap,
  tried = 0,
  deadCount = 0,
  past = [],
  size = 200,
}: Props) {
  const say = useVoice();
  const n = seedOf(seed);
  const over = cap !== null && taken + tried > cap + 1e-9;
  const label =
    `${say.percent(taken)} of its live growth taken in twelve months` +
    (cap === null ? "; no cap counts for a plant that is cut back each year" : ` of ${say.percent(cap)} that may go`) +
    (tried > 0 ? `; this cut would take ${say.percent(tried)} more` : "") +
    (over ? "; that is over the cap" : "");
  const end = Math.min(1, taken);
  const triedEnd = Math.min(1, taken + tried);
  return (
    <svg
      width={size}
      height={size}
      viewBox="-122 -122 244 244"
      role="img"
      aria-label={label}
      style={{ maxWidth: "100%" }}
    >
      <Wood n={n} />
      <path d={wedgePath(INNER, OUTER, 0, end, WOBBLE, n)} fill={over ? "var(--alarm)" : "#c47a12"} />
      {tried > 0 && (
        <>
          <defs>
            <pattern id={`tried-${n}`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="7" height="7" fill="#f1dfba" />
              <rect width="3.5" height="7" fill={over ? "#a02c14" : "#7b285b"} />
            </pattern>
          </defs>
          <path d={wedgePath(INNER, OUTER, end, triedEnd, WOBBLE, n)} fill={`url(#tried-${n})`} stroke="#14232a" />
        </>
      )}
      <Rings n={n} />
      {INNER_RINGS.map((r, i) => {
        const share = past[i] ?? 0;
        const wobble = WOBBLE + 0.006 * (i + 1);
        return (
          share > 0 && <path key={r} d={wedgePath(r - 1.5, r + 1.5, 0, share, wobble, n + i + 1)} fill="#7a4f16" />
        );
      })}
      <circle r="3.2" fill="#7a4f16" />
      <line x1="0" y1={-INNER} x2="0" y2={-OUTER - 2} stroke="#14232a" strokeWidth="2" />
      {cap !== null && cap > 0 && (
        <>
          <path
            d={nickPath(BARK + 13, 24, cap)}
            fill="var(--mist)"
            stroke="var(--mist)"
            strokeWidth="3"
            strokeLinejoin="round"
          />
          <line
            x1={onCircle(INNER, shareAngle(cap)).x}
            y1={onCircle(INNER, shareAngle(cap)).y}
            x2={onCircle(OUTER, shareAngle(cap)).x}
            y2={onCircle(OUTER, shareAngle(cap)).y}
            stroke="#14232a"
            strokeWidth="1.5"
            strokeDasharray="3 3"
          />
        </>
      )}
      {Array.from({ length: Math.min(6, deadCount) }, (_, i) => {
        const p = onCircle(115, 5.2 + i * 0.12);
        return <path key={i} d={`M${p.x - 3} ${p.y + 2}l2-5 5 2-1 5z`} fill="var(--umber)" />;
      })}
    </svg>
  );
}, sameRing);
