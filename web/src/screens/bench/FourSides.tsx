/** Step back: what is left, from all four sides at once. */
import type { Build, TryResult } from "@wren/core";
import { standLines, stemsDrawn, viewOf } from "../../drawing/stand.geometry.ts";

const SHEET = { width: 160, height: 170, foot: 8 } as const;
export const SIDES = ["Front", "Right", "Back", "Left"] as const;

interface Props {
  readonly result: TryResult;
  readonly build: Build;
  readonly room: { readonly heightM: number; readonly widthM: number };
}

export function FourSides({ result, build, room }: Props) {
  return (
    <ul className="bare four-sides" aria-label="From all four sides">
      {SIDES.map((side, i) => {
        const view = viewOf(SHEET, room.heightM, room.widthM, i * 90);
        return (
          <li key={side}>
            <svg viewBox={`0 0 ${SHEET.width} ${SHEET.height}`} width="100%" aria-hidden="true">
              <line x1="0" x2={SHEET.width} y1={SHEET.height - 8} y2={SHEET.height - 8} stroke="var(--umber)" />
              <g fill="none" stroke="var(--umber)" strokeLinecap="round">
                {standLines(result.effects, stemsDrawn(build, view), view, null).map((l) => (
                  <path key={l.key} d={l.d} strokeWidth={l.width * 0.8} />
                ))}
              </g>
            </svg>
            {side}
          </li>
        );
      })}
    </ul>
  );
}
