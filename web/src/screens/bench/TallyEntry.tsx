/** Stems counted as one says it at the plant, or by pressing; it makes a drawing to correct. */
import { Box, Button, IconButton, TextField, Typography } from "@mui/material";
import {
  checkTally,
  issueText,
  ARCHITECTURE_TABLE,
  NO_EXTRAS,
  NO_STEMS,
  readSketch,
  stemCount,
  THICKNESS_TABLE,
  type Build,
  type Sketch,
  type Tally,
  type TallyPart,
} from "@wren/core";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import { bareUnit } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";

const PARTS: readonly (readonly [TallyPart, string])[] = [
  ["thick", THICKNESS_TABLE.thick.label],
  ["middling", THICKNESS_TABLE.middling.label],
  ["thin", THICKNESS_TABLE.thin.label],
  ["dead", "Of these dead"],
  ["crossing", "Of these crossing"],
  ["low", "Of these on the ground"],
  ["weak", "Of these weak"],
];

interface Props {
  readonly build: Build;
  readonly onDraw: (t: Sketch) => void;
  readonly onCancel?: (() => void) | undefined;
}

export function TallyEntry({ build, onDraw, onCancel }: Props) {
  const [text, setText] = useState("");
  const [tally, setTally] = useState<Tally>(NO_STEMS);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { units } = useGarden().garden.rules;
  const row = ARCHITECTURE_TABLE[build.architecture];
  const read = (typed: string) => readSketch(typed, build, bareUnit(units));
  const type = (typed: string): void => {
    setText(typed);
    const said = read(typed);
    setTrouble(null);
    if (said.ok) setTally(said.value.tally);
  };
  const press = (part: TallyPart, by: number): void => {
    setTrouble(null);
    setTally({ ...tally, [part]: Math.max(0, tally[part] + by) });
  };
  const draw = (): void => {
    // What was typed and not understood is said, not passed over for what the presses say.
    const words = text.trim() === "" ? null : read(text);
    if (words && !words.ok && stemCount(tally) === 0) {
      setTrouble(words.issues.map(issueText).join(" "));
      return;
    }
    const said = words?.ok ? words.value : NO_EXTRAS;
    // Trunks and arms need no count by thickness; everything else is made of it.
    if (words?.ok && row.keepsMains) {
      onDraw({ ...said, tally });
      return;
    }
    const counted = checkTally(tally);
    if (counted.ok) onDraw({ ...said, tally: counted.value, mains: stemCount(counted.value) });
    else setTrouble(counted.issues.map(issueText).join(" "));
  };
  const said = text.trim() === "" ? null : read(text);
  const error = trouble ?? (said && !said.ok ? said.issues.map(issueText).join(" ") : null);
  return (
    <Box sx={{ maxWidth: 620 }}>
      <Typography sx={{ mb: 1 }}>
        {row.label}. Say what stands there, and it makes a drawing that you correct at the plant; for example “{row.say}
        ”.
      </Typography>
      <TextField
        label="Say it in a line"
        placeholder={row.say}
        value={text}
        onChange={(e) => type(e.target.value)}
        error={error !== null}
        helperText={error ?? "or press:"}
        sx={{ mb: 1 }}
      />
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 3 }}>
        {PARTS.map(([part, label]) => (
          <Box key={part} sx={{ display: "flex", alignItems: "center", borderBottom: "1px solid var(--line)" }}>
            <Typography sx={{ flex: 1 }}>{label}</Typography>
            <IconButton aria-label={`One less: ${label}`} onClick={() => press(part, -1)} disabled={tally[part] === 0}>
              <Minus size={18} />
            </IconButton>
            <Typography className="numeral" sx={{ minWidth: 26, textAlign: "center", fontSize: "1.2rem" }}>
              {tally[part]}
            </Typography>
            <IconButton aria-label={`One more: ${label}`} onClick={() => press(part, 1)}>
              <Plus size={18} />
            </IconButton>
          </Box>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1, mt: 1.5 }}>
        <Button variant="contained" onClick={draw}>
          Draw {stemCount(tally) > 0 ? `${stemCount(tally)} ${row.mains[1]}` : "them"}
        </Button>
        {onCancel && <Button onClick={onCancel}>Cancel</Button>}
      </Box>
    </Box>
  );
}
