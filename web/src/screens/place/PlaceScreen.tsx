/** Place & rules: what the answers rest on, the schools you hold, and your data in and out. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, FormControlLabel, Radio, RadioGroup, Typography } from "@mui/material";
import {
  frostDates,
  schoolOption,
  SCHOOLS,
  seasonDate,
  SOURCES,
  UNITS,
  type GardenModel,
  type Place,
  type Rules,
} from "@wren/core";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { PlaceFields } from "../../forms/PlaceFields.tsx";
import { placeInput, placeSchema, type PlaceInput } from "../../forms/placeForm.ts";
import { withPlace } from "../../state/edits.ts";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { dateText } from "../../words/dates.ts";
import { Section } from "../../ui/Section.tsx";
import { Climate } from "./Climate.tsx";
import { DataInOut } from "./DataInOut.tsx";

function PlaceForm() {
  const { garden, change, demo } = useGarden();
  const [was] = useState(garden.place);
  const { units } = garden.rules;
  const form = useForm<PlaceInput, unknown, Place>({
    resolver: zodResolver(placeSchema(units)),
    defaultValues: placeInput(was, units),
  });
  const save = async (place: Place): Promise<void> => {
    await change("Place changed", (g) => withPlace(g, was, { ...place, monthly: was.monthly }), { demo });
  };
  return (
    <Box component="form" noValidate onSubmit={(e) => void form.handleSubmit(save)(e)}>
      <PlaceFields form={form} units={units} monthly={was.monthly} />
      <Button type="submit" variant="contained">
        Save the place
      </Button>
    </Box>
  );
}

/** One year in ten, beside the halves that stand in the form. */
function RareFrosts() {
  const { model } = useGarden();
  const { on } = useDay();
  const { climate } = model;
  const { seasonYear } = model.season(on);
  const day = (d: number): string => dateText(seasonDate(seasonYear, d, climate.hemisphere));
  const tenth = frostDates(climate, 0, 0.1);
  return tenth.last === null || tenth.first === null ? null : (
    <Typography sx={{ mt: 2 }}>
      One year in ten freezes after {day(tenth.last)} or before {day(tenth.first)}.
    </Typography>
  );
}

const UNIT_LABELS: Readonly<Record<Rules["units"], string>> = {
  metric: "Metres and centimetres",
  imperial: "Feet and inches",
  both: "Both",
};

/** What a school falls back on at this place. */
const defaultOf = (s: (typeof SCHOOLS)[number], model: GardenModel): string =>
  schoolOption(s.id, {}, model.climate.coldestNightC).id;

function Schools() {
  const { garden, model, change } = useGarden();
  const setRules = (label: string, rules: (now: Rules) => Partial<Rules>) =>
    change(label, (g) => ({ ...g, rules: { ...g.rules, ...rules(g.rules) } }));
  return (
    <>
      <Section title="Units">
        <RadioGroup
          row
          aria-label="Units"
          value={garden.rules.units}
          onChange={(_, v) => void setRules("Units changed", () => ({ units: v as Rules["units"] }))}
        >
          {UNITS.map((u) => (
            <FormControlLabel key={u} value={u} control={<Radio />} label={UNIT_LABELS[u]} />
          ))}
        </RadioGroup>
      </Section>
      {SCHOOLS.map((s) => (
        <Section key={s.id} title={s.question}>
          <RadioGroup
            aria-label={s.question}
            value={model.school(s.id).id}
            onChange={(_, v) => void setRules("School changed", (now) => ({ schools: { ...now.schools, [s.id]: v } }))}
          >
            {s.options.map((o) => (
              <FormControlLabel
                key={o.id}
                value={o.id}
                control={<Radio />}
                sx={{ alignItems: "flex-start", mb: 1 }}
                label={
                  <Box sx={{ pt: 1 }}>
                    <Typography component="span" sx={{ fontWeight: 700, display: "block" }}>
                      {o.label}
                    </Typography>
                    <Typography component="span" variant="body2" sx={{ display: "block" }}>
                      {o.id === defaultOf(s, model) && <strong>The default here: {s.because}. </strong>}
                      Suits {o.suits}. Its price: {o.cost}.{" "}
                      <Box component="span" sx={{ color: "text.secondary" }}>
                        {SOURCES[o.source].citation}
                      </Box>
                    </Typography>
                  </Box>
                }
              />
            ))}
          </RadioGroup>
        </Section>
      ))}
    </>
  );
}

export function PlaceScreen() {
  const { garden } = useGarden();
  return (
    <Box>
      <Typography variant="h1" sx={{ mb: 2 }}>
        Place & rules
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
          gap: { xs: 0, md: 4 },
        }}
      >
        <Box>
          <Section title="Your place">
            <PlaceForm key={JSON.stringify(garden.place)} />
            <RareFrosts />
          </Section>
          <Climate />
          <DataInOut />
        </Box>
        <Box>
          <Schools />
        </Box>
      </Box>
    </Box>
  );
}
