/** What was seen, written down in two presses from anywhere: the plant is the one on screen, the day is today. */
import {
  Autocomplete,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from "@mui/material";
import { BOUNDS, lengthInField, LETTERS, parseDate, parseLength, type Observation, type Plant } from "@wren/core";
import { useState } from "react";
import { today } from "../data/clock.ts";
import { pictureFrom } from "../data/pictures.ts";
import { bareUnit, noteText } from "../forms/fields.ts";
import { useDay } from "../state/day.tsx";
import { seenDay, withCorrected } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { newId } from "../state/ids.ts";
import { useNotices } from "../state/notices.tsx";
import { useSeen, type Pictured } from "../state/useSeen.ts";
import { useVoice } from "../state/voice.ts";
import { FileButton } from "../ui/FileButton.tsx";
import { SIGHT_GROUPS, type SightPress } from "./sights.ts";

/** Nobody's finger is that quick: a list of thousands is searched, not scrolled. */
const MOST_SHOWN = 60;

function PlantField({
  value,
  onChange,
}: {
  readonly value: Plant | null;
  readonly onChange: (p: Plant | null) => void;
}) {
  const { garden } = useGarden();
  return (
    <Autocomplete
      options={[...garden.plants]}
      value={value}
      onChange={(_, p) => onChange(p)}
      getOptionLabel={(p) => p.label}
      getOptionKey={(p) => p.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      filterOptions={(options, { inputValue }) => {
        const words = inputValue.toLowerCase().split(/\s+/);
        return options.filter((p) => words.every((w) => p.label.toLowerCase().includes(w))).slice(0, MOST_SHOWN);
      }}
      renderInput={(params) => <TextField {...params} label="At which plant?" />}
    />
  );
}

interface Numbers {
  readonly height: string;
  readonly count: string;
  readonly length: string;
}
const ASKED: Readonly<Record<keyof Numbers, (bare: string) => string>> = {
  height: (bare) => `Height (${bare})`,
  count: () => "Shoots at a cut, on average",
  length: (bare) => `Length (${bare})`,
};

/** The numbers of an entry, or what is wrong with them by field. */
function readNumbers(
  asks: SightPress["asks"],
  n: Numbers,
  bare: "cm" | "in",
): { readonly values: Pick<Observation, "heightM" | "count" | "lengthM"> } | { readonly wrong: Partial<Numbers> } {
  const wrong: { -readonly [K in keyof Numbers]?: string } = {};
  const length = (key: "height" | "length", { from, to }: { from: number; to: number }): number | null => {
    if (!asks.includes(key)) return null;
    // Shoots may be counted without being measured.
    if (key === "length" && asks.includes("count") && n.length.trim() === "") return null;
    const m = parseLength(n[key], bare);
    if (m === null || m < from || m > to) {
      wrong[key] = `Expected a length from ${from} to ${to} m, like ${bare === "cm" ? "120 or 1.2 m" : "48 or 4 ft"}`;
      return null;
    }
    return m;
  };
  const count = Number(n.count.trim().replace(",", "."));
  const { from, to } = BOUNDS.shootsPerCut;
  if (asks.includes("count") && (n.count.trim() === "" || !(count >= from && count <= to)))
    wrong.count = `Expected a number from ${from} to ${to}`;
  const values = {
    heightM: length("height", BOUNDS.heightM),
    lengthM: length("length", BOUNDS.lengthM),
    count: asks.includes("count") ? count : null,
  };
  return Object.keys(wrong).length > 0 ? { wrong } : { values };
}

const NO_NUMBERS: Numbers = { height: "", count: "", length: "" };
/** The numbers of an entry as they were typed. */
const numbersOf = (o: Observation, bare: "cm" | "in"): Numbers => ({
  height: o.heightM === null ? "" : lengthInField(o.heightM, bare),
  count: o.count === null ? "" : String(o.count),
  length: o.lengthM === null ? "" : lengthInField(o.lengthM, bare),
});

interface Props {
  /** The plant on screen; null: none is. */
  readonly plantId: string | null;
  /** An entry that is corrected; null: a new one. */
  readonly was?: Observation | null;
  readonly onClose: () => void;
}

export default function WriteDown({ plantId, was = null, onClose }: Props) {
  const { garden, model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const write = useSeen();
  const { say: notify } = useNotices();
  const bare = bareUnit(garden.rules.units);
  const [plant, setPlant] = useState<Plant | null>(
    () => garden.plants.find((p) => p.id === (was?.plantId ?? plantId)) ?? null,
  );
  const [day, setDay] = useState<string>(
    () => was?.on ?? (plant ? seenDay(plant, on, today()) : on > today() ? today() : on),
  );
  const [note, setNote] = useState(was?.note ?? "");
  const [picture, setPicture] = useState<Pictured["picture"] | null>(null);
  const [asked, setAsked] = useState<SightPress | null>(null);
  const [numbers, setNumbers] = useState<Numbers>(() => (was ? numbersOf(was, bare) : NO_NUMBERS));
  const [wrong, setWrong] = useState<Partial<Numbers> & { readonly day?: string; readonly note?: string }>({});

  const keep = async (p: SightPress): Promise<void> => {
    if (!plant) return;
    const date = parseDate(day);
    if (date === null || date > today() || (plant.plantedOn !== null && date < plant.plantedOn)) {
      const since = plant.plantedOn === null ? "" : ` and not before it was planted, ${say.date(plant.plantedOn)}`;
      setWrong({ day: `Expected a day that is not to come${since}` });
      return;
    }
    const noteRead = noteText(LETTERS.shortNote).safeParse(note);
    if (!noteRead.success) {
      setWrong({ note: noteRead.error.issues[0]!.message });
      return;
    }
    const read = readNumbers(p.asks, numbers, bare);
    if ("wrong" in read) {
      setWrong(read.wrong);
      return;
    }
    const entry = { plantId: plant.id, on: date, kind: p.kind, where: p.where, note, ...read.values };
    const kept = was
      ? await change(`${plant.label}: entry changed`, (g) => {
          const now = g.observations.find((o) => o.id === was.id) ?? was;
          return withCorrected(
            g,
            "observations",
            now,
            { ...now, ...entry, lookedFor: null, sure: false },
            { id: newId(), on: today() },
          );
        })
      : await write(
          `${plant.label}: ${p.label.toLowerCase()}`,
          entry,
          picture ? { picture, caption: p.label } : undefined,
        );
    if (kept) onClose();
  };
  const press = (p: SightPress): void => {
    setWrong({});
    if (p.asks.length > 0) setAsked(p);
    else void keep(p);
  };
  const take = async (file: File): Promise<void> => {
    try {
      setPicture(await pictureFrom(newId(), file));
    } catch (e) {
      notify({ text: e instanceof Error ? e.message : String(e), trouble: true });
    }
  };
  const taxon = plant && model.taxonOf(plant);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="write-down-title">
      <DialogTitle id="write-down-title">{was ? "What was it?" : "What do you see?"}</DialogTitle>
      <DialogContent>
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr" }, gap: 1.5, mt: 1, mb: 2 }}>
          {was ? (
            <Typography sx={{ alignSelf: "center", fontWeight: 700 }}>{plant?.label}</Typography>
          ) : (
            <PlantField value={plant} onChange={setPlant} />
          )}
          <TextField
            type="date"
            label="On"
            value={day}
            onChange={(e) => setDay(e.target.value)}
            error={wrong.day !== undefined}
            helperText={wrong.day}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today() } }}
          />
        </Box>
        {asked ? (
          <Box
            component="form"
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              void keep(asked);
            }}
          >
            <Typography sx={{ fontWeight: 700, mb: 1.5 }}>{asked.label}</Typography>
            {asked.asks.map((a, i) => (
              <TextField
                key={a}
                label={ASKED[a](bare)}
                autoFocus={i === 0}
                value={numbers[a]}
                onChange={(e) => setNumbers({ ...numbers, [a]: e.target.value })}
                error={wrong[a] !== undefined}
                helperText={
                  wrong[a] ??
                  (a === "length" && asked.asks.includes("count") ? "Of the longest, if you measured it" : " ")
                }
                sx={{ mr: 1.5 }}
              />
            ))}
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button type="submit" variant="contained">
                Write it down
              </Button>
              <Button onClick={() => setAsked(null)}>Something else</Button>
            </Box>
          </Box>
        ) : (
          SIGHT_GROUPS.map((group) => {
            const presses = group.presses.filter((p) => taxon === null || p.fits(taxon));
            return (
              <Box key={group.title} role="group" aria-label={group.title} sx={{ mb: 1.5 }}>
                <Typography component="h3" sx={{ fontWeight: 700, mb: 0.5 }}>
                  {group.title}
                </Typography>
                <div className="presses">
                  {presses.map((p) => (
                    <button key={p.label} type="button" className="press" disabled={!plant} onClick={() => press(p)}>
                      {p.label}
                    </button>
                  ))}
                </div>
              </Box>
            );
          })
        )}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2, alignItems: "flex-start" }}>
          <TextField
            label="A note"
            value={note}
            multiline
            onChange={(e) => setNote(e.target.value)}
            error={wrong.note !== undefined}
            helperText={wrong.note}
            sx={{ flex: "1 1 14rem" }}
          />
          {!was && (
            <FileButton variant="outlined" label="Photo of it" accept="image/*" onFile={(f) => void take(f)}>
              {picture ? "Another photo" : "With a photo"}
            </FileButton>
          )}
        </Box>
        {picture && <Typography>The photo is kept with what you press.</Typography>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
