/** The garden on screen: read from the database, opened for questions, changed only through change(). */
import {
  CATALOGUE,
  demoGarden,
  inOrder,
  kindCache,
  openGarden,
  withYears,
  yearsAsked,
  type Garden,
  type GardenModel,
} from "@wren/core";
import { Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { liveQuery } from "dexie";
import { createContext, use, useEffect, useMemo, type ReactNode } from "react";
import {
  commitStored,
  editStored,
  loadStored,
  redoLast,
  undoLast,
  undoState,
  type Stored,
  type UndoState,
  replaceAll,
  UnreadableGarden,
} from "../data/changes.ts";
import { today } from "../data/clock.ts";
import { download } from "../data/download.ts";
import { WrenDb } from "../data/db.ts";
import { useNotices } from "./notices.tsx";
import { useYears } from "./years.ts";

const db = new WrenDb();

/** The stored garden; on the very first visit the demo garden moves in. */
async function loadOrSeed(): Promise<Stored> {
  const stored = await loadStored(db);
  if (stored) return stored;
  await commitStored(db, "demo garden", { garden: demoGarden(today()), demo: true }, false);
  return (await loadStored(db))!;
}

/** The stored garden cannot be read: keep it as a file, then go on with the demo garden. Nothing is thrown away unasked. */
function CannotRead({ error, onReplaced }: { readonly error: Error; readonly onReplaced: () => void }) {
  const raw = error instanceof UnreadableGarden ? error.raw : null;
  const replace = async (): Promise<void> => {
    await replaceAll(db, { garden: demoGarden(today()), demo: true });
    onReplaced();
  };
  return (
    <Box role="alert" sx={{ p: 3, maxWidth: 640 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        The garden in this browser cannot be read
      </Typography>
      <Typography sx={{ mb: 2 }}>
        {error.message}. Nothing has been changed. Keep what is there as a file first.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {raw !== null && (
          <Button variant="contained" onClick={() => download("unreadable-garden.json", JSON.stringify(raw, null, 2))}>
            Keep it as a file
          </Button>
        )}
        <Button variant="outlined" onClick={() => void replace()}>
          Replace it with the demo garden
        </Button>
      </Box>
    </Box>
  );
}

export interface GardenState {
  readonly garden: Garden;
  readonly demo: boolean;
  readonly model: GardenModel;
  readonly undoable: UndoState;
  /** Applies an edit as one undoable change; says what was done, or why it could not be kept. */
  readonly change: (label: string, edit: (g: Garden) => Garden, demo?: boolean) => Promise<boolean>;
  readonly undo: () => void;
  readonly redo: () => void;
}
const GardenContext = createContext<GardenState | null>(null);

const KEY = ["garden"] as const;
const UNDO_KEY = ["undo"] as const;

const failure = (e: unknown): string =>
  e instanceof Error && e.name.includes("Quota")
    ? "The browser's storage is full: this change could not be kept. Export the garden, then free some space."
    : `This could not be kept: ${e instanceof Error ? e.message : String(e)}`;

function useStored() {
  const client = useQueryClient();
  const stored = useQuery({ queryKey: KEY, queryFn: loadOrSeed, staleTime: Infinity });
  const undoable = useQuery({ queryKey: UNDO_KEY, queryFn: () => undoState(db), staleTime: Infinity });
  // Another tab's changes arrive here as well.
  useEffect(() => {
    const watching = liveQuery(() => Promise.all([loadStored(db), undoState(db)])).subscribe(
      ([now, undo]) => {
        if (now) client.setQueryData(KEY, now);
        client.setQueryData(UNDO_KEY, undo);
        // What cannot be read is shown by the query itself.
      },
      () => undefined,
    );
    return () => watching.unsubscribe();
  }, [client]);
  return { stored, undoable: undoable.data ?? { undo: null, redo: null } };
}

/** The climate and the kinds' years are kept while the place stays as it is; ranges come in when they are known. */
function useModel(garden: Garden | undefined): GardenModel | null {
  const ground = garden ? JSON.stringify(garden.place) : "";
  const base = useMemo(
    () => (ground === "" ? null : kindCache({ place: JSON.parse(ground) as Garden["place"] })),
    [ground],
  );
  const plain = useMemo(() => (garden && base ? openGarden(garden, CATALOGUE, base) : null), [garden, base]);
  const asked = useMemo(() => (plain ? yearsAsked(plain) : null), [plain]);
  const shown = useYears(db, asked);
  const ranged = useMemo(() => (base && shown ? withYears(base, shown) : null), [base, shown]);
  return useMemo(() => (garden && ranged ? openGarden(garden, CATALOGUE, ranged) : plain), [garden, ranged, plain]);
}

export function GardenProvider({ children, waiting }: { readonly children: ReactNode; readonly waiting: ReactNode }) {
  const { stored, undoable } = useStored();
  const client = useQueryClient();
  const { say } = useNotices();
  const model = useModel(stored.data?.garden);
  const write = useMutation({
    mutationFn: async (c: { label: string; edit: (g: Garden) => Garden; demo?: boolean | undefined }) => {
      await editStored(db, c.label, (now) => ({ garden: inOrder(c.edit(now.garden)), demo: c.demo ?? now.demo }));
      client.setQueryData(KEY, await loadStored(db));
    },
    onSuccess: (_, c) => say({ text: `${c.label}.`, undo: true }),
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const back = useMutation({
    mutationFn: (way: "undo" | "redo") => (way === "undo" ? undoLast(db) : redoLast(db)),
    onSuccess: (label, way) => {
      if (label !== null) say({ text: way === "undo" ? `Undone: ${label}.` : `Done again: ${label}.` });
    },
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const { mutateAsync } = write;
  const { mutate: goBack } = back;
  const value = useMemo((): GardenState | null => {
    if (!stored.data || !model) return null;
    return {
      ...stored.data,
      model,
      undoable,
      change: (label, edit, demo) =>
        mutateAsync({ label, edit, demo }).then(
          () => true,
          () => false,
        ),
      undo: () => goBack("undo"),
      redo: () => goBack("redo"),
    };
  }, [stored.data, model, undoable, mutateAsync, goBack]);
  if (stored.error) return <CannotRead error={stored.error} onReplaced={() => void stored.refetch()} />;
  return value ? <GardenContext value={value}>{children}</GardenContext> : waiting;
}

export function useGarden(): GardenState {
  const g = use(GardenContext);
  if (!g) throw new Error("useGarden outside GardenProvider");
  return g;
}
