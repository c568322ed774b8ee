/** One plant as an SVG group standing on y = 0. */
import { buildOf, type Form, type Taxon } from "@wren/core";
import { memo } from "react";
import {
  crownPath,
  dotsPath,
  flowerSpots,
  stemLines,
  stemsShow,
  type PlantLook,
  type PlantSize,
} from "./plant.geometry.ts";

interface Props extends PlantSize, PlantLook {
  readonly taxon: Taxon;
  /** How it is grown; null: as its kind usually is. */
  readonly form: Form | null;
  readonly seed: string;
}

const LEAF_OPACITY = { evergreen: 0.72, other: 0.5 } as const;

function Shape({ taxon, form, leaf, showing, fullness, seed, widthPx, heightPx }: Props) {
  const size = { widthPx, heightPx };
  const { outline } = buildOf(taxon, form);
  const stems = stemsShow(showing);
  const straw = taxon.leaf === "herbaceous" && leaf === 0;
  const spots = showing === null || stems ? 0 : Math.round(5 + 13 * fullness);
  const opacity = leaf * LEAF_OPACITY[taxon.leaf === "evergreen" ? "evergreen" : "other"];
  return (
    <g>
      {stemLines(outline, size, seed).map((s) => (
        <path
          key={s.d}
          d={s.d}
          fill="none"
          stroke={stems ? "var(--bright)" : "var(--umber)"}
          strokeWidth={s.width}
          strokeLinecap="round"
        />
      ))}
      <path
        d={crownPath(outline, size, seed)}
        fill={straw ? "var(--heart)" : "var(--leaf)"}
        fillOpacity={straw ? 0.35 : opacity}
        stroke={leaf > 0 ? "var(--leaf)" : "var(--umber)"}
        strokeWidth="1.3"
        strokeDasharray={leaf > 0 ? undefined : "3 3"}
      />
      {spots > 0 && (
        <path
          d={dotsPath(flowerSpots(outline, size, seed, spots), Math.max(1.6, Math.min(6, widthPx * 0.045)))}
          fill={straw ? "var(--sapwood)" : "var(--plum)"}
          stroke="var(--paper)"
          strokeWidth="0.8"
        />
      )}
    </g>
  );
}
export const PlantShape = memo(Shape);

type ThumbProps = Omit<Props, "widthPx" | "heightPx"> & {
  readonly box: number;
  readonly scale: number;
  readonly widthM: number;
  readonly heightM: number;
};

/** A small drawing, all rows of a list at the same scale. */
export const PlantThumb = memo(function PlantThumb({ box, scale, widthM, heightM, ...p }: ThumbProps) {
  const fit = Math.min(1, (box - 6) / Math.max(widthM * scale, heightM * scale));
  return (
    <svg
      width={box}
      height={box}
      viewBox={`${-box / 2} ${-box + 4} ${box} ${box}`}
      aria-hidden="true"
      style={{ flex: "none", display: "block" }}
    >
      <line x1={-box / 2} x2={box / 2} y1="0.5" y2="0.5" stroke="var(--umber)" strokeWidth="1.5" />
      <PlantShape {...p} widthPx={widthM * scale * fit} heightPx={heightM * scale * fit} />
    </svg>
  );
});
