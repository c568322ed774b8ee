/** Small drawings for the key's answers, by question and answer: line work of our own, no words in them. */
import type { ReactNode } from "react";

const leafFill = { fill: "var(--leafPale)", stroke: "var(--leaf)", strokeWidth: 1.6, strokeLinejoin: "round" } as const;
const line = { fill: "none", stroke: "var(--leaf)", strokeWidth: 1.6, strokeLinecap: "round" } as const;
const wood = { fill: "none", stroke: "var(--umber)", strokeLinecap: "round", strokeWidth: 3 } as const;
const thin = { ...wood, strokeWidth: 1.6 } as const;
const petal = { fill: "var(--plum)", opacity: 0.75 } as const;
const bud = { fill: "var(--leafPale)", stroke: "var(--umber)", strokeWidth: 1.4 } as const;

const spots = (points: readonly (readonly [number, number])[], r: number): ReactNode =>
  points.map(([x, y]) => <circle key={`${x},${y}`} cx={x} cy={y} r={r} {...petal} />);
/** Points in rows that fill a shape; half width by row. */
const cloud = (
  rows: readonly (readonly [y: number, half: number])[],
  gap: number,
): readonly (readonly [number, number])[] =>
  rows.flatMap(([y, half]) => {
    const n = Math.max(1, Math.round((2 * half) / gap));
    return Array.from({ length: n }, (_, i): readonly [number, number] => [40 - half + (half * (2 * i + 1)) / n, y]);
  });
const CONE = cloud(
  [
    [12, 4],
    [20, 9],
    [28, 13],
    [36, 16],
    [44, 18],
  ],
  7,
);
const BALL = cloud(
  [
    [14, 9],
    [22, 18],
    [30, 22],
    [38, 20],
    [45, 12],
  ],
  8,
);

const midrib = (x: number, a: number, b: number): ReactNode => <path d={`M${x} ${a}V${b}`} {...line} />;
const stemWith = (extra: ReactNode): ReactNode => (
  <>
    <path d="M40 72V8" {...wood} />
    {extra}
  </>
);
const pair = (y: number, item: (side: 1 | -1, y: number) => ReactNode): ReactNode => (
  <g key={y}>
    {item(-1, y)}
    {item(1, y)}
  </g>
);
const leafAt = (side: 1 | -1, y: number): ReactNode => (
  <path d={`M40 ${y}q${side * 12} -12 ${side * 26} -4q${side * -12} 10 ${side * -26} 4z`} {...leafFill} />
);
const budAt = (side: 1 | -1, y: number): ReactNode => (
  <path d={`M${40 + side * 2} ${y}q${side * 8} -2 ${side * 7} -10q${side * -8} 2 ${side * -7} 10z`} {...bud} />
);
const needles = (angles: readonly number[], x: number, y: number, length: number): ReactNode =>
  angles.map((a) => (
    <path
      key={`${x},${y},${a}`}
      d={`M${x} ${y}l${(Math.cos((a * Math.PI) / 180) * length).toFixed(1)} ${(-Math.sin((a * Math.PI) / 180) * length).toFixed(1)}`}
      {...line}
    />
  ));

const flowerHead = (points: readonly (readonly [number, number])[]): ReactNode => (
  <>
    <path d="M40 74V46" {...thin} />
    {spots(points, 4.6)}
  </>
);
const lace = (
  <>
    <path d="M40 74V34" {...thin} />
    <path d="M18 28L40 40L62 28M28 25L40 40L52 25" {...line} />
    {spots(
      [
        [12, 26],
        [22, 20],
        [34, 17],
        [46, 17],
        [58, 20],
        [68, 26],
      ],
      5.4,
    )}
    {[28, 34, 40, 46, 52].map((x) => (
      <circle key={x} cx={x} cy={27} r="1.6" fill="var(--leaf)" />
    ))}
  </>
);
const bush = (d: string, stems: string): ReactNode => (
  <>
    <path d={d} {...leafFill} />
    <path d={stems} {...thin} />
  </>
);

