/** The tips of a stem and of its branches, to be dragged to where they truly stand. */
import { alongStem, branchRun, branchToTip, stemToTip, type Build, type Point3, type Stem } from "@wren/core";
import { useState, type PointerEvent } from "react";
import { onSheet, stemsDrawn, strokeOf, tipAt, type Spot, type View } from "../../drawing/stand.geometry.ts";

interface Props {
  readonly stem: Stem;
  readonly build: Build;
  readonly view: View;
  readonly spotOf: (e: PointerEvent) => Spot;
  readonly onCorrect: (s: Stem) => void;
}
/** The stem's own tip, or a branch by its number. */
type Tip = "stem" | number;
const NOTHING_GONE = (s: Stem) => ({
  branchParts: s.branches.map(() => 1),
  shootParts: s.branches.map((b) => b.shoots.map(() => 1)),
});

export function CorrectHandles({ stem, build, view, spotOf, onCorrect }: Props) {
  const [held, setHeld] = useState<{ readonly tip: Tip; readonly as: Stem } | null>(null);
  const shown = held?.as ?? stem;
  const tipOf = (s: Stem, tip: Tip): Point3 => {
    const branch = tip === "stem" ? undefined : s.branches[tip];
    return branch ? branchRun(s, branch, build)[1] : alongStem(s, 1, build);
  };
  const moved = (tip: Tip, e: PointerEvent): Stem => {
    const to = tipAt(spotOf(e), tipOf(stem, tip), view);
    return tip === "stem" ? stemToTip(stem, to) : branchToTip(stem, tip, to, build);
  };
  // Let go, or taken away by the browser: what was shown last is kept either way.
  const letGo = (): void => {
    if (held && held.as !== stem) onCorrect(held.as);
    setHeld(null);
  };
  const drawn = held && stemsDrawn(build, view)(shown);
  const tips: readonly Tip[] = [...stem.branches.keys(), "stem"];
  return (
    <g>
      {drawn && (
        <g stroke="var(--leaf)" strokeLinecap="round" fill="none" pointerEvents="none">
          <path d={drawn.path(0, 1)} strokeWidth={strokeOf(shown.diameterMm, view)} />
          <path d={drawn.branches(NOTHING_GONE(shown), true)} strokeWidth="2" />
        </g>
      )}
      {tips.map((tip) => {
        const at = onSheet(tipOf(shown, tip), view);
        return (
          <circle
            key={tip}
            data-tip={tip}
            cx={at.x}
            cy={at.y}
            r={tip === "stem" ? 10 : 7}
            fill="var(--leaf)"
            fillOpacity="0.85"
            stroke="var(--paper)"
            strokeWidth="2"
            style={{ cursor: "grab", touchAction: "none" }}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              setHeld({ tip, as: stem });
            }}
            onPointerMove={(e) => {
              if (held?.tip === tip) setHeld({ tip, as: moved(tip, e) });
            }}
            onPointerUp={letGo}
            onPointerCancel={letGo}
          />
        );
      })}
    </g>
  );
}
