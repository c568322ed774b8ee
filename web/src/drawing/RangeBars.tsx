/** Two ranges of eight in ten one over the other, on one scale: what was held before, and what is held now. */
interface Props {
  readonly before: readonly [number, number, number];
  readonly now: readonly [number, number, number];
  /** What the two say, for who cannot see them. */
  readonly label: string;
}

const W = 220;
const H = 34;
const PAD = 6;

export function RangeBars({ before, now, label }: Props) {
  const [low, high] = [Math.min(before[0], now[0]), Math.max(before[2], now[2])];
  const x = (v: number): number => (high === low ? W / 2 : PAD + ((v - low) / (high - low)) * (W - 2 * PAD));
  const bar = ([a, m, b]: Props["now"], y: number, ink: string, thick: number) => (
    <g>
      <line x1={x(a)} x2={x(b)} y1={y} y2={y} stroke={ink} strokeWidth={thick} strokeLinecap="round" />
      <circle cx={x(m)} cy={y} r={5} fill="var(--mist)" stroke={ink} strokeWidth={2.5} />
    </g>
  );
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width={W} height={H} role="img" aria-label={label} style={{ maxWidth: "100%" }}>
      {bar(before, 10, "var(--ink-soft, currentColor)", 2)}
      {bar(now, 24, "var(--leaf)", 6)}
    </svg>
  );
}
