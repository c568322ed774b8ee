/** Add or change a plant: the kind by any of its names, then what can be seen of it. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, useMediaQuery } from "@mui/material";
import {
  CATALOGUE,
  CONDITIONS,
  FORMS,
  GOAL_TABLE,
  goalHasHeight,
  GOALS,
  VIGOURS,
  type Plant,
  type Taxon,
} from "@wren/core";
import { useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { today } from "../data/clock.ts";
import { withPatch } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";
import { CONDITION_LABELS, FORM_LABELS, VIGOUR_LABELS } from "../words/labels.ts";
import { bareUnit } from "./fields.ts";
import { Choice, DateField, Field } from "./Field.tsx";
import { KindField } from "./KindField.tsx";
import { nextPlace } from "./nextPlace.ts";
import { newPlantInput, plantFrom, plantInput, plantSchema, type PlantInput, type PlantValues } from "./plantForm.ts";

interface Props {
  /** null adds a new one. */
  readonly plant: Plant | null;
  readonly bedId?: string | undefined;
  readonly onClose: () => void;
}

const GRID = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
  columnGap: 2,
  rowGap: 0.5,
} as const;

export function PlantDialog({ plant, bedId, onClose }: Props) {
  const { garden, model, change } = useGarden();
  const { units } = garden.rules;
  const records = plant
    ? [
        ...model.visitsOf(plant.id),
        ...model.observationsOf(plant.id),
        ...garden.photos.filter((p) => p.plantId === plant.id),
      ]
        .map((r) => r.on)
        .sort()
    : [];
  const firstRecord = records[0] ?? null;
  const bed = garden.beds.find((b) => b.id === bedId) ?? garden.beds[0];
  const { control, handleSubmit, reset, getValues } = useForm<PlantInput, unknown, PlantValues>({
    resolver: zodResolver(plantSchema(units, today(), firstRecord)),
    defaultValues: plant ? plantInput(plant, units) : newPlantInput(null, bed, units),
  });
  const [kindId, known, goal] = useWatch({ control, name: ["taxonId", "historyKnown", "goal"] });
  const [kindMissing, setKindMissing] = useState(false);
  const unit = bareUnit(units);
  const narrow = useMediaQuery("(max-width:600px)");

  const chooseKind = (t: Taxon | null): void => {
    setKindMissing(false);
    // A new kind brings its own name and size, unless they were typed in.
    const now = getValues();
    const fresh = newPlantInput(t, bed, units);
    reset(
      plant
        ? { ...now, taxonId: fresh.taxonId }
        : {
            ...fresh,
            bedId: now.bedId,
            plantedOn: now.plantedOn,
            plantedYear: now.plantedYear,
            historyKnown: now.historyKnown,
          },
    );
  };
  const save = async (v: PlantValues): Promise<void> => {
    const target = garden.beds.find((b) => b.id === v.bedId)!;
    const along = plant?.bedId === v.bedId ? plant.alongM : nextPlace(garden.plants, v.bedId, target.lengthM, v.width);
    const next = plantFrom(v, plant, today(), { id: plant?.id ?? newId(), alongM: along });
    const kept = await change(plant ? `${next.label} changed` : `${next.label} added`, (g) =>
      plant ? withPatch(g, "plants", plant, next) : { ...g, plants: [...g.plants, next] },
    );
    if (kept) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth fullScreen={narrow} maxWidth="sm" aria-labelledby="plant-dialog-title">
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          setKindMissing(kindId === "");
          void handleSubmit(save)(e);
        }}
      >
        <DialogTitle id="plant-dialog-title">{plant ? `Change ${plant.label}` : "Add a plant"}</DialogTitle>
        <DialogContent>
          <Box sx={{ mt: 1, mb: 1 }}>
            <KindField
              value={CATALOGUE.byId(kindId)}
              onChange={chooseKind}
              autoFocus={!plant}
              error={kindMissing ? "Choose a kind by its common or botanical name" : null}
            />
          </Box>
          <Box sx={GRID}>
            <Field control={control} name="label" label="What you call it" />
            <Choice control={control} name="bedId" label="Bed" options={garden.beds.map((b) => [b.id, b.name])} />
            <Field control={control} name="height" label={`Height (${unit})`} />
            <Field control={control} name="width" label={`Width (${unit})`} />
            <Choice
              control={control}
              name="historyKnown"
              label="Do you know when it was planted?"
              options={[
                ["yes", "Yes, the day"],
                ["about", "About: the year"],
                ["no", "No: it was here before me"],
              ]}
            />
            {known === "yes" && <DateField control={control} name="plantedOn" label="Planted on" />}
            {known === "about" && <Field control={control} name="plantedYear" label="Planted in the year" />}
            {known === "no" && <span />}
            <Choice
              control={control}
              name="condition"
              label="Condition"
              options={CONDITIONS.map((c) => [c, CONDITION_LABELS[c]])}
            />
            <Choice
              control={control}
              name="form"
              label="How is it grown?"
              options={[["", "As its kind usually is"], ...FORMS.map((f): [string, string] => [f, FORM_LABELS[f]])]}
            />
            <Choice
              control={control}
              name="vigour"
              label="How strong does it grow?"
              options={VIGOURS.map((v) => [v, VIGOUR_LABELS[v]])}
            />
            <Choice
              control={control}
              name="goal"
              label="What you want of it"
              options={GOALS.map((g) => [g, GOAL_TABLE[g].label])}
            />
            {goalHasHeight(goal) && <Field control={control} name="goalHeight" label={`Wanted height (${unit})`} />}
            <Field
              control={control}
              name="powerLine"
              label={`Nearest power line (${unit})`}
              helperText="Leave empty if none is near"
            />
            <Field
              control={control}
              name="thickest"
              label="Thickest stem (mm)"
              helperText="Leave empty if you do not know"
            />
          </Box>
          <Field control={control} name="note" label="Note" multiline minRows={2} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            {plant ? "Save" : "Add"}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
