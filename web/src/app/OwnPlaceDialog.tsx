/** Start with one's own place: four facts, then an empty garden that answers for it. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { emptyGarden, type Place } from "@wren/core";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import { PlaceFields } from "../forms/PlaceFields.tsx";
import { placeInput, placeSchema, type PlaceInput } from "../forms/placeForm.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";

export default function OwnPlaceDialog({ onClose }: { readonly onClose: () => void }) {
  const { change } = useGarden();
  const navigate = useNavigate();
  const { control, handleSubmit } = useForm<PlaceInput, unknown, Place>({
    resolver: zodResolver(placeSchema),
    defaultValues: placeInput(null),
  });
  const start = async (place: Place): Promise<void> => {
    if (
      !(await change("Your own garden started", () => emptyGarden(newId(), place), {
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
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="own-title">
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(start)(e)}>
        <DialogTitle id="own-title">Your own place</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 2 }}>
            The answers come from how cold your winters get and when frost usually ends and begins. The demo garden
            goes; you can undo that.
          </Typography>
          <PlaceFields control={control} />
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
