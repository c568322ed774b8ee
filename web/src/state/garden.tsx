/** The garden on screen: read from the database, opened for questions, changed only through change(). */
import { CATALOGUE, kindCache, openGarden, withYears, yearsAsked, type Garden, type GardenModel } from "@wren/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { liveQuery } from "dexie";
import {
  createContext,
  lazy,
  Suspense,
  use,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ComponentProps,
  type ReactNode,
} from "react";
import { editStored, loadStored, redoLast, Refused, undoLast, undoState, type UndoState } from "../data/changes.ts";
import type { Picture } from "../data/db.ts";
import { askToStay, isFull, withRoom } from "../data/room.ts";
import type { Found, HeldApart, Kept } from "../data/stored.ts";
import { useNotices } from "./notices.tsx";
import { keepHouse } from "./housekeeping.ts";
import { db, openStored, storageTrouble, tab, troubleOf } from "./storage.ts";
import { useYears } from "./years.ts";

const SafeRoom = lazy(() => import("../saferoom/index.ts"));

/** What a change may bring along, and what else of the state it replaces. */
export interface More {
  readonly demo?: boolean;
  readonly apart?: readonly HeldApart[];
  readonly pictures?: readonly Picture[];
  /** What is put in the place of the whole garden is kept as it was before. */
  readonly replaces?: boolean;
}

export interface GardenState {
  readonly garden: Garden;
  readonly demo: boolean;
  /** Rows that are set apart. */
  readonly apart: readonly HeldApart[];
  readonly model: GardenModel;
  readonly undoable: UndoState;
  /** Applies an edit as one undoable change; says what was done, or why it could not be kept. */
  readonly change: (label: string, edit: (g: Garden) => Garden, more?: More) => Promise<boolean>;
  readonly undo: () => void;
  readonly redo: () => void;
}
const GardenContext = createContext<GardenState | null>(null);

const KEY = ["garden"] as const;
const UNDO_KEY = ["undo"] as const;

const failure = (e: unknown): string => {
  if (e instanceof Refused) return `Not kept, nothing was changed. ${e.message}`;
  if (isFull(e))
    return "The browser’s storage is full: this was not kept, and nothing else was lost. Under Place & rules, “Your data”: export the garden, then remove photos or days of weather, or free room on this device; then try again.";
  return `This could not be kept: ${e instanceof Error ? e.message : String(e)}`;
};

const revisions = (): Promise<number> => db.meta.get("rev").then((r) => r?.value ?? 0);

