/** "Near which town?": one field over the table of towns, which is fetched with it; or the browser's own position. */
import { Autocomplete, Box, Button, TextField, Typography } from "@mui/material";
import { nearestTown, townLabel, type Locality, type Town } from "@wren/core";
import { LocateFixed } from "lucide-react";
import { useEffect, useState } from "react";
import type { Spot } from "./spot.ts";

interface Props {
  /** What is named already. */
  readonly start: string;
  readonly onSpot: (towns: readonly Town[], spot: Spot) => void;
}

interface Table {
  readonly TOWNS: readonly Town[];
  readonly findTowns: (typed: string) => readonly Locality[];
}
type Towns = Table | "fetching" | "failed";

function useTowns(): readonly [Towns, () => void] {
  const [towns, setTowns] = useState<Towns>("fetching");
  const [turn, again] = useState(0);
  useEffect(() => {
    let live = true;
    import("../state/allTowns.ts").then(
      (table) => live && setTowns(table),
      () => live && setTowns("failed"),
    );
    return () => {
      live = false;
    };
  }, [turn]);
  return [towns, () => again((n) => n + 1)];
}

const ASK_MS = 15_000;
const DENIED: Readonly<Record<number, string>> = {
  1: "The browser does not give its position here. Name a town, or give the latitude.",
  2: "The position could not be found. Name a town, or give the latitude.",
  3: "Finding the position took too long. Name a town, or give the latitude.",
};

export function TownField({ start, onSpot }: Props) {
  const [towns, again] = useTowns();
  const [typed, setTyped] = useState(start);
  const [open, setOpen] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const table = typeof towns === "string" ? null : towns;
  const known = table?.TOWNS ?? [];
  const position = (): void => {
    if (!("geolocation" in navigator)) {
      setTrouble(DENIED[2]!);
      return;
    }
    setAsking(true);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setAsking(false);
        setTrouble(null);
        const at = { latitudeDeg: coords.latitude, longitudeDeg: coords.longitude };
        const nearest = nearestTown(known, at);
        setTyped("");
        // Few devices know their height; the town's stands in until it is said.
        onSpot(known, { ...at, altitudeM: coords.altitude ?? nearest?.town.altitudeM ?? 0, named: null });
      },
      (e) => {
        setAsking(false);
        setTrouble(DENIED[e.code] ?? DENIED[2]!);
      },
      { timeout: ASK_MS, maximumAge: 3_600_000 },
    );
  };
  return (
    <Box>
      <Autocomplete
        options={[...(table?.findTowns(typed) ?? [])]}
        filterOptions={(options) => options}
        getOptionLabel={townLabel}
        getOptionKey={townLabel}
        isOptionEqualToValue={(a, b) => a === b}
        value={null}
        inputValue={typed}
        onInputChange={(_, text, why) => {
          if (why !== "input") return;
          setTyped(text);
          setOpen(true);
        }}
        onChange={(_, town) => {
          if (!town) return;
          setTyped(townLabel(town));
          setOpen(false);
          setTrouble(null);
          const { latitudeDeg, longitudeDeg, altitudeM } = town;
          onSpot(known, { latitudeDeg, longitudeDeg, altitudeM, named: town });
        }}
        autoHighlight
        blurOnSelect
        open={open && typed.trim() !== ""}
        onClose={() => setOpen(false)}
        forcePopupIcon={false}
        noOptionsText={
          towns === "fetching"
            ? "Fetching the towns…"
            : "No town answers to that: try a larger one near it, or give the latitude below."
        }
        renderInput={(params) => (
          <TextField
            {...params}
            label="Near which town?"
            placeholder="Like Portland, or Köln"
            error={towns === "failed"}
            helperText={
              towns === "failed" ? "The towns could not be fetched." : "The climate comes from the towns around it"
            }
          />
        )}
      />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
        <Button
          variant="outlined"
          size="small"
          startIcon={<LocateFixed size={18} />}
          onClick={position}
          disabled={asking || known.length === 0}
        >
          {asking ? "Asking the browser…" : "Where I am now"}
        </Button>
        {towns === "failed" && (
          <Button size="small" onClick={again}>
            Try again
          </Button>
        )}
      </Box>
      {trouble && <Typography role="alert">{trouble}</Typography>}
    </Box>
  );
}
