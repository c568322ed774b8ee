/** One plant in an elevation: drawn to scale with its wanted line, its ghost and its mark; a button, or a thing to drag. */
import { useDraggable } from "@dnd-kit/core";
import { Box, ButtonBase } from "@mui/material";
import { buildOf, CATALOGUE, VERDICT_TABLE, type Form, type Verdict } from "@wren/core";
import { memo } from "react";
import { crownPath, type PlantLook } from "../../drawing/plant.geometry.ts";
import { PlantShape } from "../../drawing/PlantShape.tsx";
import { useVoice } from "../../state/voice.ts";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { NAME_PX } from "./elevation.geometry.ts";

/** Plain values, all lengths in pixels: a plant that looks the same is not drawn again. */
export interface InBed extends PlantLook {
  readonly plantId: string;
  readonly form: Form | null;
  readonly taxonId: string;
  readonly label: string;
  readonly verdict: Verdict;
  readonly middlePx: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly endPx: number;
  readonly wantedPx: number | null;
  /** What views ask for: at least, at most. */
  readonly leastPx: number | null;
  readonly mostPx: number | null;
  readonly flopped: boolean;
  /** Metres behind the front edge: plants further back are drawn behind. */
  readonly behind: number;
  /** What stands under it: its name, or its number in the list below. */
  readonly under: string;
  /** Which of two lines that stands on; null where there is no room for it. */
  readonly labelRow: 0 | 1 | null;
  readonly heightM: number;
}

interface Props extends InBed {
  readonly footPx: number;
  readonly moving: boolean;
  readonly onOpen: (plantId: string) => void;
}

const LEAST_TARGET_PX = 44;
const NAME_ROW_PX = 32;
const NUMBER_ROW_PX = 16;

/** A line that a view asks for: teeth up where the plant must reach it, down where it must stay below. */
function ViewLine({ y, half, least = false }: { readonly y: number; readonly half: number; readonly least?: boolean }) {
  const teeth = Array.from({ length: 5 }, (_, i) => -half + (half * (2 * i + 1)) / 5);
  return (
    <g stroke="var(--frost)" strokeWidth="2" fill="none">
      <path d={`M${-half} ${y}H${half}`} />
      {teeth.map((x) => (
        <path key={x} d={least ? `M${x - 3} ${y + 6}l3 -5l3 5` : `M${x - 3} ${y - 6}l3 5l3 -5`} />
      ))}
    </g>
  );
}

export const PlantInBed = memo(function PlantInBed(p: Props) {
  const say = useVoice();
  const taxon = CATALOGUE.byId(p.taxonId)!;
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id: p.plantId,
    disabled: !p.moving,
  });
  const width = Math.max(p.widthPx, LEAST_TARGET_PX);
  const height = Math.max(p.heightPx, p.endPx, p.wantedPx ?? 0, p.leastPx ?? 0) + 4;
  const label = `${p.label}: ${say.length(p.heightM)} tall; ${VERDICT_TABLE[p.verdict].word}`;
  return (
    <Box
      sx={{ position: "absolute" }}
      style={{
        left: p.middlePx - width / 2,
        bottom: p.footPx,
        width,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        zIndex: transform ? 300 : 100 - Math.round(p.behind * 10),
      }}
    >
      <ButtonBase
        ref={setNodeRef}
        {...(p.moving ? { ...attributes, ...listeners } : {})}
        aria-label={p.moving ? `Move ${p.label}` : label}
        onClick={() => {
          if (!p.moving) p.onOpen(p.plantId);
        }}
        sx={{
          display: "flex",
          flexDirection: "column",
          alignItems: "center",
          width: "100%",
          touchAction: p.moving ? "none" : "auto",
          cursor: p.moving ? "grab" : "pointer",
        }}
      >
        <VerdictMark verdict={p.verdict} size={20} />
        <svg
          width={width}
          height={height}
          viewBox={`${-width / 2} ${-height} ${width} ${height + 1}`}
          aria-hidden="true"
          style={{ overflow: "visible" }}
        >
          {p.endPx > p.heightPx + 1 && (
            <path
              d={crownPath(buildOf(taxon, p.form).outline, { widthPx: p.widthPx, heightPx: p.endPx }, p.plantId)}
              fill="none"
              stroke="var(--soft)"
              strokeWidth="1"
              strokeDasharray="2 4"
            />
          )}
          <g transform={p.flopped ? "skewX(-14)" : undefined}>
            <PlantShape
              form={p.form}
              taxon={taxon}
              leaf={p.leaf}
              showing={p.showing}
              fullness={p.fullness}
              seed={p.plantId}
              widthPx={p.widthPx}
              heightPx={p.heightPx}
            />
          </g>
          {p.leastPx !== null && <ViewLine y={-p.leastPx} half={width / 2} least />}
          {p.mostPx !== null && <ViewLine y={-p.mostPx} half={width / 2} />}
          {p.wantedPx !== null && (
            <line
              x1={-width / 2}
              x2={width / 2}
              y1={-p.wantedPx}
              y2={-p.wantedPx}
              stroke="var(--alarm)"
              strokeWidth="2"
              strokeDasharray="7 4"
            />
          )}
        </svg>
      </ButtonBase>
      {p.labelRow !== null && (
        <Box
          aria-hidden="true"
          sx={{
            position: "absolute",
            left: "50%",
            transform: "translateX(-50%)",
            width: NAME_PX,
            maxHeight: "2.4em",
            overflow: "hidden",
            textAlign: "center",
            fontSize: "0.78rem",
            lineHeight: 1.2,
            pointerEvents: "none",
          }}
          style={{
            top: `calc(100% + ${p.footPx + 4 + p.labelRow * (p.under === p.label ? NAME_ROW_PX : NUMBER_ROW_PX)}px)`,
          }}
        >
          {p.under}
        </Box>
      )}
    </Box>
  );
});
