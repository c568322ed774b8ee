/** What the answers rest on: a town or a latitude, what follows from it at once, and a way to correct each part. */
import { Box, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { BOUNDS, climateOf, SITES, zoneFloorC, ZONES, type Place, type Rules, type Site, type Town } from "@wren/core";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { Controller, useFormState, useWatch, type UseFormReturn } from "react-hook-form";
import { PlaceYear } from "../drawing/PlaceYear.tsx";
import { today } from "../data/clock.ts";
import { oddText, placeText } from "../words/placeWords.ts";
import { Choice, DateField, Field } from "./Field.tsx";
import { placeInput, placeSchema, UNNAMED, type PlaceInput } from "./placeForm.ts";
import { fromSpot, type Spot } from "./spot.ts";
import { temperatureInField, temperatureText } from "./temperature.ts";
import { TownField } from "./TownField.tsx";
import { TownsAlike } from "./TownsAlike.tsx";

const SITE_WORDS: Readonly<Record<Site, string>> = {
  usual: "As the land around",
  hollow: "In a frost hollow",
  wall: "By a warm wall or in the middle of a town",
  hilltop: "On a hilltop",
};

interface Props {
  readonly form: UseFormReturn<PlaceInput, unknown, Place>;
  readonly units: Rules["units"];
  /** Nothing was said yet: the town comes first and names the place. */
  readonly first?: boolean;
  /** The place's own months, which stand above what is said here. */
  readonly monthly?: Place["monthly"];
}

/** What the program makes of it, as soon as there is enough. */
function AtOnce({ place, units }: { readonly place: Place; readonly units: Rules["units"] }) {
  const climate = useMemo(() => climateOf(place), [place]);
  const year = Number(today().slice(0, 4));
  return (
    <Box sx={{ my: 1.5 }} aria-live="polite">
      <PlaceYear climate={climate} units={units} />
      <Typography sx={{ mt: 1 }}>
        {placeText(climate, units, year)} <strong>Does that look right?</strong>
      </Typography>
      {climate.odd.map((o) => (
        <Typography key={o.one} role="status" sx={{ color: "var(--sapwood)", fontWeight: 600, mt: 1 }}>
          {oddText(o)}
        </Typography>
      ))}
    </Box>
  );
}

export function PlaceFields({ form, units, first = false, monthly = null }: Props) {
  const { control, setValue, getValues } = form;
  const [spot, setSpot] = useState<{ readonly towns: readonly Town[]; readonly at: Spot } | null>(null);
  const typed = useDeferredValue(useWatch({ control }));
  const read = useMemo(() => {
    const r = placeSchema(units).safeParse(typed);
    return r.success ? { ...r.data, monthly } : null;
  }, [typed, units, monthly]);
  // Elsewhere than the town, what it says is not of this place: a latitude typed by hand leaves it.
  const [left, setLeft] = useState(0);
  const given = useRef<Partial<PlaceInput>>({});
  useEffect(() => {
    const watched = form.watch((_, { name, type }) => {
      if (name !== "latitudeDeg" || type !== "change" || getValues("near") === null) return;
      const none = placeInput(null, units);
      setValue("near", null, { shouldDirty: true });
      for (const field of ["zone", "lastFrost", "firstFrost", "noFrost"] as const)
        if (getValues(field) === given.current[field]) setValue(field, none[field], { shouldDirty: true });
      setSpot(null);
      setLeft((n) => n + 1);
    });
    return () => watched.unsubscribe();
  }, [form, getValues, setValue, units]);
  const take = (towns: readonly Town[], at: Spot): void => {
    const more = fromSpot(towns, at);
    given.current = more;
    for (const [field, value] of Object.entries(more))
      setValue(field as keyof PlaceInput, value as never, { shouldDirty: true, shouldValidate: false });
    const named = getValues("name").trim();
    if (at.named && (named === "" || named.startsWith("Near "))) setValue("name", `Near ${at.named.name}`);
    setSpot({ towns, at });
  };
  const height = (text: string): void => {
    const metres = Number(text.trim().replace(",", "."));
    const { from, to } = BOUNDS.altitudeM;
    if (spot && text.trim() !== "" && metres >= from && metres <= to)
      take(spot.towns, { ...spot.at, altitudeM: metres });
  };
  const noFrost = useWatch({ control, name: "noFrost" });
  const [opened, setOpened] = useState(false);
  // What is wrong must be seen.
  const { errors } = useFormState({ control });
  const wrong = Object.keys(errors).some((field) => field !== "name");
  return (
    <Box>
      <TownField key={left} start={getValues("near")?.town ?? ""} onSpot={take} />
      {read?.near === null && read.zone !== null && monthly === null && (
        <TownsAlike
          place={read}
          units={units}
          onWarmest={(c) => setValue("warmestC", temperatureInField(c, units), { shouldDirty: true })}
        />
      )}
      {read ? (
        <AtOnce place={read} units={units} />
      ) : (
        first && <Typography sx={{ mb: 1 }}>A latitude will do instead; a zone or frost dates narrow it.</Typography>
      )}
      <Box
        component="details"
        open={opened || wrong}
        onToggle={(e) => setOpened(e.currentTarget.open)}
        sx={{ mb: 1.5 }}
      >
        <Box
          component="summary"
          sx={{ cursor: "pointer", fontWeight: 600, minHeight: 44, display: "list-item", py: 1.25 }}
        >
          {read ? "Correct what you know better" : "Without a town"}
        </Box>
        <Typography variant="body2" sx={{ mb: 1.5 }}>
          All of it may be left out; what you fill in counts.
        </Typography>
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 2, rowGap: 0.5 }}>
          <Field
            control={control}
            name="latitudeDeg"
            label="Latitude (degrees)"
            helperText="Like 40.5; south of the equator negative"
          />
          {spot ? (
            <TextField
              key={spot.at.named?.name ?? "here"}
              label="Height above the sea (m)"
              defaultValue={String(Math.round(spot.at.altitudeM))}
              onChange={(e) => height(e.target.value)}
              helperText="If the garden lies higher or lower than the town"
            />
          ) : (
            <span />
          )}
          <Field
            control={control}
            name="warmestC"
            label="Afternoons of the warmest month"
            helperText={`Like ${temperatureText(24, units)}`}
          />
          <Field
            control={control}
            name="nightsC"
            label="Nights of the coldest month"
            helperText={`Like ${temperatureText(-3, units)}`}
          />
          <Field
            control={control}
            name="coldestNightC"
            label="Coldest night of a usual winter"
            helperText={`Like ${temperatureText(-12, units)}`}
          />
          <Choice
            control={control}
            name="zone"
            label="Hardiness zone"
            options={[
              ["", "Not known, or left out"],
              ...ZONES.map((z) => [z, `${z} (coldest nights from ${temperatureText(zoneFloorC(z), units)})`] as const),
            ]}
          />
          {!noFrost && (
            <>
              <DateField
                control={control}
                name="lastFrost"
                label="Usual last frost of spring"
                helperText="Only the day and month count"
              />
              <DateField
                control={control}
                name="firstFrost"
                label="Usual first frost of autumn"
                helperText="Only the day and month count"
              />
            </>
          )}
          <Choice
            control={control}
            name="site"
            label="The garden lies"
            options={SITES.map((s) => [s, SITE_WORDS[s]])}
          />
          <Controller
            control={control}
            name="noFrost"
            render={({ field }) => (
              <FormControlLabel
                control={
                  <Checkbox
                    checked={field.value}
                    onChange={(e) => {
                      field.onChange(e.target.checked);
                      if (e.target.checked) {
                        setValue("lastFrost", "");
                        setValue("firstFrost", "");
                      }
                    }}
                  />
                }
                label="No frost in most years"
              />
            )}
          />
        </Box>
      </Box>
      <Field
        control={control}
        name="name"
        label="Name of the place"
        helperText={first ? `Left out, it is “${UNNAMED}”` : undefined}
      />
    </Box>
  );
}
