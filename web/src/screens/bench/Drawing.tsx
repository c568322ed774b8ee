/** The stems to scale, from the side you stand at: what goes is struck, what stays is whole; press a stem, drag its end. */
import {
  alongStem,
  ARCHITECTURE_TABLE,
  cutAbove,
  leafOf,
  shootsAt,
  type Build,
  type CutLine,
  type Horizon,
  type Line,
  type StemCut,
  type TryResult,
  type Stem,
} from "@wren/core";
import { memo, useMemo, useRef, useState, type PointerEvent } from "react";
import { NUMBER_R, numberSpots } from "../../drawing/cutNumbers.geometry.ts";
import {
  depthOf,
  flowerLine,
  goneLines,
  heightAt,
  leafDrawn,
  leafLine,
  linesSeen,
  scaleMarks,
  nearestPart,
  onSheet,
  shootPath,
  standLines,
  stemsDrawn,
  strokeOf,
  tuftOf,
  viewOf,
  type Spot,
  type StemLook,
  type StemsDrawn,
  type View,
} from "../../drawing/stand.geometry.ts";
import { stemsShow } from "../../drawing/plant.geometry.ts";
import { useGarden } from "../../state/garden.tsx";
import { CorrectHandles } from "./CorrectHandles.tsx";

const DESK = { width: 640, height: 420, foot: 22 } as const;
const PHONE = { width: 400, height: 380, foot: 22 } as const;
/** Drag the end so near to the ground and the stem goes; so near to its tip and it is put back. */
const AT_BASE = 0.04;
const AT_TIP = 0.97;

interface Props {
  readonly plantId: string;
  readonly stems: readonly Stem[];
  readonly build: Build;
  /** What the plant wears on the day: part of its leaf, and whether it flowers. */
  readonly leafed: number;
  /** What is showing on that day: a display by its name, or nothing. */
  readonly showing: string | null;
  readonly result: TryResult;
  readonly horizon: Horizon;
  readonly viewDeg: number;
  readonly on: TryResult["advice"]["on"];
  /** Room for what grows, m. */
  readonly room: { readonly heightM: number; readonly widthM: number };
  readonly chosen: string | null;
  /** The cuts as they are numbered on the list. */
  readonly cutLines: readonly CutLine[];
  readonly wantedM: number | null;
  /** What it is to stay behind. */
  readonly lines: readonly Line[];
  /** Height of the shears' line; null where none are used. */
  readonly shearM: number | null;
  readonly narrow: boolean;
  /** Tips are dragged to where they stand, not cut. */
  readonly correcting: boolean;
  readonly onCorrect: (s: Stem) => void;
  readonly onChoose: (id: string) => void;
  /** While an end or the line is dragged each place is tried; let go, the last one is cut. */
  readonly onTry: (stemId: string, cut: StemCut | null) => void;
  readonly onCut: (stemId: string, cut: StemCut | null) => void;
  readonly onTryShear: (heightM: number) => void;
  readonly onShear: (heightM: number) => void;
}

/** The heading that a drag along a stem asks for; null puts it back. */
function cutFor(stem: Stem, at: number): StemCut | null {
  if (at >= AT_TIP) return null;
  if (at <= AT_BASE) return { cut: "remove", stemId: stem.id };
  return cutAbove(stem, at * stem.lengthM);
}

const COLOUR_OF: Readonly<Record<StemLook, string>> = {
  live: "var(--umber)",
  coloured: "var(--bright)",
  dead: "var(--soft)",
  alarm: "var(--alarm)",
  chosen: "var(--plum)",
};

interface LinesProps {
  readonly effects: TryResult["effects"];
  readonly drawn: StemsDrawn;
}
function KeptLines({
  effects,
  drawn,
  view,
  chosen,
  bright,
}: LinesProps & { readonly view: View; readonly chosen: string | null; readonly bright: boolean }) {
  return (
    <g strokeLinecap="round" strokeLinejoin="round" fill="none">
      {standLines(effects, drawn, view, chosen, bright).map((l) => (
        <path
          key={l.key}
          d={l.d}
          stroke={COLOUR_OF[l.look]}
          strokeWidth={l.width}
          strokeDasharray={l.look === "dead" ? "2 4" : undefined}
        />
      ))}
    </g>
  );
}

