/** The plants of a bed in words, each with change and remove. */
import { Box, IconButton, Typography } from "@mui/material";
import type { Plant } from "@wren/core";
import { Pencil, Trash2 } from "lucide-react";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { memo, useLayoutEffect, useRef, useState, type ReactNode } from "react";
import { withoutPlant } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import type { Standing } from "./elevation.geometry.ts";

function PlantLink({ plant }: { readonly plant: Plant }) {
  return (
    <DayLink to={`/plant/${plant.id}`} style={{ color: "inherit", fontWeight: 700 }}>
      {plant.label}
    </DayLink>
  );
}

interface RowProps {
  readonly plant: Plant;
  /** The number it has under the drawing, where names found no room there. */
  readonly number: number | null;
  readonly text: string;
  readonly onEdit: (p: Plant) => void;
}

const PlantRow = memo(function PlantRow({ plant, number, text, onEdit }: RowProps) {
  const { change } = useGarden();
  const remove = () => change(`${plant.label} removed with its records`, (g) => withoutPlant(g, plant.id));
  return (
    <Box
      sx={{ display: "flex", alignItems: "start", borderBottom: "1px solid var(--line)", minWidth: 0, height: "100%" }}
    >
      <Box sx={{ flex: 1, minWidth: 0, py: 0.5, overflowWrap: "anywhere" }}>
        {number !== null && (
          <Box component="span" sx={{ color: "text.secondary", mr: 1, fontVariantNumeric: "tabular-nums" }}>
            {number}
          </Box>
        )}
        <PlantLink plant={plant} />
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {text}
        </Typography>
      </Box>
      <IconButton aria-label={`Change ${plant.label}`} onClick={() => onEdit(plant)}>
        <Pencil size={18} />
      </IconButton>
      <IconButton aria-label={`Remove ${plant.label}`} onClick={() => void remove()}>
        <Trash2 size={18} />
      </IconButton>
    </Box>
  );
});

/** Lists of more plants than this show what is near the screen. */
const WHOLE = 60;
const COLUMN_PX = 314;
const LINE_PX = 86;

interface LongProps {
  readonly standing: readonly Standing[];
  readonly row: (s: Standing, at: number) => ReactNode;
}
/** The same list where it is long: each line at its place, and only those near the screen in the page. */
function LongList({ standing, row }: LongProps) {
  const list = useRef<HTMLUListElement>(null);
  const [{ columns, top }, setShape] = useState({ columns: 3, top: 0 });
  useLayoutEffect(() => {
    const here = list.current;
    if (!here) return;
    const measure = (): void =>
      setShape({
        columns: Math.max(1, Math.floor(here.clientWidth / COLUMN_PX)),
        top: here.getBoundingClientRect().top + window.scrollY,
      });
    measure();
    if (typeof ResizeObserver === "undefined") return;
    const watch = new ResizeObserver(measure);
    watch.observe(here);
    watch.observe(document.body);
    return () => watch.disconnect();
  }, []);
  const lines = useWindowVirtualizer({
    count: Math.ceil(standing.length / columns),
    estimateSize: () => LINE_PX,
    overscan: 8,
    scrollMargin: top,
  });
  return (
    <Box
      component="ul"
      ref={list}
      sx={{ listStyle: "none", p: 0, m: 0, position: "relative" }}
      style={{ height: lines.getTotalSize() }}
    >
      {lines.getVirtualItems().flatMap((line) =>
        standing.slice(line.index * columns, (line.index + 1) * columns).map((s, column) => {
          const at = line.index * columns + column;
          return (
            <li
              key={s.plant.id}
              aria-setsize={standing.length}
              aria-posinset={at + 1}
              style={{
                position: "absolute",
                top: line.start - top,
                left: `${(100 * column) / columns}%`,
                width: `calc(${100 / columns}% - 24px)`,
                height: LINE_PX,
                overflow: "hidden",
              }}
            >
              {row(s, at)}
            </li>
          );
        }),
      )}
    </Box>
  );
}

/** Growth to come that is worth a word. */
const WORTH_SAYING = 1.02;

export function PlantList({
  standing,
  numbered,
  onEdit,
}: {
  readonly standing: readonly Standing[];
  readonly numbered: boolean;
  readonly onEdit: (p: Plant) => void;
}) {
  const { model } = useGarden();
  const say = useVoice();
  const textOf = ({ plant, heightM, endM, wantedM }: Standing): string => {
    const end = endM > heightM * WORTH_SAYING ? `, ${say.length(endM)} by the season's end` : "";
    const near = plant.touches.map((t) => `${t.what}${t.distanceM === 0 ? "" : ` ${say.length(t.distanceM)} away`}`);
    const doubt = plant.identity === null ? "" : " · not settled";
    const touching = near.length === 0 ? "" : ` · near: ${near.join(", ")}`;
    const line = plant.powerLineM === null ? "" : ` · power line ${say.length(plant.powerLineM)}`;
    const wanted = wantedM === null ? "" : `, wanted ${say.length(wantedM)}`;
    return `${model.taxonOf(plant).common[0] ?? ""} · ${say.length(heightM)}${end}${wanted}${doubt}${touching}${line}`;
  };
  const row = (s: Standing, at: number) => (
    <PlantRow plant={s.plant} number={numbered ? at + 1 : null} text={textOf(s)} onEdit={onEdit} />
  );
  if (standing.length > WHOLE) return <LongList standing={standing} row={row} />;
  return (
    <Box
      component="ul"
      sx={{
        listStyle: "none",
        p: 0,
        m: 0,
        display: "grid",
        gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 290px), 1fr))",
        columnGap: 3,
      }}
    >
      {standing.map((s, at) => (
        <li key={s.plant.id} style={{ minWidth: 0 }}>
          {row(s, at)}
        </li>
      ))}
    </Box>
  );
}
