/** Add or change a bed: its size, which way it looks, the sun it gets, wind and water. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, useMediaQuery } from "@mui/material";
import { BOUNDS, lengthInField, LETTERS, SUNS, UNSURVEYED_BED, WATERS, WINDS, type Bed } from "@wren/core";
import { useForm } from "react-hook-form";
import * as z from "zod";
import { bareUnit, lengthText, nameText, noteText } from "../../forms/fields.ts";
import { Choice, Field } from "../../forms/Field.tsx";
import { withPatch } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { WINDS_ROUND } from "../../words/winds.ts";

const UNSAID = "";
const WIND_NAMES = new Map(WINDS_ROUND);
const SUN_OPTIONS = [
  [UNSAID, "Not looked"],
  ["sun", "Sun"],
  ["part", "Part"],
  ["shade", "Shade"],
] as const;
const unsaidOr = <T extends string>(options: readonly [T, ...T[]]) =>
  z.union([z.literal(UNSAID), z.enum(options)]).transform((v) => (v === UNSAID ? null : v));

export function BedDialog({ bed, onClose }: { readonly bed: Bed | null; readonly onClose: () => void }) {
  const { garden, change } = useGarden();
  const narrow = useMediaQuery("(max-width:600px)");
  const bare = bareUnit(garden.rules.units);
  const schema = z.strictObject({
    name: nameText("Give it a name"),
    length: lengthText(bare, BOUNDS.bedLengthM),
    note: noteText(LETTERS.shortNote),
    faces: z.string(),
    morning: unsaidOr(SUNS),
    midday: unsaidOr(SUNS),
    late: unsaidOr(SUNS),
    shadedBy: noteText(LETTERS.aside),
    shadeGrows: z.enum(["no", "yes"]),
    wind: unsaidOr(WINDS),
    water: unsaidOr(WATERS),
  });
  const { control, handleSubmit } = useForm<z.input<typeof schema>, unknown, z.output<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: {
      name: bed?.name ?? "",
      length: lengthInField(bed?.lengthM ?? 6, bare),
      note: bed?.note ?? "",
      faces: bed?.facesDeg === null || bed === null ? UNSAID : String(bed.facesDeg),
      morning: bed?.sun.morning ?? UNSAID,
      midday: bed?.sun.midday ?? UNSAID,
      late: bed?.sun.late ?? UNSAID,
      shadedBy: bed?.shadedBy ?? "",
      shadeGrows: bed?.shadeGrows ? "yes" : "no",
      wind: bed?.wind ?? UNSAID,
      water: bed?.water ?? UNSAID,
    },
  });
  const save = async (v: z.output<typeof schema>): Promise<void> => {
    const next: Bed = {
      ...UNSURVEYED_BED,
      id: bed?.id ?? newId(),
      order: bed?.order ?? Math.max(-1, ...garden.beds.map((b) => b.order)) + 1,
      name: v.name,
      lengthM: v.length,
      note: v.note,
      facesDeg: v.faces === UNSAID ? null : Number(v.faces),
      sun: { morning: v.morning, midday: v.midday, late: v.late },
      shadedBy: v.shadedBy,
      shadeGrows: v.shadeGrows === "yes",
      wind: v.wind,
      water: v.water,
    };
    const kept = await change(bed ? `${next.name} changed` : `${next.name} added`, (g) =>
      bed ? withPatch(g, "beds", bed, next) : { ...g, beds: [...g.beds, next] },
    );
    if (kept) onClose();
  };
  const faces = [UNSAID, ...WIND_NAMES.keys()];
  const known =
    bed?.facesDeg == null || faces.includes(String(bed.facesDeg)) ? faces : [...faces, String(bed.facesDeg)];
  const compass = (v: string): string => (v === UNSAID ? "Not looked" : (WIND_NAMES.get(v) ?? `${v}°`));
  return (
    <Dialog open onClose={onClose} fullWidth fullScreen={narrow} maxWidth="sm" aria-labelledby="bed-dialog-title">
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
        <DialogTitle id="bed-dialog-title">{bed ? `Change ${bed.name}` : "Add a bed"}</DialogTitle>
        <DialogContent
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
            columnGap: 2,
            rowGap: 0.5,
            pt: "8px !important",
          }}
        >
          <Field control={control} name="name" label="Name" autoFocus />
          <Field control={control} name="length" label={`Length (${bare})`} />
          <Choice
            control={control}
            name="faces"
            label="Its front looks to"
            options={known.map((v) => [v, compass(v)])}
          />
          <Choice control={control} name="morning" label="Morning" options={SUN_OPTIONS} />
          <Choice control={control} name="midday" label="Midday" options={SUN_OPTIONS} />
          <Choice control={control} name="late" label="Late" options={SUN_OPTIONS} />
          <Field control={control} name="shadedBy" label="What shades it" />
          <Choice
            control={control}
            name="shadeGrows"
            label="Does that still grow?"
            options={[
              ["no", "No"],
              ["yes", "Yes: darker every year"],
            ]}
          />
          <Choice
            control={control}
            name="wind"
            label="Wind"
            options={[
              [UNSAID, "Not looked"],
              ["sheltered", "Sheltered"],
              ["some", "Some"],
              ["exposed", "Exposed"],
            ]}
          />
          <Choice
            control={control}
            name="water"
            label="Water"
            options={[
              [UNSAID, "Not looked"],
              ["none", "Rain only"],
              ["hand", "By hand"],
              ["irrigation", "Irrigation"],
            ]}
          />
          <Field control={control} name="note" label="Note" multiline sx={{ gridColumn: "1 / -1" }} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            {bed ? "Save" : "Add"}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
