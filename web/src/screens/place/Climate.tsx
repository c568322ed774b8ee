/** Three ways in: zone and frost dates, twelve monthly means, or observed days; and this year's days. */
import { Box, Button, Typography } from "@mui/material";
import { climateFromDays, readWeather, type Garden, type ObservedClimate, type Place } from "@wren/core";
import Papa from "papaparse";
import { useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { useGarden } from "../../state/garden.tsx";
import { useStation } from "../../state/useStation.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";
import { MonthsDialog } from "./MonthsDialog.tsx";
import { WeatherDialog, type WeatherFound } from "./WeatherDialog.tsx";

const MOST_BYTES = 20_000_000;

async function openWeather(file: File): Promise<WeatherFound> {
  if (file.size > MOST_BYTES)
    return {
      file: file.name,
      read: { ok: false, issues: [{ code: "weather-long", path: [0], values: { lines: "Too many", most: 120_000 } }] },
    };
  const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  return { file: file.name, read: readWeather(data, today()) };
}

const placeOf = (place: Place, found: ObservedClimate): Place => ({
  ...place,
  zone: found.zone,
  monthly: {
    tminC: [...found.monthly.tminC],
    tmaxC: [...found.monthly.tmaxC],
    sdMinC: found.monthly.sdMinC && [...found.monthly.sdMinC],
    sdMeanC: found.monthly.sdMeanC && [...found.monthly.sdMeanC],
  },
  ...(found.lastFrost === null || found.firstFrost === null
    ? {}
    : { lastFrost: found.lastFrost, firstFrost: found.firstFrost }),
});

const known = (w: Garden["weather"][number]): number => w.tmaxC.filter((t) => t !== null).length;

/** The observed and simulated years that are kept, each with a way out. */
function Years() {
  const { garden, change } = useGarden();
  if (garden.weather.length === 0) return null;
  const remove = (id: string, year: number): Promise<boolean> =>
    change(`Weather of ${year} removed`, (g) => ({ ...g, weather: g.weather.filter((w) => w.id !== id) }));
  return (
    <Box
      component="ul"
      aria-label="Days of weather"
      sx={{ listStyle: "none", p: 0, my: 1, maxHeight: 260, overflowY: "auto" }}
    >
      {garden.weather.map((w) => (
        <Box
          component="li"
          key={w.id}
          sx={{ display: "flex", gap: 1, alignItems: "center", borderBottom: "1px solid var(--line)" }}
        >
          <Typography sx={{ flex: 1 }}>
            <span className="numeral">{w.year}</span>: {known(w)} days
            {w.source === "simulated" && <strong> · simulated, not observed</strong>}
          </Typography>
          <Button size="small" onClick={() => void remove(w.id, w.year)} aria-label={`Remove the weather of ${w.year}`}>
            Remove
          </Button>
        </Box>
      ))}
    </Box>
  );
}

export function Climate() {
  const { garden, change, demo } = useGarden();
  const [dialog, setDialog] = useState<"months" | WeatherFound | null>(null);
  const own = useMemo(
    () =>
      climateFromDays(
        garden.weather.filter((w) => w.source === "own"),
        garden.place.latitudeDeg,
      ),
    [garden.weather, garden.place.latitudeDeg],
  );
  const station = useStation();
  const setMonthly = (label: string, place: (p: Place) => Place): Promise<boolean> =>
    change(label, (g) => ({ ...g, place: place(g.place) }), { demo });
  return (
    <Section title="What the climate is worked out from">
      <Typography sx={{ mb: 1 }}>
        {garden.place.monthly === null
          ? "From the towns around or the latitude, and from what was said above. The table of towns is recalled and rounded, not measured: a month of it is good to about a degree. Where other towns lie comes from GeoNames (CC BY 4.0)."
          : "From twelve monthly means: frost odds and warmth follow from them; what was said above is not used."}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="outlined" onClick={() => setDialog("months")}>
          {garden.place.monthly === null ? "I have monthly means" : "Change the monthly means"}
        </Button>
        {garden.place.monthly !== null && (
          <Button
            variant="outlined"
            onClick={() => void setMonthly("Climate from the place again", (p) => ({ ...p, monthly: null }))}
          >
            Back to what was said above
          </Button>
        )}
      </Box>
      <Typography component="h3" sx={{ fontWeight: 700, mt: 2 }}>
        Days of weather
      </Typography>
      <Typography>
        Observed days of this year move its dates; heat, frost, rain and drought of a day are then known. Three years
        and more can stand for the climate itself.
      </Typography>
      <Years />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        <FileButton
          variant="outlined"
          label="Weather file"
          accept=".csv,.txt,text/csv,text/plain"
          onFile={(file) => void openWeather(file).then(setDialog)}
        >
          Daily weather from a CSV file
        </FileButton>
        <Button variant="outlined" disabled={station.asks} onClick={station.ask}>
          This year from the simulated station
        </Button>
        {own && (
          <Button
            variant="contained"
            onClick={() => void setMonthly(`Climate from ${own.years} observed years`, (p) => placeOf(p, own))}
          >
            Work the climate out of {own.years} {own.years === 1 ? "year" : "years"}
          </Button>
        )}
      </Box>
      {dialog === "months" && <MonthsDialog onClose={() => setDialog(null)} />}
      {dialog !== null && dialog !== "months" && <WeatherDialog found={dialog} onClose={() => setDialog(null)} />}
    </Section>
  );
}