/** What goes, behind what stays. */
function GoneLines({ effects, drawn }: LinesProps) {
  const { stems, branches } = goneLines(effects, drawn);
  return (
    <g stroke="var(--alarm)" strokeDasharray="5 5" fill="none" opacity="0.75" strokeLinecap="round">
      <path d={stems} strokeWidth="2.4" />
      <path d={branches} strokeWidth="1.2" />
    </g>
  );
}

interface PressProps {
  readonly stems: readonly Stem[];
  readonly drawn: StemsDrawn;
  readonly view: View;
  readonly onChoose: (id: string) => void;
}
/** Broad unseen lines over the stems, for a finger. */
const PressLines = memo(function PressLines({ stems, drawn, view, onChoose }: PressProps) {
  return stems.map((s) => (
    <path
      key={s.id}
      data-stem={s.id}
      d={drawn(s).path(0, 1)}
      fill="none"
      stroke="transparent"
      strokeWidth={Math.max(14, strokeOf(s.diameterMm, view))}
      style={{ cursor: "pointer" }}
      onClick={() => onChoose(s.id)}
    />
  ));
});

export function Drawing(p: Props) {
  const { model, garden } = useGarden();
  const { build, result } = p;
  const sheet = p.narrow ? PHONE : DESK;
  const view = useMemo(() => viewOf(sheet, p.room.heightM, p.room.widthM, p.viewDeg), [sheet, p.room, p.viewDeg]);
  const drawn = useMemo(() => stemsDrawn(build, view), [build, view]);
  const svg = useRef<SVGSVGElement>(null);
  /** Where an end is being dragged to, of its stem; and the height the line is dragged to. */
  const [drag, setDrag] = useState<number | null>(null);
  const [line, setLine] = useState<number | null>(null);
  // The furthest first, whatever is cut of them.
  const order = useMemo(() => {
    const depths = p.stems.map((s) => depthOf(s, build, p.viewDeg));
    return p.stems.map((_, i) => i).sort((a, b) => depths[b]! - depths[a]!);
  }, [p.stems, build, p.viewDeg]);
  const leaf = useMemo(() => {
    const there = leafOf(p.stems, build);
    const marks = leafDrawn(p.stems, there, drawn);
    return { marks, tuft: tuftOf(marks, there, view, build) };
  }, [p.stems, build, drawn, view]);
  const inOrder = useMemo(() => order.map((i) => p.stems[i]!), [order, p.stems]);
  const future = p.horizon !== "now";
  const shoots = useMemo(
    () => (future ? shootsAt(model, p.plantId, result, p.on, p.horizon) : []),
    [future, model, p.plantId, result, p.on, p.horizon],
  );
  const spots = useMemo(
    () => (future ? [] : numberSpots(result.effects, p.cutLines, build, view)),
    [future, result.effects, p.cutLines, build, view],
  );
  const chosen = result.effects.find((e) => e.stem.id === p.chosen);
  const spotOf = (e: PointerEvent): Spot => {
    const box = svg.current!.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width) * sheet.width,
      y: ((e.clientY - box.top) / box.height) * sheet.height,
    };
  };
  const handle = chosen && onSheet(alongStem(chosen.stem, drag ?? chosen.kept, build), view);
  // Let go, or taken away by the browser: what was tried last is cut either way, so that nothing is shown and not kept.
  const letLineGo = (): void => {
    if (line !== null) p.onShear(line);
    setLine(null);
  };
  const letEndGo = (): void => {
    if (drag !== null && chosen) p.onCut(chosen.stem.id, cutFor(chosen.stem, drag));
    setDrag(null);
  };
  const shearY = p.shearM === null ? null : (line ?? p.shearM);
  const ground = sheet.height - sheet.foot;
  const lineY = (m: number): number => ground - m * view.scale;
  return (
    <svg
      ref={svg}
      data-sheet=""
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      width="100%"
      role="img"
      aria-label={`${p.stems.length} ${ARCHITECTURE_TABLE[build.architecture].mains[p.stems.length === 1 ? 0 : 1]} drawn to scale; the list below says the same in words`}
      style={{ display: "block", background: "var(--paper)", touchAction: "pan-y" }}
    >
      <line x1="0" x2={sheet.width} y1={ground} y2={ground} stroke="var(--umber)" strokeWidth="2" />
      {scaleMarks(garden.rules.units, (sheet.height - sheet.foot) / view.scale).map(([m, label]) =>
        lineY(m) > 8 ? (
          <g key={label}>
            <line x1="0" x2="10" y1={lineY(m)} y2={lineY(m)} stroke="var(--soft)" />
            <text x="13" y={lineY(m) + 4} fontSize="12" fill="var(--soft)">
              {label}
            </text>
          </g>
        ) : null,
      )}
      {linesSeen(p.lines, view).map((l) => (
        <line
          key={l.side}
          data-line={l.side}
          x1={l.x}
          x2={l.x}
          y1={ground}
          y2={l.upToM === null ? 4 : lineY(l.upToM)}
          stroke="var(--alarm)"
          strokeWidth="1.5"
          strokeDasharray="3 4"
        />
      ))}
      {p.wantedM !== null && (
        <line
          x1="48"
          x2={sheet.width}
          y1={lineY(p.wantedM)}
          y2={lineY(p.wantedM)}
          stroke="var(--leaf)"
          strokeWidth="1.5"
          strokeDasharray="8 5"
        />
      )}
      {!future && <GoneLines effects={result.effects} drawn={drawn} />}
      <KeptLines effects={result.effects} drawn={drawn} view={view} chosen={p.chosen} bright={stemsShow(p.showing)} />
      {p.leafed > 0 && (
        <path
          d={leafLine(result.effects, leaf.marks)}
          stroke="var(--leaf)"
          strokeWidth={leaf.tuft}
          strokeLinecap="round"
          strokeOpacity={0.5 * p.leafed}
          fill="none"
          pointerEvents="none"
        />
      )}
      {p.showing !== null && !stemsShow(p.showing) && !future && (
        <path
          d={flowerLine(result.effects, drawn)}
          stroke="var(--plum)"
          strokeWidth={Math.min(10, leaf.tuft * 0.8)}
          strokeLinecap="round"
          fill="none"
          pointerEvents="none"
        />
      )}
      {future && (
        <path
          d={shootPath(
            shoots.filter((s) => s.kind === "new"),
            view,
          )}
          stroke="var(--leaf)"
          strokeWidth="2.5"
          strokeLinecap="round"
          fill="none"
        />
      )}
      {!future && <PressLines stems={inOrder} drawn={drawn} view={view} onChoose={p.onChoose} />}
      {Array.from(spots, ([no, s]) => (
        <g key={no} pointerEvents="none">
          <circle cx={s.x} cy={s.y} r={NUMBER_R} fill="var(--paper)" stroke="var(--alarm)" strokeWidth="1.5" />
          <text x={s.x} y={s.y + 4} fontSize="11" textAnchor="middle" fill="var(--ink)">
            {no}
          </text>
        </g>
      ))}
      {shearY !== null && !future && (
        <g
          style={{ cursor: "ns-resize", touchAction: "none" }}
          data-shear-line=""
          onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
          onPointerMove={(e) => {
            if (e.buttons === 0) return;
            setLine(heightAt(spotOf(e), view));
            p.onTryShear(heightAt(spotOf(e), view));
          }}
          onPointerUp={letLineGo}
          onPointerCancel={letLineGo}
        >
          <rect x="0" y={lineY(shearY) - 10} width={sheet.width} height="20" fill="transparent" />
          <line
            x1="30"
            x2={sheet.width}
            y1={lineY(shearY)}
            y2={lineY(shearY)}
            stroke="var(--alarm)"
            strokeWidth="2.5"
          />
        </g>
      )}
      {p.correcting && chosen && !future && (
        <CorrectHandles
          key={chosen.stem.id}
          stem={chosen.stem}
          build={build}
          view={view}
          spotOf={spotOf}
          onCorrect={p.onCorrect}
        />
      )}
      {handle && !p.correcting && !future && (
        <circle
          data-handle={chosen.stem.id}
          cx={handle.x}
          cy={handle.y}
          r="10"
          fill="var(--plum)"
          fillOpacity="0.85"
          stroke="var(--paper)"
          strokeWidth="2"
          style={{ cursor: "grab", touchAction: "none" }}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            setDrag(chosen.kept);
          }}
          onPointerMove={(e) => {
            if (drag === null) return;
            const at = nearestPart(chosen.stem, spotOf(e), build, view);
            setDrag(at);
            p.onTry(chosen.stem.id, cutFor(chosen.stem, at));
          }}
          onPointerUp={letEndGo}
          onPointerCancel={letEndGo}
        />
      )}
    </svg>
  );
}
