/** A sight line from the side, fitted into a box: one scale for heights, one for distances. */
import { awayFrom, type SightLine } from "@wren/core";

export interface SectionPoint {
  readonly x: number;
  readonly y: number;
}
export interface SectionView {
  readonly eye: SectionPoint;
  readonly plant: SectionPoint;
  readonly target: SectionPoint;
  /** Does the plant's height serve the view? */
  readonly holds: boolean;
}

const MARGIN = 10;

export function sectionOf(line: SightLine, plantM: number, width: number, height: number): SectionView {
  const { viewpoint, view } = line;
  const plantAway = awayFrom(viewpoint, { alongM: viewpoint.alongM, backM: 0 });
  const far = plantAway + view.beyondM;
  const top = Math.max(viewpoint.eyeHeightM, view.targetM, plantM) * 1.1;
  const x = (m: number): number => MARGIN + (m / far) * (width - 2 * MARGIN);
  const y = (m: number): number => height - (m / top) * (height - MARGIN);
  return {
    eye: { x: x(0), y: y(viewpoint.eyeHeightM) },
    plant: { x: x(plantAway), y: y(plantM) },
    target: { x: x(far), y: y(view.targetM) },
    holds: (line.leastM === null || plantM >= line.leastM) && (line.mostM === null || plantM <= line.mostM),
  };
}
