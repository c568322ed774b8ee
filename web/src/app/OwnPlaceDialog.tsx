/** Start with one's own place: a town, or what is known instead, then an empty garden that answers for it. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { emptyGarden, type Place } from "@wren/core";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import { PlaceFields } from "../forms/PlaceFields.tsx";
import { placeInput, placeSchema, type PlaceInput } from "../forms/placeForm.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";
import { useNarrow } from "../ui/useNarrow.ts";

export default function OwnPlaceDialog({ onClose }: { readonly onClose: () => void }) {
  const { change, garden } = useGarden();
  const { units } = garden.rules;
  const navigate = useNavigate();
  const narrow = useNarrow();
  const form = useForm<PlaceInput, unknown, Place>({
    resolver: zodResolver(placeSchema(units)),
    defaultValues: placeInput(null, units),
  });
  const start = async (place: Place): Promise<void> => {
    if (
      !(await change("Your own garden started", () => ({ ...emptyGarden(newId(), place), name: place.name }), {
        demo: false,
        apart: [],
        replaces: true,
      }))
    )
      return;
    onClose();
    await navigate("/garden");
  };
  return (
    <Dialog open onClose={onClose} fullWidth fullScreen={narrow} maxWidth="sm" aria-labelledby="own-title">
      <Box
        component="form"
        sx={{ display: "flex", flexDirection: "column", minHeight: 0 }}
        noValidate
        onSubmit={(e) => void form.handleSubmit(start)(e)}
      >
        <DialogTitle id="own-title">Your own place</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 2 }}>
            A town is enough: the warmth of your year and its frosts follow from it. The demo garden goes; you can undo
            that.
          </Typography>
          <PlaceFields form={form} units={units} first />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Stay in the demo</Button>
          <Button type="submit" variant="contained">
            Start here
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
