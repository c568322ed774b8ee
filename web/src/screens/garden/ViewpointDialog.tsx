/** Add or change a place from which somebody looks at a bed. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import { BOUNDS, lengthInField, type Bed, type Viewpoint } from "@wren/core";
import { useForm } from "react-hook-form";
import * as z from "zod";
import { bareUnit, lengthText, nameText } from "../../forms/fields.ts";
import { Field } from "../../forms/Field.tsx";
import { withoutViewpoint, withPatch } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";

/** Eye heights that come up again and again, metres. */
const PRESETS = [
  ["Terrace, sitting", 1.2],
  ["Street, standing", 1.6],
  ["Upstairs", 4],
] as const;

export function ViewpointDialog({
  bed,
  viewpoint,
  onClose,
}: {
  readonly bed: Bed;
  readonly viewpoint: Viewpoint | null;
  readonly onClose: () => void;
}) {
  const { garden, change } = useGarden();
  const bare = bareUnit(garden.rules.units);
  const schema = z.strictObject({
    name: nameText("Give it a name"),
    eye: lengthText(bare, BOUNDS.eyeHeightM),
    distance: lengthText(bare, BOUNDS.viewDistanceM),
    along: lengthText(bare, { from: 0, to: BOUNDS.viewAlongM.to }),
  });
  const { control, handleSubmit, setValue, getValues } = useForm<
    z.input<typeof schema>,
    unknown,
    z.output<typeof schema>
  >({
    resolver: zodResolver(schema),
    defaultValues: {
      name: viewpoint?.name ?? "",
      eye: lengthInField(viewpoint?.eyeHeightM ?? 1.6, bare),
      distance: lengthInField(viewpoint?.distanceM ?? 5, bare),
      along: lengthInField(Math.max(0, viewpoint?.alongM ?? bed.lengthM / 2), bare),
    },
  });
  const save = async (v: z.output<typeof schema>): Promise<void> => {
    const next: Viewpoint = {
      id: viewpoint?.id ?? newId(),
      name: v.name,
      bedId: bed.id,
      eyeHeightM: v.eye,
      distanceM: v.distance,
      alongM: v.along,
    };
    const kept = await change(`${next.name} ${viewpoint ? "changed" : "added"}`, (g) =>
      viewpoint ? withPatch(g, "viewpoints", viewpoint, next) : { ...g, viewpoints: [...g.viewpoints, next] },
    );
    if (kept) onClose();
  };
  const remove = async (id: string): Promise<void> => {
    const kept = await change("Viewpoint removed", (g) => withoutViewpoint(g, id));
    if (kept) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="viewpoint-title">
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
        <DialogTitle id="viewpoint-title">Who looks at {bed.name}?</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 0.5, pt: "8px !important" }}>
          <Box sx={{ display: "flex", gap: 0.5, flexWrap: "wrap", mb: 1 }}>
            {PRESETS.map(([name, eye]) => (
              <Button
                key={name}
                variant="outlined"
                size="small"
                onClick={() => {
                  setValue("eye", lengthInField(eye, bare));
                  if (getValues("name") === "") setValue("name", name);
                }}
              >
                {name}
              </Button>
            ))}
          </Box>
          <Field control={control} name="name" label="From where" />
          <Field control={control} name="eye" label={`Eye height above the bed's ground (${bare})`} />
          <Field control={control} name="distance" label={`Distance from the bed's front (${bare})`} />
          <Field control={control} name="along" label={`Opposite which point along the bed (${bare})`} />
        </DialogContent>
        <DialogActions>
          {viewpoint && (
            <Button color="error" onClick={() => void remove(viewpoint.id)}>
              Remove
            </Button>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            {viewpoint ? "Save" : "Add"}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
