import { Box } from "@mui/material";
import { ZONES, zoneFloorC, type Place } from "@wren/core";
import { useWatch, type Control } from "react-hook-form";
import { Choice, DateField, Field } from "./Field.tsx";
import type { PlaceInput } from "./placeForm.ts";

const zoneLabel = (z: string): string => `${z} (coldest nights from ${Math.round(zoneFloorC(z))} °C)`;

/** What the answers rest on: zone, frost dates, latitude. */
export function PlaceFields({ control }: { readonly control: Control<PlaceInput, unknown, Place> }) {
  const frost = useWatch({ control, name: "frost" });
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 2, rowGap: 0.5 }}>
      <Field control={control} name="name" label="Name of the place" />
      <Field
        control={control}
        name="latitudeDeg"
        label="Latitude (degrees)"
        helperText="Like 40.5; south of the equator negative"
      />
      <Choice control={control} name="zone" label="Hardiness zone" options={ZONES.map((z) => [z, zoneLabel(z)])} />
      <Choice
        control={control}
        name="frost"
        label="Frost"
        options={[
          ["yes", "It freezes in most winters"],
          ["no", "No frost expected"],
        ]}
      />
      {frost === "yes" && (
        <>
          <DateField
            control={control}
            name="lastFrost"
            label="Average last frost of spring"
            helperText="Only the day and month count"
          />
          <DateField
            control={control}
            name="firstFrost"
            label="Average first frost of autumn"
            helperText="Only the day and month count"
          />
        </>
      )}
    </Box>
  );
}
