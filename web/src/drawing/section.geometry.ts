/** A hedge's section on the sheet: outlines, the green, and the places that are dragged. */
import { leanOf, sectionEdges, shoulderOf, type Face, type Section } from "@wren/core";

export interface SectionSheet {
  readonly width: number;
  readonly height: number;
  /** Pixels for a metre. */
  readonly scale: number;
  readonly groundY: number;
  readonly middleX: number;
}

/** A sheet that holds all of some sections with room to drag. */
export function sheetFor(width: number, height: number, sections: readonly Section[]): SectionSheet {
  const high = Math.max(...sections.map((s) => s.heightM)) * 1.15;
  const wide = Math.max(...sections.flatMap((s) => [s.footM, shoulderOf(s).widthM])) * 1.5;
  const scale = Math.min((height - 56) / high, (width - 60) / wide);
  return { width, height, scale, groundY: height - 30, middleX: width / 2 };
}

const STEPS = 24;
/** A section as a closed path. @param shiftM how far its middle stands behind */
export function sectionPath(s: Section, sheet: SectionSheet, shiftM = 0): string {
  const edges = sectionEdges(s);
  const at = (xM: number, zM: number): string =>
    `${(sheet.middleX + (xM + shiftM) * sheet.scale).toFixed(1)} ${(sheet.groundY - zM * sheet.scale).toFixed(1)}`;
  const shoulder = shoulderOf(s).heightM;
  const heights = [
    0,
    shoulder,
    ...Array.from({ length: STEPS }, (_, i) => shoulder + ((s.heightM - shoulder) * (i + 1)) / STEPS),
  ];
  const spans = heights.map((z) => ({ z, span: edges(Math.min(z, s.heightM - 1e-9)) })).filter((x) => x.span !== null);
  const left = spans.map(({ z, span }) => at(span![0], z));
  const right = spans.map(({ z, span }) => at(span![1], z)).toReversed();
  return `M${[...left, ...right].join("L")}Z`;
}

/** A face is taken hold of so far up, where both are well apart. */
const GRIP = 0.6;

/** What is dragged. */
export type Handle = "height" | "foot-front" | "foot-back" | "front" | "back";
/** Where the handles stand, in pixels. */
export function handlesOf(
  s: Section,
  sheet: SectionSheet,
): readonly { readonly handle: Handle; readonly x: number; readonly y: number }[] {
  const sh = shoulderOf(s);
  const x = (m: number): number => sheet.middleX + m * sheet.scale;
  const y = (m: number): number => sheet.groundY - m * sheet.scale;
  const upM = GRIP * sh.heightM;
  const side = (face: Face, zM: number): number => s.footM / 2 - zM * leanOf(s.batterDeg[face]);
  return [
    { handle: "height", x: x((side("back", sh.heightM) - side("front", sh.heightM)) / 2), y: y(s.heightM) },
    { handle: "front", x: x(0 - side("front", upM)), y: y(upM) },
    { handle: "back", x: x(side("back", upM)), y: y(upM) },
    { handle: "foot-front", x: x(0 - s.footM / 2), y: y(0) },
    { handle: "foot-back", x: x(s.footM / 2), y: y(0) },
  ];
}

const LIMITS = { heightM: [0.2, 8], footM: [0.2, 6], deg: [-10, 25] } as const;
const within = (x: number, [from, to]: readonly [number, number]): number => Math.min(to, Math.max(from, x));
const toCm = (m: number): number => Math.round(m * 100) / 100;

/** The section that a handle asks for when it stands at a place of the sheet. */
export function draggedTo(s: Section, handle: Handle, xPx: number, yPx: number, sheet: SectionSheet): Section {
  const xM = (xPx - sheet.middleX) / sheet.scale;
  const zM = (sheet.groundY - yPx) / sheet.scale;
  const lean = (outM: number): number =>
    within(
      Math.round(((Math.atan((s.footM / 2 - outM) / (GRIP * shoulderOf(s).heightM)) * 180) / Math.PI) * 10) / 10,
      LIMITS.deg,
    );
  const next: Section =
    handle === "height"
      ? { ...s, heightM: toCm(within(zM, LIMITS.heightM)) }
      : handle === "foot-front" || handle === "foot-back"
        ? { ...s, footM: toCm(within(2 * Math.abs(xM), LIMITS.footM)) }
        : { ...s, batterDeg: { ...s.batterDeg, [handle]: lean(handle === "front" ? -xM : xM) } };
  // Faces that would meet below the top stay as they were.
  return shoulderOf(next).widthM < 0.05 ? s : next;
}
