/** The place is given again; the rest of the garden is opened with it. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Typography } from "@mui/material";
import type { Place } from "@wren/core";
import { useForm } from "react-hook-form";
import { replaceStored } from "../data/changes.ts";
import { gardenAt, type Found, type HeldApart } from "../data/stored.ts";
import { PlaceFields } from "../forms/PlaceFields.tsx";
import { placeInput, placeSchema, type PlaceInput } from "../forms/placeForm.ts";
import { db, tab } from "../state/keeper.ts";

type Headless = Extract<Found, { is: "headless" }>;

export function PlaceAgain({ found, onFound }: { readonly found: Headless; readonly onFound: (found: Found) => void }) {
  const form = useForm<PlaceInput, unknown, Place>({
    resolver: zodResolver(placeSchema("both")),
    defaultValues: placeInput(null, "both"),
  });
  const give = async (place: Place): Promise<void> => {
    const garden = gardenAt(found.tables, place);
    if (!garden) return;
    const stays = found.apart.filter((a): a is HeldApart => a.list !== "head");
    onFound(await replaceStored(db, tab, "Place given again", { garden, demo: false }, stays));
  };
  return (
    <Box component="form" noValidate onSubmit={(e) => void form.handleSubmit(give)(e)} sx={{ mb: 3 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Give the place again
      </Typography>
      <PlaceFields form={form} units="both" first />
      <Button type="submit" variant="contained">
        Open the garden there
      </Button>
    </Box>
  );
}
