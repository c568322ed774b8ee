/** Reasons that stand against a wish, as a marked list. */
import { Box } from "@mui/material";
import { reasonText, type Reason } from "@wren/core";
import { useVoice } from "../state/voice.ts";

export function ReasonList({ label, reasons }: { readonly label: string; readonly reasons: readonly Reason[] }) {
  const say = useVoice();
  if (reasons.length === 0) return null;
  return (
    <Box component="ul" aria-label={label} sx={{ pl: 2.5, my: 1.5, borderLeft: "4px solid var(--sapwood)" }}>
      {reasons.map((r) => (
        <li key={r.code}>{reasonText(r, say)}</li>
      ))}
    </Box>
  );
}
