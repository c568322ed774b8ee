/** The twelve monthly means of a place, January to December, typed in °C or °F. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { monthMeans, type Place } from "@wren/core";
import { useForm } from "react-hook-form";
import { Field } from "../../forms/Field.tsx";
import { monthsInput, monthsSchema, type MonthsInput } from "../../forms/monthsForm.ts";
import { withPlace } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { monthText } from "../../words/dates.ts";

export function MonthsDialog({ onClose }: { readonly onClose: () => void }) {
  const { garden, model, change, demo } = useGarden();
  const scale = garden.rules.units === "imperial" ? "F" : "C";
  const { climate } = model;
  const start = garden.place.monthly ?? {
    tminC: monthMeans(climate.tminC, climate.hemisphere),
    tmaxC: monthMeans(climate.tmaxC, climate.hemisphere),
  };
  const { control, handleSubmit } = useForm<MonthsInput, unknown, Place>({
    resolver: zodResolver(monthsSchema(garden.place, scale)),
    defaultValues: monthsInput(start.tminC, start.tmaxC, scale),
  });
  const save = async (place: Place): Promise<void> => {
    if (await change("Climate from monthly means", (g) => withPlace(g, garden.place, place), { demo })) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="months-title">
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
        <DialogTitle id="months-title">Twelve monthly means</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 2 }}>
            Mean daily minimum and maximum, in °{scale}, as a weather office or almanac prints them. What stands here
            now is what is worked out for your place.
          </Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "7.5rem 1fr 1fr", gap: 1, alignItems: "start" }}>
            {start.tminC.map((_, i) => {
              const month = monthText(i + 1, "long");
              return (
                <Box key={month} sx={{ display: "contents" }}>
                  <Typography sx={{ pt: 1 }}>{month}</Typography>
                  <Field
                    control={control}
                    name={`months.${i}.lo`}
                    label="Minimum"
                    size="small"
                    slotProps={named(`Mean minimum, ${month}`)}
                  />
                  <Field
                    control={control}
                    name={`months.${i}.hi`}
                    label="Maximum"
                    size="small"
                    slotProps={named(`Mean maximum, ${month}`)}
                  />
                </Box>
              );
            })}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" variant="contained">
            Use these months
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
const named = (name: string) => ({ htmlInput: { "aria-label": name, inputMode: "decimal" as const } });
