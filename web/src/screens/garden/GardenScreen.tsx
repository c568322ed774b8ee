/** The beds as elevations to scale; add, change, move and remove plants and beds. */
import { DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { Box, Button, IconButton, Typography, useMediaQuery } from "@mui/material";
import type { Bed, Plant, Viewpoint } from "@wren/core";
import { ArrowDown, ArrowUp, Pencil, Plus, Trash2 } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { PlantDialog } from "../../forms/PlantDialog.tsx";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { withoutBed, withRow } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useStable } from "../../state/stable.ts";
import { Section } from "../../ui/Section.tsx";
import { BedDialog } from "./BedDialog.tsx";
import { BedElevation } from "./BedElevation.tsx";
import { draggedTo, labelsUnder, scaleFor, standingIn } from "./elevation.geometry.ts";
import { Looks } from "./Looks.tsx";
import { PlantList } from "./PlantList.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { ViewpointDialog } from "./ViewpointDialog.tsx";

type Open =
  | { readonly kind: "plant"; readonly plant: Plant | null; readonly bedId?: string }
  | { readonly kind: "bed"; readonly bed: Bed | null }
  | { readonly kind: "viewpoint"; readonly bed: Bed; readonly viewpoint: Viewpoint | null };

export function GardenScreen() {
  const { garden, model, change } = useGarden();
  const { on: today } = useDay();
  // The strip follows the finger at once, the beds a frame later.
  const on = useDeferredValue(today);
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const wide = useMediaQuery("(min-width:900px)");
  const [open, setOpen] = useState<Open | null>(null);
  const [moving, setMoving] = useState(false);
  const longest = Math.max(...garden.beds.map((b) => b.lengthM), 8);
  const pxPerM = scaleFor(longest, wide);
  const beds = useMemo(
    () =>
      garden.beds.map((bed) => {
        const standing = standingIn(model, bed, on);
        const named = standing.map(({ plant }) => ({ middlePx: plant.alongM * pxPerM, name: plant.label }));
        return { bed, standing, labels: labelsUnder(named) };
      }),
    [garden, model, on, pxPerM],
  );
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor),
  );

  const onDragEnd = ({ active, over, delta }: DragEndEvent): void => {
    const plant = garden.plants.find((p) => p.id === active.id);
    const bed = garden.beds.find((b) => b.id === (over?.id ?? plant?.bedId));
    if (!plant || !bed || (Math.abs(delta.x) < 2 && bed.id === plant.bedId)) return;
    const alongM = draggedTo(plant.alongM, delta.x, pxPerM, bed.lengthM);
    void change(`${plant.label} moved`, (g) => withRow(g, "plants", plant, (p) => ({ ...p, bedId: bed.id, alongM })));
  };
  const onEdit = useStable((plant: Plant) => setOpen({ kind: "plant", plant }));
  const onOpen = useStable((id: string) => void navigate(linkNow(`/plant/${id}`)));
  /** Swaps a bed with the one above (-1) or below (1). */
  const moveBed = (bed: Bed, by: -1 | 1) => {
    const other = garden.beds[garden.beds.indexOf(bed) + by];
    if (!other) return;
    const order = new Map([
      [bed.id, other.order],
      [other.id, bed.order],
    ]);
    void change(`${bed.name} moved ${by < 0 ? "up" : "down"}`, (g) => ({
      ...g,
      beds: g.beds.map((b) => ({ ...b, order: order.get(b.id) ?? b.order })),
    }));
  };
  const removeBed = (bed: Bed) => change(`${bed.name} removed`, (g) => withoutBed(g, bed.id));
  return (
    <Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, flexWrap: "wrap", mb: 2 }}>
        <Typography variant="h1" sx={{ flex: { xs: "1 1 100%", md: 1 } }}>
          {garden.name}
        </Typography>
        <Button variant="outlined" aria-pressed={moving} onClick={() => setMoving(!moving)}>
          {moving ? "Done moving" : "Move plants"}
        </Button>
        <Button variant="outlined" onClick={() => setOpen({ kind: "bed", bed: null })}>
          Add a bed
        </Button>
        <Button component={DayLink} to="/garden/table" variant="outlined">
          Table in or out
        </Button>
        <Button component={DayLink} to="/walk" variant="outlined">
          Survey walk
        </Button>
        <Button
          variant="contained"
          startIcon={<Plus size={18} />}
          disabled={garden.beds.length === 0}
          onClick={() => setOpen({ kind: "plant", plant: null })}
        >
          Add a plant
        </Button>
      </Box>
      {moving && (
        <Typography sx={{ mb: 1.5 }} role="status">
          Drag a plant along its bed or into another. By keyboard: focus it, space to pick up, arrows to move, space to
          set down.
        </Typography>
      )}
      <DndContext sensors={sensors} onDragEnd={onDragEnd}>
        {beds.map(({ bed, standing, labels }, at) => (
          <Section
            key={bed.id}
            title={bed.name}
            aside={
              <Box sx={{ display: "flex", alignItems: "center" }}>
                <Typography variant="body2" sx={{ color: "text.secondary", mr: 1 }}>
                  {bed.note}
                </Typography>
                {at > 0 && (
                  <IconButton aria-label={`Move ${bed.name} up`} onClick={() => moveBed(bed, -1)}>
                    <ArrowUp size={18} />
                  </IconButton>
                )}
                {at < beds.length - 1 && (
                  <IconButton aria-label={`Move ${bed.name} down`} onClick={() => moveBed(bed, 1)}>
                    <ArrowDown size={18} />
                  </IconButton>
                )}
                <IconButton aria-label={`Change ${bed.name}`} onClick={() => setOpen({ kind: "bed", bed })}>
                  <Pencil size={18} />
                </IconButton>
                <IconButton
                  aria-label={`Add a plant to ${bed.name}`}
                  onClick={() => setOpen({ kind: "plant", plant: null, bedId: bed.id })}
                >
                  <Plus size={20} />
                </IconButton>
                {standing.length === 0 && (
                  <IconButton aria-label={`Remove ${bed.name}`} onClick={() => void removeBed(bed)}>
                    <Trash2 size={18} />
                  </IconButton>
                )}
              </Box>
            }
          >
            <BedElevation
              on={on}
              bed={bed}
              standing={standing}
              labels={labels}
              pxPerM={pxPerM}
              moving={moving}
              onOpen={onOpen}
            />
            <Looks
              bed={bed}
              standing={standing}
              on={on}
              onViewpoint={(viewpoint) => setOpen({ kind: "viewpoint", bed, viewpoint })}
            />
            {standing.length === 0 ? (
              <Box sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}>
                <Typography sx={{ color: "text.secondary" }}>Nothing planted here yet.</Typography>
                <Button variant="outlined" onClick={() => setOpen({ kind: "plant", plant: null, bedId: bed.id })}>
                  Add the first plant
                </Button>
              </Box>
            ) : (
              <PlantList standing={standing} numbered={labels.as === "numbers"} onEdit={onEdit} />
            )}
          </Section>
        ))}
      </DndContext>
      {open?.kind === "plant" && <PlantDialog plant={open.plant} bedId={open.bedId} onClose={() => setOpen(null)} />}
      {open?.kind === "viewpoint" && (
        <ViewpointDialog bed={open.bed} viewpoint={open.viewpoint} onClose={() => setOpen(null)} />
      )}
      {open?.kind === "bed" && <BedDialog bed={open.bed} onClose={() => setOpen(null)} />}
    </Box>
  );
}