/** Keyed "question:answer"; the same drawing serves the same answer of several questions. */
const SKETCHES: Readonly<Record<string, ReactNode>> = {
  "climbs:yes": (
    <>
      <path
        d="M14 4V76M14 18h52M14 34h52M14 50h52M14 66h52M34 4v14M52 18v16M34 34v16M52 50v16"
        {...thin}
        opacity="0.45"
      />
      <path d="M30 76C26 58 46 52 40 36S52 16 48 6" {...wood} />
      <path d="M35 60l-7 3M42 46l8 1M40 30l-8-2M46 16l7 3" {...thin} />
    </>
  ),
  "climbs:no": bush("M16 68C8 44 22 20 40 18s32 26 24 50z", "M40 76V44M40 70L28 42M40 70L52 42"),
  "leaf-shape:lobed": (
    <>
      <path
        d="M40 72C34 66 24 66 20 58c6-2 6-4 2-8-6-2-10-6-10-12 6 2 10 0 10-4-2-6 0-12 4-16 4 6 8 4 10 0l4-12 4 12c2 4 6 6 10 0 4 4 6 10 4 16 0 4 4 6 10 4 0 6-4 10-10 12-4 4-4 6 2 8-4 8-14 8-20 14z"
        {...leafFill}
      />
      {midrib(40, 16, 76)}
    </>
  ),
  "leaf-shape:broad": (
    <>
      <path d="M40 6C60 16 66 40 40 70C14 40 20 16 40 6z" {...leafFill} />
      {midrib(40, 10, 78)}
    </>
  ),
  "leaf-shape:narrow": (
    <>
      <path d="M40 4C52 22 52 50 40 68C28 50 28 22 40 4z" {...leafFill} />
      {midrib(40, 8, 78)}
    </>
  ),
  "leaf-shape:heart": (
    <>
      <path d="M40 64C30 74 10 66 12 44C14 24 34 18 40 6c6 12 26 18 28 38c2 22-18 30-28 20z" {...leafFill} />
      {midrib(40, 12, 78)}
    </>
  ),
  "leaf-places:pairs": stemWith([28, 54].map((y) => pair(y, leafAt))),
  "leaf-places:threes": stemWith(
    [30, 58].map((y) => (
      <g key={y}>
        {pair(y, leafAt)}
        <path d={`M40 ${y}q-7 -12 0 -22q7 10 0 22z`} {...leafFill} />
      </g>
    )),
  ),
  "bud-places:pairs": stemWith([24, 42, 60].map((y) => pair(y, budAt))),
  "bud-places:threes": stemWith(
    [26, 46, 66].map((y) => (
      <g key={y}>
        {pair(y, budAt)}
        <circle cx="40" cy={y - 3} r="3.4" {...bud} />
      </g>
    )),
  ),
  "head:cone": flowerHead(CONE),
  "head:ball": flowerHead(BALL),
  "head:lace": lace,
  "head:none": <path d="M40 74V22l-5-4M40 22l5-5" {...wood} />,
  "end-bud:fat": stemWith(<path d="M40 30C30 24 32 8 40 2c8 6 10 22 0 28z" {...bud} strokeWidth="2" />),
  "end-bud:slim": stemWith(<path d="M40 20C36 14 37 6 40 1c3 5 4 13 0 19z" {...bud} />),
  "end-bud:woolly": stemWith(
    <>
      <path d="M40 24C32 18 34 8 40 3c6 5 8 15 0 21z" fill="var(--heart)" stroke="var(--umber)" strokeWidth="1.4" />
      {needles([150, 120, 90, 60, 30], 40, 12, 13)}
    </>,
  ),
  "end-bud:small": stemWith(
    <>
      <circle cx="36" cy="20" r="2" {...bud} />
      <circle cx="44" cy="20" r="2" {...bud} />
      <path d="M40 8l-6-5M40 8l6-5M40 8V1" {...thin} />
    </>,
  ),
  "stems:canes": <path d="M26 76L20 8M34 76L32 4M44 76L48 6M52 76L60 10" {...wood} strokeWidth="4" />,
  "stems:twigs": (
    <path d="M40 76L30 44L20 14M30 44L36 10M40 76L46 40L42 8M46 40L58 12M40 70L58 44L68 22M34 56L18 38" {...thin} />
  ),
  "stems:frame": (
    <>
      <path d="M40 76V54M40 56L24 34M40 54L58 32" {...wood} strokeWidth="6" />
      <path d="M24 34L16 10M24 34L32 8M58 32L50 8M58 32L68 12" {...wood} />
    </>
  ),
  "stems:soft": (
    <>
      <path d="M38 76C30 54 20 48 8 44M42 76C50 56 60 52 74 50" {...thin} />
      <path d="M40 76L36 40M40 76L46 46M36 76l-4-20" {...thin} strokeDasharray="4 3" />
    </>
  ),
  "bark:cinnamon": (
    <>
      <path d="M28 4V76M52 4V76" {...thin} />
      <path
        d="M32 14c8 2 12 8 18 6M32 34c6 4 14 0 18 6M32 56c8 0 10 6 18 4"
        {...thin}
        stroke="var(--sapwood)"
        strokeWidth="3"
      />
    </>
  ),
  "bark:shreds": (
    <>
      <path d="M28 4V76M52 4V76" {...thin} />
      <path d="M34 4C30 30 22 40 18 60M46 10c4 24 14 30 16 54M40 30v40" {...thin} />
    </>
  ),
  "bark:tan": <path d="M28 4V76M52 4V76M36 18h6M38 38h6M34 60h6" {...thin} />,
  "bark:no-old": <path d="M24 76C22 60 26 56 22 44M40 76C42 60 36 54 40 42M56 76c-2-14 4-20 0-30" {...line} />,
  "wood:short": (
    <>
      <path d="M40 76V6" {...wood} />
      <path d="M40 56l16-8M40 38l-16-8M40 20l14-8" {...line} />
      {spots(
        [
          [60, 46],
          [20, 28],
          [58, 10],
        ],
        6,
      )}
    </>
  ),
  "wood:long": (
    <>
      <path d="M40 76V52" {...wood} strokeWidth="5" />
      <path d="M40 54C38 38 42 30 40 18" {...line} strokeWidth="2.4" />
      <path d="M40 42l-10-6M40 34l10-6" {...line} />
      {spots(
        [
          [40, 10],
          [33, 14],
          [47, 14],
        ],
        6,
      )}
    </>
  ),
  "wood:mid": (
    <>
      <path d="M40 76V8" {...wood} />
      <path d="M40 44C50 40 56 34 60 24M40 60C30 56 24 50 20 40" {...line} strokeWidth="2.2" />
      {spots(
        [
          [62, 18],
          [18, 34],
        ],
        7,
      )}
    </>
  ),
  "foliage:bundles": (
    <>
      <path d="M12 70L66 26" {...wood} />
      {needles([95, 80, 20, 5], 30, 55, 30)}
      {needles([95, 80, 20, 5], 48, 40, 30)}
    </>
  ),
  "foliage:rosettes": (
    <>
      <path d="M10 62H70" {...wood} />
      {[24, 42, 60].map((x) => (
        <g key={x}>{needles([30, 50, 70, 90, 110, 130, 150], x, 58, 24)}</g>
      ))}
    </>
  ),
  "foliage:single": stemWith([20, 30, 40, 50, 60].map((y) => <g key={y}>{needles([30, 150], 40, y, 20)}</g>)),
  "foliage:prickly": stemWith([18, 32, 46, 60].map((y) => <g key={y}>{needles([25, 90, 155], 40, y, 14)}</g>)),
  "foliage:scales": (
    <>
      <path
        d="M40 76V10M40 58L20 40M40 58L60 40M40 38L24 20M40 38L56 20"
        {...line}
        strokeWidth="5"
        strokeDasharray="5 2"
      />
    </>
  ),
  "spray:fans": (
    <path
      d="M40 76V16M40 66L16 44M40 66L64 44M40 48L20 24M40 48L60 24M40 32L30 12M40 32L50 12"
      {...line}
      strokeWidth="3"
    />
  ),
  "spray:all-sides": <>{needles([0, 30, 60, 90, 120, 150, 180, 210, 240, 270, 300, 330], 40, 40, 32)}</>,
  "spray:combs": (
    <>
      {[16, 26, 36, 46, 56].map((y) => (
        <path key={y} d={`M12 ${y}H68`} {...line} />
      ))}
      <path d="M40 72V10" {...wood} />
    </>
  ),
  "spray:plumes": (
    <path d="M40 76C38 50 46 30 60 22M44 52C32 44 28 30 18 30M41 64C54 58 60 50 70 50" {...line} strokeWidth="4" />
  ),
  "roll:rolls": <path d="M40 14l18 26-18 26-18-26z" {...leafFill} />,
  "roll:flat": <path d="M12 40q28 -12 56 0q-28 12 -56 0z" {...leafFill} />,
  "pull:peg": (
    <>
      <path d="M10 58H70" {...wood} strokeWidth="6" />
      <path d="M26 56v-9M44 56v-9M60 56v-9" {...wood} />
    </>
  ),
  "pull:scar": (
    <>
      <path d="M10 58H70" {...wood} strokeWidth="10" />
      {[24, 42, 60].map((x) => (
        <circle key={x} cx={x} cy="57" r="3" fill="var(--paper)" />
      ))}
    </>
  ),
  "pull:stalk": (
    <>
      <path d="M10 62H70" {...line} strokeWidth="5" />
      <path d="M40 60q0 -8 4 -10" {...line} />
      <path d="M44 50q10 -24 18 -40q2 20 -18 40z" {...leafFill} />
    </>
  ),
  "underside:two-lines": (
    <>
      <path d="M40 4C50 22 50 56 40 76C30 56 30 22 40 4z" {...leafFill} />
      <path d="M36 14V66M44 14V66" stroke="var(--paper)" strokeWidth="3" />
    </>
  ),
  "underside:plain": <path d="M40 4C50 22 50 56 40 76C30 56 30 22 40 4z" {...leafFill} />,
  "fruit:red": (
    <>
      <circle cx="40" cy="44" r="18" fill="var(--alarm)" opacity="0.8" />
      <circle cx="40" cy="36" r="7" fill="var(--umber)" />
    </>
  ),
  "fruit:berries": (
    <>
      {[
        [30, 36],
        [50, 40],
        [40, 54],
      ].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r="9" fill="var(--frost)" />
      ))}
    </>
  ),
  "fruit:ovals": <path d="M40 14C54 30 54 52 46 66L40 60L34 66C26 52 26 30 40 14zM40 22V58" {...bud} />,
  "fruit:balls": (
    <>
      <circle cx="40" cy="42" r="18" {...bud} />
      <path d="M40 24V60M24 36L56 50M56 34L24 50" {...thin} />
    </>
  ),
  "fruit:woody": (
    <>
      <path d="M40 6V16" {...thin} />
      <path d="M40 16C58 24 56 58 40 74C24 58 22 24 40 16z" {...bud} />
      <path d="M28 32q12 8 24 0M26 46q14 8 28 0M30 60q10 6 20 0" {...thin} />
    </>
  ),
  "fruit:upright": (
    <>
      <path d="M8 70H72" {...wood} />
      <path d="M40 8C52 16 52 56 46 68H34C28 56 28 16 40 8z" {...bud} />
      <path d="M30 28h20M29 42h22M30 56h20" {...thin} />
    </>
  ),
  "tip:nods": <path d="M40 76V34C40 16 52 10 62 20" {...wood} />,
  "tip:stands": <path d="M40 76V6M40 40l-16 10M40 40l16 10M40 22l-10 7M40 22l10 7" {...wood} />,
  "tip:no-leader": <path d="M40 76V40M40 40L26 14M40 40L40 16M40 40L54 14" {...wood} />,
  "habit:climbs": (
    <>
      <path d="M12 76V6H68V76M12 30H68M12 54H68" {...thin} opacity="0.5" />
      <path d="M40 76C30 56 20 40 22 10M40 76C48 54 62 44 60 12M40 70C40 50 44 30 40 8" {...wood} />
    </>
  ),
  "habit:bush": bush("M20 50C16 30 28 8 40 8s24 22 20 42z", "M40 76V30M40 76L28 30M40 76L52 30"),
  "habit:shrub": bush("M8 66C4 36 22 14 40 14s36 22 32 52z", "M40 76V40M40 76L20 44M40 76L60 44"),
  "habit:low": bush("M4 70C8 54 24 50 40 50s32 4 36 20z", "M40 74L16 60M40 74L64 60"),
  "habit:tiny": bush("M28 72C26 60 32 54 40 54s14 6 12 18z", "M40 76V62"),
  "cluster:one": (
    <>
      <path d="M40 76V34" {...thin} />
      {spots([[40, 22]], 15)}
    </>
  ),
  "cluster:few": (
    <>
      <path d="M40 76V50M40 54L22 36M40 54L58 36M40 50V26" {...thin} />
      {spots(
        [
          [20, 30],
          [40, 20],
          [60, 30],
        ],
        9,
      )}
    </>
  ),
  "cluster:many": (
    <>
      <path d="M40 76V46" {...thin} />
      {spots(BALL, 4)}
    </>
  ),
  "cluster:single": (
    <>
      {[0, 72, 144, 216, 288].map((a) => (
        <ellipse key={a} cx="40" cy="22" rx="10" ry="14" transform={`rotate(${a} 40 40)`} {...petal} />
      ))}
      <circle cx="40" cy="40" r="6" fill="var(--heart)" />
    </>
  ),
  "size:hand": (
    <>
      {[0, 45, 90, 135, 180, 225, 270, 315].map((a) => (
        <ellipse key={a} cx="40" cy="19" rx="8" ry="19" transform={`rotate(${a} 40 40)`} {...petal} />
      ))}
    </>
  ),
  "size:saucer": (
    <>
      {[0, 90, 180, 270].map((a) => (
        <ellipse key={a} cx="40" cy="28" rx="8" ry="12" transform={`rotate(${a} 40 40)`} {...petal} />
      ))}
    </>
  ),
  "size:bell": (
    <>
      <path d="M40 6V22" {...thin} />
      <path d="M40 20C28 26 26 50 18 62C30 58 34 62 40 68C46 62 50 58 62 62C54 50 52 26 40 20z" {...petal} />
    </>
  ),
  "size:star": (
    <>
      {[
        [20, 24],
        [44, 16],
        [62, 34],
        [30, 48],
        [54, 58],
      ].map(([x, y]) => (
        <g key={x}>
          {[0, 90].map((a) => (
            <path
              key={a}
              d={`M${x! - 8} ${y}h16`}
              transform={`rotate(${a} ${x} ${y})`}
              stroke="var(--plum)"
              strokeWidth="4"
            />
          ))}
        </g>
      ))}
    </>
  ),
  "buds:two": stemWith(
    <>
      <circle cx="48" cy="24" r="7" {...bud} />
      {budAt(-1, 44)}
      <circle cx="32" cy="62" r="7" {...bud} />
    </>,
  ),
  "buds:one": stemWith([24, 44, 64].map((y) => pair(y, budAt))),
};

/** Questions whose answers share drawings. */
const SAME: Readonly<Record<string, string>> = {
  "head-shape": "head",
  "old-head": "head",
  "flower-wood": "wood",
  place: "wood",
};
const SAME_ANSWER: Readonly<Record<string, string>> = { "side-shoots": "short", "new-shoot-ends": "long" };

/** null where words say it better. */
export function KeySketch({ trait, answer }: { readonly trait: string; readonly answer: string }) {
  const sketch = SKETCHES[`${SAME[trait] ?? trait}:${SAME_ANSWER[answer] ?? answer}`];
  return sketch === undefined ? null : (
    <svg width="72" height="72" viewBox="0 0 80 80" aria-hidden="true" style={{ flex: "none" }}>
      {sketch}
    </svg>
  );
}
