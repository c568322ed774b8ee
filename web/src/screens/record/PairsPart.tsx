/** Two pictures of one plant, of the same season in two years, one over the other with an edge that is drawn across. */
import { Box, MenuItem, Slider, TextField, Typography } from "@mui/material";
import { daysBetween, type PlainDate, type Photo, type Plant } from "@wren/core";
import { useMemo, useState } from "react";
import { useGarden } from "../../state/garden.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Picture } from "../../ui/Picture.tsx";
import { Section } from "../../ui/Section.tsx";
import { dateText } from "../../words/dates.ts";

/** Days of the year so near together are one season. */
const SAME_SEASON = 45;
const YEAR = 365.25;
/** How far two days lie from being whole years apart. */
const offSeason = (a: PlainDate, b: PlainDate): number => {
  const d = Math.abs(daysBetween(a, b));
  return Math.abs(d - Math.round(d / YEAR) * YEAR);
};
const yearsApart = (a: PlainDate, b: PlainDate): number => Math.round(Math.abs(daysBetween(a, b)) / YEAR);

/** The newest picture that has one of the same season before it, and that one: the longest ago. */
function bestPair(photos: readonly Photo[]): readonly [Photo, Photo] | null {
  for (let i = photos.length - 1; i > 0; i--) {
    const now = photos[i]!;
    const before = photos.find((p) => yearsApart(p.on, now.on) >= 1 && offSeason(p.on, now.on) <= SAME_SEASON);
    if (before) return [before, now];
  }
  return null;
}

function Over({ plant, before, now }: { readonly plant: Plant; readonly before: Photo; readonly now: Photo }) {
  const [edge, setEdge] = useState(50);
  const frame = {
    position: "absolute",
    inset: 0,
    "& img": { width: "100%", height: "100%", objectFit: "cover" },
  } as const;
  return (
    <Box sx={{ maxWidth: 720 }}>
      <Box sx={{ position: "relative", aspectRatio: "4 / 3", overflow: "hidden", bgcolor: "var(--line)" }}>
        <Box sx={frame}>
          <Picture photo={now} size="full" alt={`${plant.label} on ${dateText(now.on)}`} width="100%" />
        </Box>
        <Box sx={{ ...frame, clipPath: `inset(0 ${100 - edge}% 0 0)` }}>
          <Picture photo={before} size="full" alt={`${plant.label} on ${dateText(before.on)}`} width="100%" />
        </Box>
        <Box
          sx={{
            position: "absolute",
            top: 0,
            bottom: 0,
            left: `${edge}%`,
            width: 3,
            ml: "-1.5px",
            bgcolor: "var(--ink)",
          }}
        />
      </Box>
      <Slider
        value={edge}
        onChange={(_, v) => setEdge(v)}
        aria-label="Edge between the two pictures"
        getAriaValueText={(v) => `${v} % of ${dateText(before.on)}`}
      />
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography>{dateText(before.on)}</Typography>
        <Typography>{dateText(now.on)}</Typography>
      </Box>
    </Box>
  );
}

function Pair({ plant, photos }: { readonly plant: Plant; readonly photos: readonly Photo[] }) {
  const best = useMemo(() => bestPair(photos), [photos]);
  const [ids, setIds] = useState<readonly [string, string] | null>(null);
  const of = (id: string | undefined): Photo | undefined => photos.find((p) => p.id === id);
  const before = of(ids?.[0]) ?? best?.[0] ?? photos[0]!;
  const now = of(ids?.[1]) ?? best?.[1] ?? photos.at(-1)!;
  const pick = (label: string, value: Photo, set: (id: string) => void) => (
    <TextField select label={label} value={value.id} onChange={(e) => set(e.target.value)} sx={{ minWidth: 160 }}>
      {photos.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {dateText(p.on)}
          {p.caption && `, ${p.caption}`}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Section title={plant.label}>
      <Typography sx={{ mb: 1.5 }}>
        {offSeason(before.on, now.on) <= SAME_SEASON && yearsApart(before.on, now.on) > 0
          ? `The same season, ${yearsApart(before.on, now.on)} ${yearsApart(before.on, now.on) === 1 ? "year" : "years"} apart.`
          : "Of different seasons: what differs may be the season’s."}{" "}
        <DayLink to={`/plant/${plant.id}`}>To the plant</DayLink>
      </Typography>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", mb: 1.5 }}>
        {pick("Before", before, (id) => setIds([id, now.id]))}
        {pick("After", now, (id) => setIds([before.id, id]))}
      </Box>
      <Over plant={plant} before={before} now={now} />
    </Section>
  );
}

const FIRST = 6;
export function PairsPart({ plant }: { readonly plant: Plant | null }) {
  const { garden } = useGarden();
  const plants = garden.plants
    .filter((p) => plant === null || p.id === plant.id)
    .map((p) => ({ plant: p, photos: garden.photos.filter((x) => x.plantId === p.id) }))
    .filter((x) => x.photos.length > 1)
    // Those that have a pair of one season come first.
    .sort((a, b) => Number(bestPair(b.photos) !== null) - Number(bestPair(a.photos) !== null))
    .slice(0, FIRST);
  if (plants.length === 0)
    return (
      <Typography sx={{ maxWidth: "62ch" }}>
        No plant has two pictures yet. Take one whenever you write something down: the next year’s lies over it here,
        with an edge to draw across.
      </Typography>
    );
  return (
    <>
      {plants.map((x) => (
        <Pair key={x.plant.id} {...x} />
      ))}
    </>
  );
}
