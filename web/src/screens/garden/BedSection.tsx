/** One bed of the garden: its drawing, what looks at it, its plants in words, and what may be done with it. */
import { Box, Button, IconButton, Typography } from "@mui/material";
import type { Bed, Plant, PlainDate, Viewpoint } from "@wren/core";
import { ArrowDown, ArrowUp, Pencil, Plus, Trash2 } from "lucide-react";
import { memo, useMemo } from "react";
import { useGarden } from "../../state/garden.tsx";
import { InSight } from "../../ui/InSight.tsx";
import { Section } from "../../ui/Section.tsx";
import { BedElevation } from "./BedElevation.tsx";
import { labelsUnder, standingIn } from "./elevation.geometry.ts";
import { Looks } from "./Looks.tsx";
import { PlantList } from "./PlantList.tsx";

interface BodyProps {
  readonly bed: Bed;
  readonly plants: readonly Plant[];
  readonly on: PlainDate;
  readonly pxPerM: number;
  readonly moving: boolean;
  readonly onOpen: (plantId: string) => void;
  readonly onEdit: (p: Plant) => void;
  readonly onViewpoint: (bed: Bed, v: Viewpoint | null) => void;
  readonly onAdd: (bed: Bed) => void;
}

function Body({ bed, plants, on, pxPerM, moving, onOpen, onEdit, onViewpoint, onAdd }: BodyProps) {
  const { model } = useGarden();
  const standing = useMemo(() => standingIn(model, plants, on), [model, plants, on]);
  const labels = useMemo(
    () => labelsUnder(standing.map(({ plant }) => ({ middlePx: plant.alongM * pxPerM, name: plant.label }))),
    [standing, pxPerM],
  );
  return (
    <>
      <BedElevation
        on={on}
        bed={bed}
        standing={standing}
        labels={labels}
        pxPerM={pxPerM}
        moving={moving}
        onOpen={onOpen}
      />
      <Looks bed={bed} standing={standing} on={on} onViewpoint={(v) => onViewpoint(bed, v)} />
      {standing.length === 0 ? (
        <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
          <Typography sx={{ color: "text.secondary" }}>Nothing planted here yet.</Typography>
          <Button variant="outlined" onClick={() => onAdd(bed)}>
            Add the first plant
          </Button>
        </Box>
      ) : (
        <PlantList standing={standing} numbered={labels.as === "numbers"} onEdit={onEdit} />
      )}
    </>
  );
}

interface Props extends BodyProps {
  /** Worked out at once; in a large garden only when it comes near the screen. */
  readonly atOnce: boolean;
  readonly first: boolean;
  readonly last: boolean;
  readonly onMove: (bed: Bed, by: -1 | 1) => void;
  readonly onChange: (bed: Bed) => void;
  readonly onRemove: (bed: Bed) => void;
}

/** Height of a bed's drawing and of a line of its list, about. */
const DRAWING_PX = 320;
const LINE_PX = 22;

export const BedSection = memo(function BedSection({
  atOnce,
  first,
  last,
  onMove,
  onChange,
  onRemove,
  ...body
}: Props) {
  const { bed, plants, onAdd } = body;
  return (
    <Section
      title={bed.name}
      aside={
        <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", minWidth: 0 }}>
          <Typography variant="body2" sx={{ color: "text.secondary", mr: 1, overflowWrap: "anywhere" }}>
            {bed.note}
          </Typography>
          {!first && (
            <IconButton aria-label={`Move ${bed.name} up`} onClick={() => onMove(bed, -1)}>
              <ArrowUp size={18} />
            </IconButton>
          )}
          {!last && (
            <IconButton aria-label={`Move ${bed.name} down`} onClick={() => onMove(bed, 1)}>
              <ArrowDown size={18} />
            </IconButton>
          )}
          <IconButton aria-label={`Change ${bed.name}`} onClick={() => onChange(bed)}>
            <Pencil size={18} />
          </IconButton>
          <IconButton aria-label={`Add a plant to ${bed.name}`} onClick={() => onAdd(bed)}>
            <Plus size={20} />
          </IconButton>
          {plants.length === 0 && (
            <IconButton aria-label={`Remove ${bed.name}`} onClick={() => onRemove(bed)}>
              <Trash2 size={18} />
            </IconButton>
          )}
        </Box>
      }
    >
      <InSight always={atOnce} estimatePx={DRAWING_PX + LINE_PX * plants.length}>
        <Body {...body} />
      </InSight>
    </Section>
  );
});
