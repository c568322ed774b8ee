/** Earlier days to go back to, from the safe room; like every change it can be undone. */
import { Box, Button, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import { replaceStored } from "../data/changes.ts";
import type { Snapshot } from "../data/db.ts";
import { listSnapshots, openSnapshot } from "../data/snapshots.ts";
import type { Found } from "../data/stored.ts";
import { db, tab } from "../state/keeper.ts";
import { snapshotText } from "../words/labels.ts";

export function Snapshots({
  found,
  onFound,
}: {
  readonly found: Exclude<Found, { is: "nothing" }>;
  readonly onFound: (found: Found) => void;
}) {
  const [all, setAll] = useState<readonly Omit<Snapshot, "packed">[]>([]);
  const [said, setSaid] = useState("");
  useEffect(() => {
    void listSnapshots(db).then(setAll, () => undefined);
  }, []);
  if (all.length === 0) return null;
  const apart = (found.is === "garden" ? found.kept.apart : found.apart).filter((a) => a.wrapped);
  const restore = async (s: Omit<Snapshot, "packed">): Promise<void> => {
    const garden = await openSnapshot(db, s.at);
    if (!garden) setSaid("That day cannot be read any more.");
    else onFound(await replaceStored(db, tab, `Garden as on ${s.day}`, { garden, demo: false }, apart));
  };
  return (
    <Box component="section" aria-label="Earlier days" sx={{ mb: 3 }}>
      <Typography variant="h2">Earlier days</Typography>
      <Typography role="status">{said}</Typography>
      <Box component="ul" sx={{ pl: 0, m: 0, listStyle: "none" }}>
        {all.map((s) => (
          <Box
            component="li"
            key={s.at}
            sx={{ display: "flex", gap: 2, alignItems: "center", borderBottom: "1px solid var(--line)", py: 0.5 }}
          >
            <Typography sx={{ flex: 1 }}>{snapshotText(s)}</Typography>
            <Button variant="outlined" onClick={() => void restore(s)} aria-label={`Go back to ${snapshotText(s)}`}>
              Go back to it
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
