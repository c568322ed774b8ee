/** What stands beside a hedge and how its faces look: said in a few presses. */
import { Box, TextField } from "@mui/material";
import {
  BESIDES,
  BOUNDS,
  FACES,
  FACE_STATES,
  parseLength,
  type Beside,
  type Face,
  type FaceState,
  type Hedge,
} from "@wren/core";
import { useState } from "react";
import { bareUnit } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { towards } from "../../words/winds.ts";

const STATE_WORDS: Readonly<Record<FaceState, string>> = { dense: "Dense", thin: "Thin", bare: "Bare in part" };
const BESIDE_WORDS: Readonly<Record<Beside, string>> = {
  open: "Open",
  bed: "A bed",
  path: "A path",
  lane: "A lane",
  wall: "A wall or fence",
  neighbour: "A neighbour’s ground",
};

interface LengthProps {
  readonly label: string;
  readonly valueM: number | null;
  readonly bounds: { readonly from: number; readonly to: number };
  readonly onValue: (m: number | null) => void;
}
/** A length that is kept when it can be read; what was wrong with it is said. */
function Length({ label, valueM, bounds, onValue }: LengthProps) {
  const { garden } = useGarden();
  const say = useVoice();
  const bare = bareUnit(garden.rules.units);
  const [text, setText] = useState(valueM === null ? "" : say.length(valueM));
  const [wrong, setWrong] = useState<string | null>(null);
  const leave = (): void => {
    if (text.trim() === "") {
      onValue(null);
      return;
    }
    const m = parseLength(text, bare);
    if (m === null || m < bounds.from || m > bounds.to) {
      setWrong(`“${text}” will not do: expected ${bounds.from} to ${bounds.to} m`);
      return;
    }
    setWrong(null);
    onValue(m);
  };
  return (
    <TextField
      label={label}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={leave}
      error={wrong !== null}
      helperText={wrong ?? "Leave empty where it is open"}
      size="small"
    />
  );
}

export function Sides({ hedge, onChange }: { readonly hedge: Hedge; readonly onChange: (next: Hedge) => void }) {
  const side = (face: Face) => {
    const s = hedge[face];
    const screen = (heightM: number | null, distanceM: number | null): void =>
      onChange({
        ...hedge,
        [face]: { ...s, screen: heightM === null ? null : { heightM, distanceM: distanceM ?? 1.5 } },
      });
    return (
      <Box key={face} sx={{ flex: "1 1 280px" }}>
        <OneOf
          label={`${face === "front" ? "Front" : "Back"}, to the ${towards(hedge.facesDeg + (face === "back" ? 180 : 0))}`}
          options={FACE_STATES.map((v) => ({ value: v, label: STATE_WORDS[v] }))}
          value={s.state}
          onChange={(state) => onChange({ ...hedge, [face]: { ...s, state } })}
        />
        <OneOf
          label="Beside it"
          options={BESIDES.map((v) => ({ value: v, label: BESIDE_WORDS[v] }))}
          value={s.beside}
          onChange={(beside) => onChange({ ...hedge, [face]: { ...s, beside } })}
        />
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Length
            key={`h${s.screen?.heightM ?? ""}`}
            label="What shades it: height"
            valueM={s.screen?.heightM ?? null}
            bounds={BOUNDS.heightM}
            onValue={(m) => m !== (s.screen?.heightM ?? null) && screen(m, s.screen?.distanceM ?? null)}
          />
          {s.screen && (
            <Length
              key={`d${s.screen.distanceM}`}
              label="From the hedge’s middle"
              valueM={s.screen.distanceM}
              bounds={BOUNDS.screenM}
              onValue={(m) => m !== null && m !== s.screen?.distanceM && screen(s.screen!.heightM, m)}
            />
          )}
        </Box>
      </Box>
    );
  };
  return (
    <details className="more no-print">
      <summary>Say what stands on either side</summary>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>{FACES.map(side)}</Box>
      <OneOf
        label="Whose is it?"
        options={[
          { value: "own", label: "Inside the garden" },
          { value: "boundary", label: "On the boundary" },
        ]}
        value={hedge.boundary ? "boundary" : "own"}
        onChange={(v) => onChange({ ...hedge, boundary: v === "boundary" })}
      />
    </details>
  );
}
