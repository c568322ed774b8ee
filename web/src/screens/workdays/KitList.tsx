/** What is taken along, and what is carried off. */
import { Box, Typography } from "@mui/material";
import { CAUTION_TEXTS, disinfectText, LOAD_NAMES, TOOL_NAMES, type GardenModel, type Kit } from "@wren/core";
import { useVoice } from "../../state/voice.ts";

const two = (n: number): string => (n < 0.095 ? n.toFixed(2) : n.toFixed(1));
const bagsText = ([low, high]: readonly [number, number]): string => {
  const [a, b] = [Math.max(1, Math.floor(low)), Math.max(1, Math.ceil(high))];
  return a === b ? `${a} bag${a === 1 ? "" : "s"}` : `${a} to ${b} bags`;
};

export function KitList({ kit, model }: { readonly kit: Kit; readonly model: GardenModel }) {
  const say = useVoice();
  if (kit.tools.length === 0 && kit.loads.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label="Kit and loads"
      sx={{ "& h3": { m: 0, mb: 0.5 }, "& li": { mb: 0.5 }, breakInside: "avoid" }}
    >
      <Typography variant="h3">Take along</Typography>
      <ul className="bare">
        {kit.tools.map((t) => (
          <li key={t.tool}>
            <strong>{TOOL_NAMES[t.tool]}</strong>
            {t.owned === false && <span className="alarm"> not among your tools</span>}
          </li>
        ))}
        {kit.sharpen && <li>A sharpening stone: more than an hour and a half of cutting</li>}
        {kit.disinfect && <li>{disinfectText(kit.disinfect)}</li>}
      </ul>
      {kit.tooThick.map((t) => (
        <Typography key={t.plantId} className="alarm" sx={{ mt: 0.5 }}>
          {model.plant(t.plantId).label} has stems of {say.thickness(t.mm)}: the most you own cuts{" "}
          {say.thickness(t.mostMm)}. Borrow a saw, or leave it to a licensed arborist.
        </Typography>
      ))}
      {kit.loads.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: "12px !important" }}>
            Carry off
          </Typography>
          <ul className="bare">
            {kit.loads.map((l) => (
              <li key={l.kind}>
                <strong>{bagsText(l.bags)}</strong> ({two(l.m3[0])}–{two(l.m3[1])} m³ loose):{" "}
                {LOAD_NAMES[l.kind].toLowerCase()}
              </li>
            ))}
          </ul>
        </>
      )}
      {kit.cautions.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: "12px !important" }}>
            Mind
          </Typography>
          <ul className="bare">
            {kit.cautions.map((c) => (
              <li key={c}>{say.prose(CAUTION_TEXTS[c])}</li>
            ))}
          </ul>
        </>
      )}
    </Box>
  );
}
