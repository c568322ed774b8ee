/** What somebody who looks asks of a plant's height, by similar triangles: eye, plant, and what stands behind it. */
import type { Garden, Plant, View, Viewpoint } from "../model/index.ts";
import { reason, type Reason } from "../advice/index.ts";
import type { Metres } from "../units/index.ts";

/** Height of a straight line from the eye to a target where it passes the plant. All heights above the same ground. */
export const lineHeight = (eyeM: Metres, plantAwayM: Metres, targetM: Metres, targetAwayM: Metres): Metres =>
  eyeM + ((targetM - eyeM) * plantAwayM) / targetAwayM;

/** The line from an eye over a plant. */
export interface SightLine {
  readonly viewpoint: Viewpoint;
  readonly view: View;
  /** Where the line passes the plant. */
  readonly atPlantM: Metres;
  /** Least height to hide the target; null unless it is to be hidden. */
  readonly leastM: Metres | null;
  /** Greatest height that keeps the line clear; null unless it is to be clear. */
  readonly mostM: Metres | null;
}

/** How far a plant's middle is from where somebody stands, over the ground. */
export const awayFrom = (v: Viewpoint, p: Pick<Plant, "alongM" | "backM">): Metres =>
  Math.hypot(p.alongM - v.alongM, v.distanceM + p.backM);

/** The lines that a plant's views ask for. A view whose viewpoint is gone, or looks at another bed, is left out. */
export function sightLinesOf(garden: Pick<Garden, "viewpoints">, plant: Plant): readonly SightLine[] {
  return plant.views.flatMap((view): SightLine[] => {
    const viewpoint = garden.viewpoints.find((v) => v.id === view.viewpointId);
    if (viewpoint?.bedId !== plant.bedId) return [];
    const away = awayFrom(viewpoint, plant);
    const atPlantM = lineHeight(viewpoint.eyeHeightM, away, view.targetM, away + view.beyondM);
    return [
      {
        viewpoint,
        view,
        atPlantM,
        leastM: view.want === "hide" ? Math.max(0, atPlantM) : null,
        mostM: view.want === "clear" ? Math.max(0, atPlantM) : null,
      },
    ];
  });
}

export interface HeightBand {
  /** Least height that serves every view; 0 when none asks for one. */
  readonly leastM: Metres;
  /** Greatest height that serves every view; null when none asks for one. */
  readonly mostM: Metres | null;
}

/** What all views of a plant ask for together, and what plants behind it that want to be seen ask of it. */
export function heightBand(garden: Pick<Garden, "viewpoints" | "plants">, plant: Plant): HeightBand {
  const lines = sightLinesOf(garden, plant);
  const most = [...lines.flatMap((l) => l.mostM ?? []), ...shownBehind(garden, plant)];
  return {
    leastM: Math.max(0, ...lines.flatMap((l) => l.leastM ?? [])),
    mostM: most.length > 0 ? Math.min(...most) : null,
  };
}

/** Heights under which this plant must stay so that those behind it, which are to be seen, are seen from their target up. */
function shownBehind(garden: Pick<Garden, "viewpoints" | "plants">, front: Plant): readonly Metres[] {
  return garden.plants.flatMap((p) => {
    if (p.id === front.id || p.bedId !== front.bedId || p.backM <= front.backM) return [];
    return p.views.flatMap((view) => {
      const v = garden.viewpoints.find((x) => x.id === view.viewpointId);
      if (view.want !== "show" || !v) return [];
      const [near, far] = [awayFrom(v, front), awayFrom(v, p)];
      // Where the line of sight crosses the front plant's depth, it must be inside its width.
      const t = (v.distanceM + front.backM) / (v.distanceM + p.backM);
      const crossing = v.alongM + (p.alongM - v.alongM) * t;
      const hides = Math.abs(crossing - front.alongM) < front.widthM / 2 && near < far;
      return hides ? [Math.max(0, lineHeight(v.eyeHeightM, near, view.targetM, far))] : [];
    });
  });
}

/**
 * What a height does to the views: exposes what should stay hidden, stands in a line that should be clear.
 * Empty when it serves them all.
 */
export function viewReasons(
  garden: Pick<Garden, "viewpoints" | "plants">,
  plant: Plant,
  heightM: Metres,
): readonly Reason[] {
  const out: Reason[] = [];
  const band = heightBand(garden, plant);
  if (band.mostM !== null && band.leastM > band.mostM)
    out.push(reason("views-disagree", { leastM: band.leastM, mostM: band.mostM }, "geometry"));
  for (const l of sightLinesOf(garden, plant)) {
    const viewpoint = l.viewpoint.name;
    if (l.leastM !== null && heightM < l.leastM)
      out.push(reason("would-expose", { heightM, leastM: l.leastM, viewpoint }, "geometry"));
    if (l.mostM !== null && heightM > l.mostM)
      out.push(reason("would-block", { heightM, mostM: l.mostM, viewpoint }, "geometry"));
  }
  return out;
}
