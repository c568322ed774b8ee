/**
 * Where a garden is opened that cannot be opened whole: what can be read is counted, the rest listed row by row with
 * why, and every way on leaves what is there as it is, or can be undone.
 */
import { Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { loadStored, redoLast, undoLast, undoState, type UndoState } from "../data/changes.ts";
import { exportFound } from "../data/fileOut.ts";
import type { Found } from "../data/stored.ts";
import { db, goOnInMemory, tab } from "../state/keeper.ts";
import type { StorageTrouble } from "../state/trouble.ts";
import { ApartTable } from "../ui/ApartTable.tsx";
import { PlaceAgain } from "./PlaceAgain.tsx";
import { StartAnew } from "./StartAnew.tsx";
import { Snapshots } from "./Snapshots.tsx";

interface Props {
  /** Why the database cannot be used; null when it can. */
  readonly trouble: StorageTrouble | null;
  readonly found: Found | null;
  /** Opens the garden without what is set apart; null when there is no garden to open. */
  readonly onGoOn: (() => void) | null;
  readonly onRetry: () => void;
  readonly onFound: (found: Found) => void;
}

const TROUBLES: Readonly<Record<StorageTrouble["is"], { readonly title: string; readonly text: string }>> = {
  newer: {
    title: "A newer Wren Song has been here",
    text: "The garden in this browser was written by a newer version than this one. It is left as it is: nothing was read or changed. Reload the page to fetch the newer version; close other tabs of Wren Song if it stays like this.",
  },
  taken: {
    title: "Another tab has moved on",
    text: "A newer version of Wren Song is open in another tab and has taken the garden over. Reload this page to go on here; everything is kept.",
  },
  blocked: {
    title: "Another tab holds the garden",
    text: "An older version of Wren Song is open in another tab. Close it, then try again here; everything is kept.",
  },
  closed: {
    title: "The browser’s storage cannot be opened",
    text: "Your garden lies in this browser’s storage, and the browser does not give access to it just now. Nothing was changed. Often it helps to try again, to close other tabs, to leave a private window, to allow site data, to free room on this device, or to restart the browser.",
  },
};

function Frame({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    document.title = `${title} · Wren Song`;
    head.current?.focus();
  }, [title]);
  return (
    <Box component="main" sx={{ maxWidth: 820, mx: "auto", p: { xs: 2, md: 4 } }}>
      <Typography sx={{ fontFamily: "'Alegreya Variable', serif", fontStyle: "italic", fontSize: "1.45rem" }}>
        Wren Song
      </Typography>
      <Typography variant="h1" ref={head} tabIndex={-1} sx={{ mb: 1.5, outline: "none" }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function NoStorage({ trouble, onRetry }: { readonly trouble: StorageTrouble; readonly onRetry: () => void }) {
  const { title, text } = TROUBLES[trouble.is];
  const again = (): void => {
    db.close();
    onRetry();
  };
  return (
    <Frame title={title}>
      <Typography sx={{ mb: 2 }}>{text}</Typography>
      {"detail" in trouble && (
        <Typography sx={{ mb: 2, color: "text.secondary", overflowWrap: "anywhere" }}>
          What the browser says: {trouble.detail}
        </Typography>
      )}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {trouble.is === "closed" || trouble.is === "blocked" ? (
          <Button variant="contained" onClick={() => again()}>
            Try again
          </Button>
        ) : (
          <Button variant="contained" onClick={() => window.location.reload()}>
            Reload the page
          </Button>
        )}
        {trouble.is === "closed" && (
          <Button variant="outlined" onClick={() => void goOnInMemory().then(onRetry)}>
            Go on without keeping anything
          </Button>
        )}
      </Box>
      {trouble.is === "closed" && (
        <Typography sx={{ mt: 2, color: "text.secondary" }}>
          Without keeping: the demo garden, or a file you import, for as long as this page is open. Export it before you
          close the page.
        </Typography>
      )}
    </Frame>
  );
}

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

export function SafeRoom({ trouble, found, onGoOn, onRetry, onFound }: Props) {
  const [undo, setUndo] = useState<UndoState>({ undo: null, redo: null });
  const [said, setSaid] = useState("");
  useEffect(() => {
    if (!trouble) void undoState(db, tab).then(setUndo, () => undefined);
  }, [trouble, found]);
  if (trouble || !found || found.is === "nothing")
    return <NoStorage trouble={trouble ?? { is: "closed", detail: "nothing was found" }} onRetry={onRetry} />;
  const apart = found.is === "garden" ? found.kept.apart : found.apart;
  const garden = found.is === "garden" ? found.kept.garden : null;
  const again = async (what: () => Promise<string | null>): Promise<void> => {
    try {
      const label = await what();
      setSaid(label === null ? "There is nothing to undo." : `Done: ${label}.`);
    } catch (e) {
      setSaid(e instanceof Error ? e.message : String(e));
    }
    onFound(await loadStored(db, tab));
  };
  return (
    <Frame title={garden ? "Some of the garden cannot be read" : "The garden’s place cannot be read"}>
      <Typography sx={{ mb: 1.5 }}>
        {garden
          ? `${counted(garden.plants.length, "plant", "plants")} in ${counted(garden.beds.length, "bed", "beds")} with ${counted(garden.visits.length, "visit", "visits")} can be read. ${counted(apart.length, "row is", "rows are")} set apart, and left as ${apart.length === 1 ? "it is" : "they are"}: nothing was changed.`
          : "Without a place no day can be answered. Everything is still there, and nothing was changed: give the place again, or go back to an earlier day."}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 2 }}>
        {onGoOn && (
          <Button variant="contained" onClick={onGoOn}>
            Open the garden without {apart.length === 1 ? "it" : "them"}
          </Button>
        )}
        <Button variant={onGoOn ? "outlined" : "contained"} onClick={() => void exportFound(db, found)}>
          Keep everything as a file
        </Button>
        {undo.undo !== null && (
          <Button variant="outlined" onClick={() => void again(() => undoLast(db, tab))}>
            Undo: {undo.undo}
          </Button>
        )}
        {undo.redo !== null && (
          <Button variant="outlined" onClick={() => void again(() => redoLast(db, tab))}>
            Do again: {undo.redo}
          </Button>
        )}
        <Button variant="outlined" onClick={onRetry}>
          Try again
        </Button>
      </Box>
      <Typography role="status" sx={{ mb: 1, fontWeight: 600 }}>
        {said}
      </Typography>
      <ApartTable apart={apart} />
      {found.is === "headless" && <PlaceAgain found={found} onFound={onFound} />}
      <Snapshots found={found} onFound={onFound} />
      <StartAnew onFound={onFound} />
    </Frame>
  );
}
