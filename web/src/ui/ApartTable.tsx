/** Rows that are set apart: which, why, and as they lie there. */
import { Box, Typography } from "@mui/material";
import { rowName, whyApart, type HeldApart } from "../data/stored.ts";

const MOST_SHOWN = 100;
const MOST_CHARS = 4000;

export function ApartTable({ apart }: { readonly apart: readonly HeldApart[] }) {
  if (apart.length === 0) return null;
  return (
    <Box component="section" aria-label="Set apart" sx={{ mb: 3 }}>
      <Typography variant="h2">Set apart</Typography>
      <Box component="ul" sx={{ pl: 0, m: 0, listStyle: "none" }}>
        {apart.slice(0, MOST_SHOWN).map((a) => (
          <Box
            component="li"
            key={`${a.list}/${a.key}/${a.wrapped}`}
            sx={{ borderBottom: "1px solid var(--line)", py: 1, overflowWrap: "anywhere" }}
          >
            <strong>{rowName(a.list, a.row)}</strong>
            <br />
            {whyApart(a)}
            <details>
              <summary>As it lies there</summary>
              <pre style={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere", margin: 0 }}>
                {(JSON.stringify(a.row, null, 1) as string | undefined)?.slice(0, MOST_CHARS)}
              </pre>
            </details>
          </Box>
        ))}
      </Box>
      {apart.length > MOST_SHOWN && <Typography>and {apart.length - MOST_SHOWN} more; the file holds all.</Typography>}
    </Box>
  );
}
