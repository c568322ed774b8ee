/** The last way on: another garden in the place of this one, in two steps, and to be undone. */
import { Box, Button, Typography } from "@mui/material";
import { demoGarden } from "@wren/core";
import { useState } from "react";
import { replaceStored } from "../data/changes.ts";
import { today } from "../data/clock.ts";
import type { Found } from "../data/stored.ts";
import { db, tab } from "../state/keeper.ts";

export function StartAnew({ onFound }: { readonly onFound: (found: Found) => void }) {
  const [sure, setSure] = useState(false);
  const anew = async (): Promise<void> =>
    onFound(
      await replaceStored(db, tab, "Started anew with the demo garden", { garden: demoGarden(today()), demo: true }),
    );
  return (
    <Box component="section" aria-label="Start anew">
      <Typography variant="h2">Start anew</Typography>
      <Typography sx={{ mb: 1 }}>
        Keep everything as a file first. What is here now gives way to the demo garden; the undo brings it back.
      </Typography>
      {sure ? (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Button variant="outlined" color="error" onClick={() => void anew()}>
            Yes, put the demo garden here
          </Button>
          <Button onClick={() => setSure(false)}>No, leave it</Button>
        </Box>
      ) : (
        <Button variant="outlined" onClick={() => setSure(true)}>
          Start anew with the demo garden
        </Button>
      )}
    </Box>
  );
}
