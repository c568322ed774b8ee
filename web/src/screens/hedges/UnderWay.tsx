/** A long hedge is stopped at and gone on with: how far the trim is, and what is left of it. */
import { Box, Button, Slider, Typography } from "@mui/material";
import { leftToTrimM, type Hedge, type HedgeStands } from "@wren/core";
import { useState } from "react";
import { today } from "../../data/clock.ts";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";

interface Props {
  readonly stands: HedgeStands;
  /** Minutes for all of it. */
  readonly minutes: readonly [number, number];
  readonly onChange: (label: string, next: Hedge) => void;
}
export function UnderWay({ stands, minutes, onChange }: Props) {
  const say = useVoice();
  const { hedge, lengthM, plant, task } = stands;
  const [live, setLive] = useState<number | null>(null);
  const toM = live ?? hedge.done?.toM ?? 0;
  const left = leftToTrimM(stands);
  const part = left === null ? 1 : left / lengthM;
  const about = (m: number): number => Math.max(5, Math.round((m * part) / 5) * 5);
  return (
    <Box className="no-print" sx={{ mt: 1.5 }}>
      <Typography>
        {hedge.done === null || left === null
          ? "No trim is under way. Done in stretches, say here how far it is."
          : left === 0
            ? `All ${say.length(lengthM)} are done since ${say.date(hedge.done.on)}: record it, with its minutes.`
            : `${say.length(hedge.done.toM)} done since ${say.date(hedge.done.on)}, ${say.length(left)} left, about ${about(minutes[0])}–${about(minutes[1])} min.`}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Slider
          aria-label="Trimmed up to"
          value={toM}
          min={0}
          max={lengthM}
          step={lengthM > 20 ? 0.5 : 0.1}
          shiftStep={1}
          getAriaValueText={(v) => say.length(v)}
          onChange={(_, v) => setLive(v)}
          onChangeCommitted={(_, v) => {
            setLive(null);
            onChange(v === 0 ? "no trim under way" : `trimmed up to ${say.length(v)}`, {
              ...hedge,
              done: v === 0 ? null : { on: hedge.done?.on ?? today(), toM: v },
            });
          }}
          sx={{ flex: "1 1 200px", maxWidth: 420, color: "var(--leaf)" }}
        />
        <Button
          component={DayLink}
          to={`/plant/${plant.id}/record/${task}`}
          variant={left === 0 ? "contained" : "outlined"}
          size="small"
        >
          Record the trim
        </Button>
      </Box>
    </Box>
  );
}
