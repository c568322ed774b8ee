/** One bed as an elevation to scale: today's heights, wanted lines, the season's end as a ghost, a mark for what may be done. */
import { useDroppable } from "@dnd-kit/core";
import { Box } from "@mui/material";
import { adviseOn, heightBand, type Bed, type PlainDate, plantsYear } from "@wren/core";
import { useEffect, useMemo, useRef, useState, type RefObject } from "react";
import { lookOn } from "../../drawing/plant.geometry.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { PERSON_M, rungsTo, tallestIn, type Labels, type Standing } from "./elevation.geometry.ts";
import { PlantInBed, type InBed } from "./PlantInBed.tsx";

const HEAD = 34;
const FOOT = 8;

/** A person of 1.70 m beside the bed. */
function Figure({ pxPerM }: { readonly pxPerM: number }) {
  const h = PERSON_M * pxPerM;
  return (
    <svg width={h * 0.36} height={h} viewBox="0 0 36 100" aria-hidden="true" style={{ display: "block" }}>
      <g fill="var(--soft)" opacity="0.75">
        <circle cx="18" cy="7" r="6.5" />
        <path d="M11 16h14c4 0 6 3 6 7l-1 25c0 3-4 3-4 0l-.5-20-.8 20L27 98c0 3-6 3-6 0l-2.5-46h-1L15 98c0 3-6 3-6 0l2.3-50-.8-20-.5 20c0 3-4 3-4 0L5 23c0-4 2-7 6-7z" />
      </g>
    </svg>
  );
}

/** Beds of more plants than this are drawn as far as they are looked at. */
const WHOLE = 60;
const MARGIN_PX = 300;

/** The part of a long bed that is scrolled into view, in pixels; null: all of it. */
function useView(box: RefObject<HTMLElement | null>, long: boolean): readonly [number, number] | null {
  const [view, setView] = useState<readonly [number, number]>([0, 1200]);
  useEffect(() => {
    const here = box.current;
    if (!long || !here) return;
    const look = (): void => {
      const [from, to] = [here.scrollLeft, here.scrollLeft + Math.max(here.clientWidth, 400)];
      setView((old) =>
        Math.abs(old[0] - from) < MARGIN_PX / 3 && Math.abs(old[1] - to) < MARGIN_PX / 3 ? old : [from, to],
      );
    };
    look();
    here.addEventListener("scroll", look, { passive: true });
    window.addEventListener("resize", look);
    return () => {
      here.removeEventListener("scroll", look);
      window.removeEventListener("resize", look);
    };
  }, [box, long]);
  return long ? view : null;
}

interface InView {
  readonly standing: readonly Standing[];
  readonly labels: Labels;
  readonly view: readonly [number, number] | null;
}
function useInBed({ standing, labels, view }: InView, pxPerM: number, on: PlainDate): readonly InBed[] {
  const { model } = useGarden();
  return useMemo(() => {
    return standing.flatMap(({ plant, heightM, endM, wantedM }, at): InBed | readonly [] => {
      const middle = plant.alongM * pxPerM;
      const half = (plant.widthM * pxPerM) / 2 + MARGIN_PX;
      if (view && (middle + half < view[0] || middle - half > view[1])) return [];
      const taxon = model.taxonOf(plant);
      const px = (m: number): number => Math.round(m * pxPerM);
      const band = heightBand(model.garden, plant);
      return {
        ...lookOn(taxon, plantsYear(model, plant, on), model.season(on).seasonDay),
        plantId: plant.id,
        form: plant.form,
        taxonId: taxon.id,
        label: plant.label,
        under: labels.as === "names" ? plant.label : `${at + 1}`,
        verdict: adviseOn(model, plant.id, on).verdict,
        middlePx: plant.alongM * pxPerM,
        widthPx: px(plant.widthM),
        heightPx: px(heightM),
        endPx: px(endM),
        wantedPx: wantedM === null ? null : px(wantedM),
        leastPx: band.leastM > 0 ? px(band.leastM) : null,
        mostPx: band.mostM === null ? null : px(band.mostM),
        flopped: plant.stance === "flopped",
        behind: plant.backM,
        labelRow: labels.rows[at] ?? null,
        heightM: Math.round(heightM * 100) / 100,
      };
    });
  }, [standing, labels, view, pxPerM, on, model]);
}

interface Props {
  readonly on: PlainDate;
  readonly bed: Bed;
  readonly standing: readonly Standing[];
  readonly labels: Labels;
  readonly pxPerM: number;
  readonly moving: boolean;
  readonly onOpen: (plantId: string) => void;
}

export function BedElevation({ on, bed, standing, labels, pxPerM, moving, onOpen }: Props) {
  const say = useVoice();
  const { units } = useGarden().garden.rules;
  const { setNodeRef, isOver } = useDroppable({ id: bed.id });
  const box = useRef<HTMLDivElement>(null);
  const view = useView(box, standing.length > WHOLE);
  const plants = useInBed({ standing, labels, view }, pxPerM, on);
  const tallest = tallestIn(standing);
  const rungs = rungsTo(tallest, units);
  return (
    <Box
      ref={box}
      sx={{
        overflowX: "auto",
        pb: labels.as === "numbers" ? "52px" : plants.some((p) => p.labelRow === 1) ? "70px" : "40px",
      }}
      tabIndex={0}
      role="group"
      aria-label={`${bed.name}, ${say.length(bed.lengthM)} long`}
    >
      <Box sx={{ display: "flex", alignItems: "flex-end", width: "max-content" }}>
        <Box sx={{ width: PERSON_M * 0.36 * pxPerM + 12, pb: `${FOOT}px`, pl: "6px" }}>
          <Figure pxPerM={pxPerM} />
        </Box>
        <Box
          ref={setNodeRef}
          sx={{
            position: "relative",
            background: isOver
              ? "color-mix(in srgb, var(--heart) 18%, transparent)"
              : "linear-gradient(var(--paper), var(--mist))",
            borderBottom: `${FOOT}px solid var(--umber)`,
            boxSizing: "border-box",
          }}
          style={{ width: bed.lengthM * pxPerM, height: Math.round(tallest * pxPerM) + HEAD + FOOT }}
        >
          {rungs.map(({ atM, label }) => (
            <Box
              key={label}
              aria-hidden="true"
              sx={{
                position: "absolute",
                left: 0,
                right: 0,
                // The line itself stands at the height; its words hang below it.
                height: 0,
                borderTop: "1px dotted var(--line)",
                fontSize: "0.72rem",
                color: "text.secondary",
                lineHeight: 1,
              }}
              style={{ bottom: atM * pxPerM }}
            >
              {label}
            </Box>
          ))}
          <Box sx={{ position: "absolute", inset: 0, bottom: `-${FOOT}px` }}>
            {plants.map((p) => (
              <PlantInBed key={p.plantId} {...p} footPx={FOOT} moving={moving} onOpen={onOpen} />
            ))}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}
