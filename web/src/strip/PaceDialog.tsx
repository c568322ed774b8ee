/** How far this year runs ahead: what says so, and the gardener's own word over it. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Slider, Typography } from "@mui/material";
import { type Pace } from "@wren/core";
import { useState } from "react";
import { withPace } from "../state/edits.ts";
import { useGarden } from "../state/garden.tsx";
import { useVoice } from "../state/voice.ts";
import { paceText } from "./paceText.ts";

const MOST = 30;

function Voices({ pace }: { readonly pace: Pace }) {
  const say = useVoice();
  const { model } = useGarden();
  const lines = [
    pace.byWeather === null
      ? "No observed days of this season: give them under Place & rules."
      : `Its weather, ${say.days(pace.daysKnown)} of it${pace.simulated ? ", simulated and not observed" : ""}: ${paceText(pace.byWeather, say.days)}.`,
    pace.byNotes === null
      ? "No first leaves or flowers written down yet."
      : `What you saw and wrote down: ${paceText(pace.byNotes, say.days)}, of which ${paceText(pace.ofPlace, say.days)} holds for your place in every year.`,
    ...pace.notes.map(
      (n) => `${model.plant(n.plantId).label}, ${say.date(n.on)}: ${paceText(n.aheadDays, say.days)} of its kind.`,
    ),
  ];
  return (
    <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
      {lines.map((l) => (
        <li key={l}>{l}</li>
      ))}
    </Box>
  );
}

export default function PaceDialog({ pace, onClose }: { readonly pace: Pace; readonly onClose: () => void }) {
  const { change } = useGarden();
  const say = useVoice();
  const [days, setDays] = useState(Math.round(pace.days));
  const keep = async (paceDays: number | null): Promise<void> => {
    const text = paceDays === null ? "what is worked out" : paceText(paceDays, say.days);
    if (await change(`The year's pace: ${text}`, (g) => withPace(g, pace.seasonYear, paceDays))) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="pace-title">
      <DialogTitle id="pace-title">How does {pace.seasonYear} run?</DialogTitle>
      <DialogContent>
        <Typography>
          Every date that spring makes moves with it: buds, bloom, windows. Frost keeps its own odds.
        </Typography>
        <Voices pace={pace} />
        <Typography id="pace-days" className="numeral" sx={{ fontSize: "1.4rem", mt: 2 }}>
          {paceText(days, say.days)}
        </Typography>
        <Box sx={{ px: 1.5 }}>
          <Slider
            aria-labelledby="pace-days"
            value={days}
            min={-MOST}
            max={MOST}
            step={1}
            marks={[
              { value: -MOST, label: "late" },
              { value: 0, label: "usual" },
              { value: MOST, label: "early" },
            ]}
            onChange={(_, v) => setDays(v)}
          />
        </Box>
      </DialogContent>
      <DialogActions sx={{ flexWrap: "wrap" }}>
        <Button onClick={onClose}>Close</Button>
        {pace.from === "gardener" && <Button onClick={() => void keep(null)}>Use what is worked out</Button>}
        <Button variant="contained" onClick={() => void keep(days)}>
          Say so
        </Button>
      </DialogActions>
    </Dialog>
  );
}
