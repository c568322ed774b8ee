/** A stand, small: while it is being described, or with the cuts that are to be made and those that are made. */
import { amountsOf, leafOf, type Build, type Metres, type Stem, type StemCut } from "@wren/core";
import { goneLines, leafDrawn, leafLine, standLines, stemsDrawn, tuftOf, viewOf } from "./stand.geometry.ts";

const SHEET = { width: 340, height: 320, foot: 14 } as const;
/** A little from the side, so that what grows towards the eye is seen as well. */
const VIEW_DEG = 20;

interface Props {
  readonly stems: readonly Stem[];
  readonly build: Build;
  readonly size: { readonly heightM: Metres; readonly widthM: Metres };
  /** Cuts that are to be made, drawn where they take something; of these the ones that are made take it away. */
  readonly toMake?: readonly StemCut[];
  readonly made?: readonly StemCut[];
  readonly label?: string;
}
const NONE: readonly StemCut[] = [];

export function StandThumb({ stems, build, size, toMake = NONE, made = NONE, label = "How it would be drawn" }: Props) {
  const { effects, before } = amountsOf(stems, made, build);
  const leaf = leafOf(stems, build);
  const view = viewOf(
    SHEET,
    Math.max(size.heightM, before.heightM) * 1.03,
    Math.max(size.widthM, before.widthM) * 1.05,
    VIEW_DEG,
  );
  const drawn = stemsDrawn(build, view);
  const marks = leafDrawn(stems, leaf, drawn);
  const gone = goneLines(
    amountsOf(
      stems,
      toMake.filter((c) => !made.includes(c)),
      build,
    ).effects,
    drawn,
  );
  return (
    <svg
      viewBox={`0 0 ${SHEET.width} ${SHEET.height}`}
      width="100%"
      role="img"
      aria-label={label}
      style={{ display: "block", background: "var(--paper)", maxWidth: 420 }}
    >
      <line x1="0" x2={SHEET.width} y1={SHEET.height - 14} y2={SHEET.height - 14} stroke="var(--umber)" />
      <g fill="none" stroke="var(--umber)" strokeLinecap="round">
        {standLines(effects, drawn, view, null).map((l) => (
          <path key={l.key} d={l.d} strokeWidth={l.width} strokeDasharray={l.look === "dead" ? "2 4" : undefined} />
        ))}
      </g>
      <path
        d={leafLine(effects, marks)}
        fill="none"
        stroke="var(--leaf)"
        strokeOpacity="0.5"
        strokeWidth={tuftOf(marks, leaf, view, build)}
        strokeLinecap="round"
      />
      <path d={gone.stems} fill="none" stroke="var(--plum)" strokeWidth="3.5" strokeDasharray="5 3" />
      <path d={gone.branches} fill="none" stroke="var(--plum)" strokeWidth="2" strokeDasharray="4 3" />
    </svg>
  );
}
