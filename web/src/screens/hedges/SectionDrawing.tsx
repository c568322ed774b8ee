/** A hedge cut across, to scale: as it stands, as it is wanted, the green that is not passed; corners are dragged or moved by keys. */
import { Box, Slider, Typography } from "@mui/material";
import { FACES, inset, shoulderOf, topOf, type Section } from "@wren/core";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { draggedTo, handlesOf, sectionPath, sheetFor, type Handle } from "../../drawing/section.geometry.ts";
import { useVoice } from "../../state/voice.ts";
import { leanText, sectionText } from "../../words/hedgeWords.ts";
import { towards } from "../../words/winds.ts";

const SHEET = { width: 560, height: 400 } as const;
const HANDLE_WORDS: Readonly<Record<Handle, string>> = {
  height: "Height",
  front: "Lean of the front",
  back: "Lean of the back",
  "foot-front": "Width at the foot, front",
  "foot-back": "Width at the foot, back",
};
const KEY_STEP_PX = 4;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-KEY_STEP_PX, 0],
  ArrowRight: [KEY_STEP_PX, 0],
  ArrowUp: [0, -KEY_STEP_PX],
  ArrowDown: [0, KEY_STEP_PX],
};

interface Props {
  readonly now: Section;
  readonly wanted: Section;
  readonly greenM: number;
  /** Bare wood of the kind stays bare: the green is a line not to pass. */
  readonly greenBinds: boolean;
  /** Which way the front looks. */
  readonly facesDeg: number;
  /** While it is dragged, and when it is let go. */
  readonly onTry: (s: Section) => void;
  readonly onChoose: (s: Section) => void;
}

