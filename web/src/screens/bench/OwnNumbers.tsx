/** The gardener's own hours and prices, in place of ours. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button } from "@mui/material";
import { BOUNDS, type Plant, type Rules } from "@wren/core";
import { useForm } from "react-hook-form";
import * as z from "zod";
import { Field } from "../../forms/Field.tsx";
import { numberOrNothing } from "../../forms/fields.ts";
import { withRow } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";

const hours = numberOrNothing(BOUNDS.hours);
const price = numberOrNothing(BOUNDS.price);
const Schema = z.object({ hold: hours, move: hours, replace: hours, hour: price, plant: price, haulM3: price });
type Typed = z.input<typeof Schema>;
type Read = z.output<typeof Schema>;

const FIELDS: readonly (readonly [name: keyof Typed, label: string, hint: string])[] = [
  ["hold", "Hours a year to hold it", "empty: from your log, else by size"],
  ["move", "Hours to move it, once", "empty: by size"],
  ["replace", "Hours to take it out and plant another", "empty: by size"],
  ["hour", "What an hour is worth to you", "in your money; for all plants"],
  ["plant", "What a new plant costs", "in your money; for all plants"],
  ["haulM3", "To have a cubic metre of cuttings taken away", "in your money; for all plants"],
];

const typed = (plant: Plant, { prices }: Rules): Typed => {
  const text = (n: number | null): string => (n === null ? "" : String(n));
  return {
    hold: text(plant.hours.hold),
    move: text(plant.hours.move),
    replace: text(plant.hours.replace),
    hour: text(prices.hour),
    plant: text(prices.plant),
    haulM3: text(prices.haulM3),
  };
};

export function OwnNumbers({ plant }: { readonly plant: Plant }) {
  const { garden, change } = useGarden();
  const { control, handleSubmit } = useForm<Typed, unknown, Read>({
    resolver: zodResolver(Schema),
    defaultValues: typed(plant, garden.rules),
  });
  const keep = ({ hold, move, replace, ...prices }: Read): Promise<boolean> =>
    change(`${plant.label}: own hours and prices`, (g) => ({
      ...withRow(g, "plants", plant, (p) => ({ ...p, hours: { hold, move, replace } })),
      rules: { ...g.rules, prices },
    }));
  return (
    <details className="more">
      <summary>Your own hours and prices</summary>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => void handleSubmit(keep)(e)}
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr", md: "1fr 1fr 1fr" }, gap: 1.5, mt: 1 }}
      >
        {FIELDS.map(([name, label, hint]) => (
          <Field
            key={name}
            control={control}
            name={name}
            label={label}
            helperText={hint}
            slotProps={{ htmlInput: { inputMode: "decimal" } }}
          />
        ))}
        <Box>
          <Button type="submit" variant="outlined">
            Keep these
          </Button>
        </Box>
      </Box>
    </details>
  );
}
