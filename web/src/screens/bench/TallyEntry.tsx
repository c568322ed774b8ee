/** Stems counted as one says it at the plant, or by pressing; it makes a drawing to correct. */
import { Box, Button, IconButton, TextField, Typography } from "@mui/material";
import {
  checkTally,
  issueText,
  NO_STEMS,
  readTally,
  stemCount,
  THICKNESS_TABLE,
  type Tally,
  type TallyPart,
} from "@wren/core";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";

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
  readonly onDraw: (t: Tally) => void;
  readonly onCancel?: (() => void) | undefined;
}

export function TallyEntry({ onDraw, onCancel }: Props) {
  const [text, setText] = useState("");
  const [tally, setTally] = useState<Tally>(NO_STEMS);
  const [trouble, setTrouble] = useState<string | null>(null);
  const type = (typed: string): void => {
    setText(typed);
    const read = readTally(typed);
    setTrouble(null);
    if (read.ok) setTally(read.value);
  };
  const press = (part: TallyPart, by: number): void => {
    setTrouble(null);
    setTally({ ...tally, [part]: Math.max(0, tally[part] + by) });
  };
  const draw = (): void => {
    // What was typed and not understood is said, not passed over for what the presses say.
    const read = text.trim() !== "" && stemCount(tally) === 0 ? readTally(text) : checkTally(tally);
    if (read.ok) onDraw(read.value);
    else setTrouble(read.issues.map(issueText).join(" "));
  };
  const said = text.trim() === "" ? null : readTally(text);
  const error = trouble ?? (said && !said.ok ? said.issues.map(issueText).join(" ") : null);
  return (
    <Box sx={{ maxWidth: 620 }}>
      <Typography sx={{ mb: 1 }}>
        How many stems stand there, and how thick are they? It makes a drawing that you correct at the plant.
      </Typography>
      <TextField
        label="Say it in a line"
        placeholder="14 stems: 5 thicker than thumb, 6 middling, 3 thin, 2 dead"
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
          Draw {stemCount(tally) > 0 ? `${stemCount(tally)} stems` : "them"}
        </Button>
        {onCancel && <Button onClick={onCancel}>Cancel</Button>}
      </Box>
    </Box>
  );
}