export function SectionDrawing({ now, wanted, greenM, greenBinds, facesDeg, onTry, onChoose }: Props) {
  const say = useVoice();
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<Handle | null>(null);
  // The sheet keeps its scale while something is dragged.
  const [held, setHeld] = useState<ReturnType<typeof sheetFor> | null>(null);
  const sheet = held ?? sheetFor(SHEET.width, SHEET.height, [now, wanted]);
  const green = inset(now, greenM);
  const at = (e: PointerEvent): readonly [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    return [((e.clientX - box.left) / box.width) * SHEET.width, ((e.clientY - box.top) / box.height) * SHEET.height];
  };
  const down = (handle: Handle) => (e: PointerEvent<SVGGElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    setDragged(handle);
    setHeld(sheet);
  };
  const move = (e: PointerEvent): void => {
    if (dragged !== null) onTry(draggedTo(wanted, dragged, ...at(e), sheet));
  };
  const up = (): void => {
    if (dragged !== null) onChoose(wanted);
    setDragged(null);
    setHeld(null);
  };
  const keyed = (handle: Handle, x: number, y: number) => (e: KeyboardEvent) => {
    const step = ARROWS[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    onChoose(draggedTo(wanted, handle, x + step[0], y + step[1], sheet));
  };
  return (
    <Box>
      <svg
        ref={svg}
        data-sheet=""
        viewBox={`0 0 ${SHEET.width} ${SHEET.height}`}
        width="100%"
        role="group"
        aria-label={`Section: now ${sectionText(now, say)}; wanted ${sectionText(wanted, say)}`}
        style={{ display: "block", background: "var(--paper)", touchAction: "pan-y" }}
      >
        <line x1="0" x2={SHEET.width} y1={sheet.groundY} y2={sheet.groundY} stroke="var(--umber)" strokeWidth="2" />
        <path
          d={sectionPath(now, sheet)}
          fill="var(--leafPale)"
          fillOpacity="0.55"
          stroke="var(--umber)"
          strokeDasharray="6 4"
        />
        {green && (
          <path
            d={sectionPath(green, sheet)}
            fill="var(--paper)"
            fillOpacity="0.75"
            stroke={greenBinds ? "var(--alarm)" : "var(--soft)"}
            strokeDasharray="2 4"
          />
        )}
        <path d={sectionPath(wanted, sheet)} fill="none" stroke="var(--leaf)" strokeWidth="3" strokeLinejoin="round" />
        <text x="10" y="20" fontSize="13" fill="var(--soft)">
          Front, {towards(facesDeg)}
        </text>
        <text x={SHEET.width - 10} y="20" fontSize="13" textAnchor="end" fill="var(--soft)">
          Back, {towards(facesDeg + 180)}
        </text>
        <text x={sheet.middleX} y={sheet.groundY + 20} fontSize="14" textAnchor="middle" fill="var(--ink)">
          {say.length(wanted.footM)} at the foot
        </text>
        <text
          x={sheet.middleX}
          y={sheet.groundY - Math.max(now.heightM, wanted.heightM) * sheet.scale - 18}
          fontSize="14"
          textAnchor="middle"
          fill="var(--ink)"
        >
          {say.length(wanted.heightM)} high, {say.length(topOf(wanted))} at the top
        </text>
        {handlesOf(wanted, sheet).map(({ handle, x, y }) => (
          <g
            key={handle}
            className="no-print"
            role="slider"
            tabIndex={0}
            aria-label={HANDLE_WORDS[handle]}
            aria-valuenow={Math.round(100 * valueOf(wanted, handle)) / 100}
            aria-valuetext={valueText(wanted, handle, say.length)}
            style={{ cursor: "grab", touchAction: "none" }}
            onPointerDown={down(handle)}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={up}
            onKeyDown={keyed(handle, x, y)}
          >
            <circle cx={x} cy={y} r="22" fill="transparent" />
            <circle cx={x} cy={y} r="9" fill="var(--plum)" stroke="var(--paper)" strokeWidth="2" />
          </g>
        ))}
      </svg>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        Pale: as it stands. Line: as it is wanted. Dotted: where the green ends
        {greenBinds ? ", not to be passed" : ""}.
      </Typography>
    </Box>
  );
}

const valueOf = (s: Section, handle: Handle): number =>
  handle === "height" ? s.heightM : handle === "front" || handle === "back" ? s.batterDeg[handle] : s.footM;
const valueText = (s: Section, handle: Handle, length: (m: number) => string): string =>
  handle === "front" || handle === "back" ? leanText(s.batterDeg[handle]) : length(valueOf(s, handle));

interface SliderRow {
  readonly label: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly step: number;
  readonly text: (v: number) => string;
  readonly next: (v: number) => Section;
}
interface SlidersProps {
  readonly wanted: Section;
  readonly onTry: (s: Section) => void;
  readonly onChoose: (s: Section) => void;
}
/** The same by sliders, for a thumb and for keys. */
export function SectionSliders({ wanted, onTry, onChoose }: SlidersProps) {
  const say = useVoice();
  const rows: readonly SliderRow[] = [
    {
      label: "Height",
      value: wanted.heightM,
      from: 0.2,
      to: 6,
      step: 0.05,
      text: say.length,
      next: (heightM) => ({ ...wanted, heightM }),
    },
    {
      label: "Width at the foot",
      value: wanted.footM,
      from: 0.2,
      to: 3,
      step: 0.05,
      text: say.length,
      next: (footM) => ({ ...wanted, footM }),
    },
    ...FACES.map((face): SliderRow => ({
      label: `Lean of the ${face}`,
      value: wanted.batterDeg[face],
      from: -10,
      to: 25,
      step: 0.5,
      text: leanText,
      next: (deg) => ({ ...wanted, batterDeg: { ...wanted.batterDeg, [face]: deg } }),
    })),
  ];
  const sound = (s: Section): Section => (shoulderOf(s).widthM < 0.05 ? wanted : s);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 3 }}>
      {rows.map(({ label, value, from, to, step, text, next }) => (
        <Box key={label}>
          <Typography variant="body2" aria-hidden="true">
            {label}: <strong>{text(value)}</strong>
          </Typography>
          <Slider
            aria-label={label}
            value={value}
            min={from}
            max={to}
            step={step}
            getAriaValueText={text}
            onChange={(_, v) => onTry(sound(next(v)))}
            onChangeCommitted={(_, v) => onChoose(sound(next(v)))}
            sx={{ color: "var(--leaf)" }}
          />
        </Box>
      ))}
    </Box>
  );
}
