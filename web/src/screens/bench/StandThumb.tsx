/** A stand as it would be drawn, small, while it is being described. */
import { amountsOf, leafOf, type Build, type Metres, type Stem } from "@wren/core";
import { leafDrawn, leafLine, standLines, stemsDrawn, tuftOf, viewOf } from "../../drawing/stand.geometry.ts";

const SHEET = { width: 340, height: 320, foot: 14 } as const;
/** A little from the side, so that what grows towards the eye is seen as well. */
const VIEW_DEG = 20;

interface Props {
  readonly stems: readonly Stem[];
  readonly build: Build;
  readonly size: { readonly heightM: Metres; readonly widthM: Metres };
}

export function StandThumb({ stems, build, size }: Props) {
  const { effects, before } = amountsOf(stems, [], build);
  const leaf = leafOf(stems, build);
  const view = viewOf(
    SHEET,
    Math.max(size.heightM, before.heightM) * 1.03,
    Math.max(size.widthM, before.widthM) * 1.05,
    VIEW_DEG,
  );
  const drawn = stemsDrawn(build, view);
  const marks = leafDrawn(stems, leaf, drawn);
  return (
    <svg
      viewBox={`0 0 ${SHEET.width} ${SHEET.height}`}
      width="100%"
      role="img"
      aria-label="How it would be drawn"
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
    </svg>
  );
}