function useStored() {
  const client = useQueryClient();
  const stored = useQuery({ queryKey: KEY, queryFn: openStored, staleTime: Infinity });
  const undoable = useQuery({ queryKey: UNDO_KEY, queryFn: () => undoState(db, tab), staleTime: Infinity });
  const opened = stored.isSuccess;
  // Another tab's changes arrive here as well; one's own are here already.
  useEffect(() => {
    if (!opened) return;
    const watching = liveQuery(revisions).subscribe(
      (rev) => {
        if (tab.kept?.rev === rev) return;
        void loadStored(db, tab).then(
          (found) => client.setQueryData(KEY, found),
          () => undefined,
        );
        void client.invalidateQueries({ queryKey: UNDO_KEY });
      },
      () => undefined,
    );
    return () => watching.unsubscribe();
  }, [client, opened]);
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

/** Which rows are set apart, as one text: what was looked at once is not put in the way again. */
const apartName = (apart: readonly HeldApart[]): string =>
  apart
    .filter((a) => !a.wrapped)
    .map((a) => `${a.list}/${a.key}`)
    .sort()
    .join(" ");

export function GardenProvider({ children, waiting }: { readonly children: ReactNode; readonly waiting: ReactNode }) {
  const { stored, undoable } = useStored();
  const client = useQueryClient();
  const trouble = useSyncExternalStore(storageTrouble.subscribe, storageTrouble.now);
  const [passedBy, setPassedBy] = useState("");
  const found: Found | undefined = stored.data;
  const retry = (): void => {
    db.close();
    void client.resetQueries({ queryKey: KEY });
    void client.invalidateQueries({ queryKey: UNDO_KEY });
  };
  const seen = (next: Found): void => {
    client.setQueryData(KEY, next);
    void client.invalidateQueries({ queryKey: UNDO_KEY });
  };
  const safe = (props: Pick<ComponentProps<typeof SafeRoom>, "trouble" | "found" | "onGoOn">) => (
    <Suspense fallback={waiting}>
      <SafeRoom {...props} onRetry={retry} onFound={seen} />
    </Suspense>
  );
  const wrong = trouble ?? (stored.error ? troubleOf(stored.error) : null);
  if (wrong) return safe({ trouble: wrong, found: null, onGoOn: null });
  if (!found) return waiting;
  if (found.is !== "garden") return safe({ trouble: null, found, onGoOn: null });
  const apart = apartName(found.kept.apart);
  if (apart !== "" && apart !== passedBy) return safe({ trouble: null, found, onGoOn: () => setPassedBy(apart) });
  return (
    <Opened kept={found.kept} undoable={undoable} waiting={waiting}>
      {children}
    </Opened>
  );
}

interface OpenedProps {
  readonly kept: Kept;
  readonly undoable: UndoState;
  readonly waiting: ReactNode;
  readonly children: ReactNode;
}
function Opened({ kept, undoable, waiting, children }: OpenedProps) {
  const client = useQueryClient();
  const { say } = useNotices();
  const model = useModel(kept.garden);
  useEffect(() => keepHouse(db, () => tab.kept), []);
  const write = useMutation({
    mutationFn: async (c: { label: string; edit: (g: Garden) => Garden; more: More }) => {
      const { pictures, replaces, ...rest } = c.more;
      const before = tab.kept;
      if (replaces && before && !before.demo) await keepAsItWas(before.garden);
      const next = await withRoom(db, () =>
        editStored(db, tab, {
          label: c.label,
          edit: (now) => ({ ...rest, garden: c.edit(now.garden) }),
          ...(pictures ? { pictures } : {}),
        }),
      );
      if (next !== before) client.setQueryData(KEY, { is: "garden", kept: next } satisfies Found);
      await client.invalidateQueries({ queryKey: UNDO_KEY });
      if (!next.demo && next.garden.plants.length > 0 && (before?.demo || before?.garden.plants.length === 0))
        void askToStay().catch(() => false);
      return next === before;
    },
    onSuccess: (same, c) =>
      say(same ? { text: "Nothing was changed: it is kept like that already." } : { text: `${c.label}.`, undo: true }),
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const back = useMutation({
    mutationFn: (way: "undo" | "redo") => withRoom(db, () => (way === "undo" ? undoLast(db, tab) : redoLast(db, tab))),
    onSuccess: async (label, way) => {
      if (label === null) return;
      if (tab.kept) client.setQueryData(KEY, { is: "garden", kept: tab.kept } satisfies Found);
      await client.invalidateQueries({ queryKey: UNDO_KEY });
      say({ text: way === "undo" ? `Undone: ${label}.` : `Done again: ${label}.` });
    },
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const { mutateAsync } = write;
  const { mutate: goBack } = back;
  const value = useMemo((): GardenState | null => {
    if (!model) return null;
    return {
      garden: kept.garden,
      demo: kept.demo,
      apart: kept.apart,
      model,
      undoable,
      change: (label, edit, more = {}) =>
        mutateAsync({ label, edit, more }).then(
          () => true,
          () => false,
        ),
      undo: () => goBack("undo"),
      redo: () => goBack("redo"),
    };
  }, [kept, model, undoable, mutateAsync, goBack]);
  return value ? <GardenContext value={value}>{children}</GardenContext> : waiting;
}

/** A snapshot before the whole garden is replaced; where it cannot be taken, the undo still holds. */
async function keepAsItWas(garden: Garden): Promise<void> {
  const { takeSnapshot } = await import("../data/snapshots.ts");
  await takeSnapshot(db, garden, "replaced").catch(() => undefined);
}

export function useGarden(): GardenState {
  const g = use(GardenContext);
  if (!g) throw new Error("useGarden outside GardenProvider");
  return g;
}
