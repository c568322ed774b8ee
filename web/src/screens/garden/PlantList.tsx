/** The plants of a bed in words, each with change and remove. */
import { Box, IconButton, Typography } from "@mui/material";
import type { Plant } from "@wren/core";
import { Pencil, Trash2 } from "lucide-react";
import { memo } from "react";
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
    <Box component="li" sx={{ display: "flex", alignItems: "center", borderBottom: "1px solid var(--line)" }}>
      <Box sx={{ flex: 1, minWidth: 0, py: 0.5 }}>
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
  return (
    <Box
      component="ul"
      sx={{
        listStyle: "none",
        p: 0,
        m: 0,
        display: "grid",
        gridTemplateColumns: "repeat(auto-fill, minmax(290px, 1fr))",
        columnGap: 3,
      }}
    >
      {standing.map((s, at) => (
        <PlantRow key={s.plant.id} plant={s.plant} number={numbered ? at + 1 : null} text={textOf(s)} onEdit={onEdit} />
      ))}
    </Box>
  );
}
