/** A plant described as one says it at the plant, or by pressing; the drawing stands beside the words while they are said. */
import { Box, Button, IconButton, TextField, Typography } from "@mui/material";
import {
  ARCHITECTURE_TABLE,
  checkTally,
  issueText,
  NO_EXTRAS,
  readSketch,
  stemCount,
  stemsFromSketch,
  THICKNESS_TABLE,
  type Architecture,
  type Build,
  type Metres,
  type Sketch,
  type TallyPart,
} from "@wren/core";
import { Minus, Plus } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import { bareUnit } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";
import { StandThumb } from "../../drawing/StandThumb.tsx";

/** One thing that is counted by pressing. */
interface Counted {
  readonly label: string;
  readonly of: (s: Sketch) => number;
  readonly to: (s: Sketch, n: number) => Sketch;
}
const ofTally = (part: TallyPart, label: string): Counted => ({
  label,
  of: (s) => s.tally[part],
  to: (s, n) => ({ ...s, tally: { ...s.tally, [part]: n } }),
});
/** Counts of which none is none; of the others none is not said. */
type Plain = "deadInside" | "crossing" | "offWall";
const PLAIN: ReadonlySet<string> = new Set<Plain>(["deadInside", "crossing", "offWall"]);
const ofSketch = (key: "mains" | "leaders" | "tiers" | "branches" | Plain, label: string): Counted => ({
  label,
  of: (s) => s[key] ?? 0,
  to: (s, n) => ({ ...s, [key]: n === 0 && !PLAIN.has(key) ? null : n }),
});
const BY_THICKNESS: readonly Counted[] = [
  ofTally("thick", THICKNESS_TABLE.thick.label),
  ofTally("middling", THICKNESS_TABLE.middling.label),
  ofTally("thin", THICKNESS_TABLE.thin.label),
  ofTally("dead", "Of these dead"),
  ofTally("crossing", "Of these crossing"),
  ofTally("low", "Of these on the ground"),
  ofTally("weak", "Of these weak"),
];
const DEAD = ofSketch("deadInside", "Dead branches inside");
/** What is counted of a plant, by how it is built. */
const COUNTED: Partial<Record<Architecture, readonly Counted[]>> = {
  trunk: [
    ofSketch("mains", "Trunks"),
    ofSketch("leaders", "Leaders to a trunk"),
    ofSketch("branches", "Branches of the crown"),
    DEAD,
    ofSketch("crossing", "Branches that cross"),
  ],
  tiers: [ofSketch("mains", "Trunks"), ofSketch("leaders", "Leaders"), ofSketch("tiers", "Tiers"), DEAD],
  wall: [ofSketch("mains", "Arms"), DEAD, ofSketch("offWall", "Side shoots off the wall")],
};

interface Props {
  readonly build: Build;
  readonly size: { readonly heightM: Metres; readonly widthM: Metres };
  readonly onDraw: (t: Sketch) => void;
  readonly onCancel?: (() => void) | undefined;
}

export function TallyEntry({ build, size, onDraw, onCancel }: Props) {
  const [text, setText] = useState("");
  const [sketch, setSketch] = useState<Sketch>(NO_EXTRAS);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { units } = useGarden().garden.rules;
  const row = ARCHITECTURE_TABLE[build.architecture];
  const counted = COUNTED[build.architecture] ?? BY_THICKNESS;
  const read = (typed: string) => readSketch(typed, build, bareUnit(units));
  const type = (typed: string): void => {
    setText(typed);
    const said = read(typed);
    setTrouble(null);
    if (said.ok) setSketch(said.value);
  };
  const press = (c: Counted, by: number): void => {
    setTrouble(null);
    setSketch(c.to(sketch, Math.max(0, c.of(sketch) + by)));
  };
  const nothing = sketch === NO_EXTRAS || counted.every((c) => c.of(sketch) === 0);
  const draw = (): void => {
    // What was typed and not understood is said, not passed over for what the presses say.
    const words = text.trim() === "" ? null : read(text);
    const told = (words && !words.ok && nothing ? words : row.keepsMains ? null : checkTally(sketch.tally)) ?? null;
    if (told && !told.ok) setTrouble(told.issues.map(issueText).join(" "));
    else onDraw(row.keepsMains ? sketch : { ...sketch, mains: stemCount(sketch.tally) });
  };
  const shown = useDeferredValue(sketch);
  const preview = useMemo(() => {
    const drawable = row.keepsMains ? shown !== NO_EXTRAS : checkTally(shown.tally).ok;
    return drawable ? stemsFromSketch(shown, size, build) : null;
  }, [row, shown, size, build]);
  const said = text.trim() === "" ? null : read(text);
  const error = trouble ?? (said && !said.ok ? said.issues.map(issueText).join(" ") : null);
  const n = row.keepsMains ? (sketch === NO_EXTRAS ? 0 : (preview?.length ?? 0)) : stemCount(sketch.tally);
  return (
    <Box
      sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "minmax(0, 7fr) minmax(0, 4fr)" }, columnGap: 4 }}
    >
      <div>
        <Typography sx={{ mb: 1 }}>
          {row.label}. Say what stands there, and it makes a drawing that you correct at the plant; for example “
          {row.say}”.
        </Typography>
        <TextField
          label="Say it in a line"
          placeholder={row.say}
          value={text}
          onChange={(e) => type(e.target.value)}
          error={error !== null}
          helperText={error ?? "or press:"}
          fullWidth
          sx={{ mb: 1 }}
        />
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 3 }}>
          {counted.map((c) => (
            <Box key={c.label} sx={{ display: "flex", alignItems: "center", borderBottom: "1px solid var(--line)" }}>
              <Typography sx={{ flex: 1 }}>{c.label}</Typography>
              <IconButton
                aria-label={`One less: ${c.label}`}
                onClick={() => press(c, -1)}
                disabled={c.of(sketch) === 0}
              >
                <Minus size={18} />
              </IconButton>
              <Typography className="numeral" sx={{ minWidth: 26, textAlign: "center", fontSize: "1.2rem" }}>
                {c.of(sketch)}
              </Typography>
              <IconButton aria-label={`One more: ${c.label}`} onClick={() => press(c, 1)}>
                <Plus size={18} />
              </IconButton>
            </Box>
          ))}
        </Box>
        <Box sx={{ display: "flex", gap: 1, mt: 1.5 }}>
          <Button variant="contained" onClick={draw}>
            Draw {n > 0 ? `${n} ${row.mains[n === 1 ? 0 : 1]}` : "them"}
          </Button>
          {onCancel && <Button onClick={onCancel}>Cancel</Button>}
        </Box>
      </div>
      <div>{preview && <StandThumb stems={preview} build={build} size={size} />}</div>
    </Box>
  );
}
