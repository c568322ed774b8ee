/** The beds as elevations to scale; add, change, move and remove plants and beds. */
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from "@dnd-kit/core";
import { Box, Button, Typography, useMediaQuery } from "@mui/material";
import type { Bed, Plant, Viewpoint } from "@wren/core";
import { Plus } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { PlantDialog } from "../../forms/PlantDialog.tsx";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { withoutBed, withRow } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useStable } from "../../state/stable.ts";
import { BedDialog } from "./BedDialog.tsx";
import { BedSection } from "./BedSection.tsx";
import { draggedTo, scaleFor } from "./elevation.geometry.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { ViewpointDialog } from "./ViewpointDialog.tsx";

type Open =
  | { readonly kind: "plant"; readonly plant: Plant | null; readonly bedId?: string }
  | { readonly kind: "bed"; readonly bed: Bed | null }
  | { readonly kind: "viewpoint"; readonly bed: Bed; readonly viewpoint: Viewpoint | null };

const screenReaderInstructions = {
  draggable: "Press space to pick the plant up, the arrows to move it, space to set it down, escape to leave it.",
};
/** So many plants are worked out at once; in a larger garden a bed waits until it comes near the screen. */
const SMALL = 150;
const NO_PLANTS: readonly Plant[] = [];

function inBeds(plants: readonly Plant[]): ReadonlyMap<string, readonly Plant[]> {
  const out = new Map<string, Plant[]>();
  for (const p of plants) {
    const row = out.get(p.bedId);
    if (row) row.push(p);
    else out.set(p.bedId, [p]);
  }
  return out;
}

export function GardenScreen() {
  const { garden, change } = useGarden();
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
  const byBed = useMemo(() => inBeds(garden.plants), [garden.plants]);
  const small = garden.plants.length <= SMALL;
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
  const plantName = (id: UniqueIdentifier): string => garden.plants.find((p) => p.id === id)?.label ?? "The plant";
  const bedName = (id: UniqueIdentifier | undefined): string =>
    garden.beds.find((b) => b.id === id)?.name ?? "where it stands";
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${plantName(active.id)} is picked up.`,
    onDragOver: ({ active, over }) => `${plantName(active.id)} is over ${bedName(over?.id)}.`,
    onDragEnd: ({ active, over }) => `${plantName(active.id)} is set down in ${bedName(over?.id)}.`,
    onDragCancel: ({ active }) => `${plantName(active.id)} stays where it was.`,
  };
  const onEdit = useStable((plant: Plant) => setOpen({ kind: "plant", plant }));
  const onOpen = useStable((id: string) => void navigate(linkNow(`/plant/${id}`)));
  const onViewpoint = useStable((bed: Bed, viewpoint: Viewpoint | null) =>
    setOpen({ kind: "viewpoint", bed, viewpoint }),
  );
  const onAdd = useStable((bed: Bed) => setOpen({ kind: "plant", plant: null, bedId: bed.id }));
  const onChangeBed = useStable((bed: Bed) => setOpen({ kind: "bed", bed }));
  /** Swaps a bed with the one above (-1) or below (1). */
  const moveBed = useStable((bed: Bed, by: -1 | 1) => {
    const other = garden.beds[garden.beds.indexOf(bed) + by];
    if (!other) return;
    const order = new Map([
      [bed.id, other.order],
      [other.id, bed.order],
    ]);
    void change(`${bed.name} moved ${by < 0 ? "up" : "down"}`, (g) => ({
      ...g,
      beds: g.beds.map((b) => (order.has(b.id) ? { ...b, order: order.get(b.id)! } : b)),
    }));
  });
  const removeBed = useStable((bed: Bed) => void change(`${bed.name} removed`, (g) => withoutBed(g, bed.id)));
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
      <DndContext sensors={sensors} onDragEnd={onDragEnd} accessibility={{ announcements, screenReaderInstructions }}>
        {garden.beds.map((bed, at) => (
          <BedSection
            key={bed.id}
            bed={bed}
            plants={byBed.get(bed.id) ?? NO_PLANTS}
            on={on}
            pxPerM={pxPerM}
            moving={moving}
            atOnce={small}
            first={at === 0}
            last={at === garden.beds.length - 1}
            onOpen={onOpen}
            onEdit={onEdit}
            onViewpoint={onViewpoint}
            onAdd={onAdd}
            onMove={moveBed}
            onChange={onChangeBed}
            onRemove={removeBed}
          />
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
