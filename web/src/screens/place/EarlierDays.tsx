/** The garden as it was on earlier days, each looked at before it is put back; and the room all of it takes. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { gardenChange, type Garden } from "@wren/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Snapshot } from "../../data/db.ts";
import { askToStay, roomNow } from "../../data/room.ts";
import { listSnapshots, openSnapshot, takeSnapshot } from "../../data/snapshots.ts";
import { useGarden } from "../../state/garden.tsx";
import { useNotices } from "../../state/notices.tsx";
import { db } from "../../state/keeper.ts";
import { Scroller } from "../../ui/Scroller.tsx";
import { snapshotText } from "../../words/labels.ts";
import { ChangePreview } from "./ChangePreview.tsx";

type Listed = Omit<Snapshot, "packed">;
const KEY = ["snapshots"] as const;
const megabytes = (n: number): string => (n < 1e6 ? "under 1 MB" : `${Math.round(n / 1e6).toLocaleString()} MB`);

function RoomTaken() {
  const { data: room, refetch } = useQuery({ queryKey: ["room"], queryFn: roomNow });
  if (!room) return null;
  return (
    <Typography sx={{ mt: 1.5 }}>
      The garden and this program take {megabytes(room.usedBytes)} of {megabytes(room.mayUseBytes)} that the browser
      gives.{" "}
      {room.stays ? (
        "The browser has promised to keep them."
      ) : (
        <>
          The browser may clear them when the device runs out of room.{" "}
          <Button size="small" onClick={() => void askToStay().then(() => refetch())}>
            Ask it to keep them
          </Button>
        </>
      )}
    </Typography>
  );
}

export function EarlierDays() {
  const { garden, change } = useGarden();
  const { say } = useNotices();
  const snapshots = useQuery({ queryKey: KEY, queryFn: () => listSnapshots(db).catch(() => []) });
  const [found, setFound] = useState<{ readonly snapshot: Listed; readonly garden: Garden } | null>(null);
  const look = async (snapshot: Listed): Promise<void> => {
    const then = await openSnapshot(db, snapshot.at).catch(() => null);
    if (then) setFound({ snapshot, garden: then });
    else say({ text: "That day cannot be read any more.", trouble: true });
  };
  const restore = async (): Promise<void> => {
    if (!found) return;
    const { garden: then, snapshot } = found;
    if (await change(`Garden as on ${snapshot.day}`, () => then, { demo: false, replaces: true })) setFound(null);
  };
  const keepNow = async (): Promise<void> => {
    await takeSnapshot(db, garden, "kept");
    await snapshots.refetch();
  };
  return (
    <>
      <Typography component="h3" sx={{ fontWeight: 700, mt: 2 }}>
        Earlier days
      </Typography>
      <Typography>
        Kept by itself in this browser: the last seven days on which the garden was opened, then one a week.
      </Typography>
      <Box component="ul" aria-label="Earlier days" sx={{ listStyle: "none", p: 0, my: 1 }}>
        {(snapshots.data ?? []).map((s) => (
          <Box
            component="li"
            key={s.at}
            sx={{ display: "flex", gap: 1, alignItems: "center", borderBottom: "1px solid var(--line)" }}
          >
            <Typography sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>{snapshotText(s)}</Typography>
            <Button size="small" onClick={() => void look(s)} aria-label={`Look at ${snapshotText(s)}`}>
              Look
            </Button>
          </Box>
        ))}
      </Box>
      <Button variant="outlined" onClick={() => void keepNow()}>
        Keep today as it stands
      </Button>
      <RoomTaken />
      {found && (
        <Dialog open onClose={() => setFound(null)} fullWidth maxWidth="md" aria-labelledby="earlier-title">
          <DialogTitle id="earlier-title">Go back to this day?</DialogTitle>
          <Scroller component={DialogContent} label="What it would change">
            <Typography sx={{ mb: 1 }}>{snapshotText(found.snapshot)}</Typography>
            <ChangePreview of="That garden" change={gardenChange(garden, found.garden)} />
          </Scroller>
          <DialogActions>
            <Button onClick={() => setFound(null)}>Leave it</Button>
            <Button variant="contained" onClick={() => void restore()}>
              Go back to it
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
