/** The garden on screen: read from the database, opened for questions, changed only through change(). */
import {
  catalogueOf,
  DEMO_KINDS,
  demoGardenBy,
  kindCache,
  openGarden,
  withYears,
  yearsAsked,
  type Catalogue,
  type Garden,
  type GardenModel,
} from "@wren/core";
import { useMutation, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import {
  createContext,
  Suspense,
  use,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ComponentProps,
  type ReactNode,
} from "react";
import type { UndoState } from "../data/changes.ts";
import { AT_ONCE } from "../data/atOnce.ts";
import { today } from "../data/clock.ts";
import type { Picture } from "../data/db.ts";
import { isFull } from "../data/full.ts";
import { Refused } from "../data/refused.ts";
import type { Found, HeldApart, Kept } from "../data/stored.ts";
import { copyLater, keepHouse } from "./housekeeping.ts";
import { useKinds } from "./kinds.ts";
import { useNotices } from "./notices.tsx";
import { afterPaint, usePainted } from "./painted.ts";
import { storageTrouble, type StorageTrouble } from "./trouble.ts";
import { laterPart } from "../ui/later.tsx";
import { useYears } from "./years.ts";

const SafeRoom = laterPart(() => import("../saferoom/index.ts"));
const keeper = () => import("./keeper.ts");

/** What a change may bring along, and what else of the state it replaces. */
export interface More {
  readonly demo?: boolean;
  readonly apart?: readonly HeldApart[];
  readonly pictures?: readonly Picture[];
  /** It comes from a file: the states that this copy descends from then. */
  readonly lineage?: readonly string[];
  /** What is put in the place of the whole garden is kept as it was before. */
  readonly replaces?: boolean;
  /** What else there is to say of it, beside its label. */
  readonly told?: string;
  /** One tick of many: nothing is said of it. It can be undone all the same. */
  readonly quiet?: boolean;
}

export interface GardenState {
  readonly garden: Garden;
  readonly demo: boolean;
  /** Rows that are set apart. */
  readonly apart: readonly HeldApart[];
  /** The browser gave no storage: nothing outlives this page. */
  readonly keepsNothing: boolean;
  /** All of it is here: of many years' records the first picture of Today does not wait for all. */
  readonly whole: boolean;
  /** The stems of all its plants are here as well: Today does without, every other screen waits for them. */
  readonly drawn: boolean;
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
const NOTHING: UndoState = { undo: null, redo: null };

const failure = (e: unknown): string => {
  if (e instanceof Refused) return `Not kept, nothing was changed. ${e.message}`;
  if (isFull(e))
    return "The browser’s storage is full: this was not kept, and nothing else was lost. Under Place & rules, “Your data”: export the garden, then remove photos or days of weather, or free room on this device; then try again.";
  return `This could not be kept: ${e instanceof Error ? e.message : String(e)}`;
};

/** A mark beside the database that there is one: without it the demo garden is shown while the database is opened. */
const MARK = "wren-kept";
function beenHere(): boolean {
  try {
    return localStorage.getItem(MARK) !== null;
  } catch {
    return true;
  }
}
function markKept(): void {
  try {
    localStorage.setItem(MARK, "1");
  } catch {
    // Without it the next visit waits for the database, as this one did.
  }
}

/** Today and what leads to it: its first picture needs little of a garden. */
export const NEEDS_LITTLE: readonly string[] = ["/", "/today"];
const needsLittle = (): boolean => NEEDS_LITTLE.includes(window.location.pathname);

const demoBy = (drawn: number): Garden => demoGardenBy(catalogueOf(DEMO_KINDS), today(), drawn);
let seenFirst: Garden | null = null;
/**
 * What a first visit sees at once. Today draws stems for the plants that are answered for first; every other screen
 * has the whole, for what is exported or counted there is all there is.
 */
function atOnce(): Found | undefined {
  if (beenHere()) return undefined;
  const little = needsLittle();
  seenFirst = demoBy(little ? AT_ONCE : Infinity);
  return {
    is: "garden",
    kept: { garden: seenFirst, demo: true, apart: [], rev: -1, ...(little ? { undrawn: true } : {}) },
  };
}
/** The demo garden with all its stems; its plants are those that are on the screen already. */
const firstGarden = (): Garden => {
  const whole = demoBy(Infinity);
  return seenFirst === null ? whole : { ...seenFirst, stands: whole.stands };
};

async function open(): Promise<Found> {
  // A first visit has its answer to show; others wait for nothing but this.
  if (!beenHere()) await afterPaint();
  const { openStored } = await keeper();
  const found = await openStored(firstGarden, needsLittle());
  markKept();
  return found;
}

/**
 * What can be undone, asked anew after a change. An asking that is still under way began before it, and is dropped:
 * left alone it would be taken for the answer.
 */
async function askUndo(client: QueryClient): Promise<void> {
  await client.cancelQueries({ queryKey: UNDO_KEY });
  await client.invalidateQueries({ queryKey: UNDO_KEY });
}

function useStored() {
  const client = useQueryClient();
  const [placeholder] = useState(atOnce);
  const stored = useQuery({
    queryKey: KEY,
    queryFn: open,
    staleTime: Infinity,
    ...(placeholder ? { placeholderData: placeholder } : {}),
  });
  const opened = stored.isSuccess && !stored.isPlaceholderData;
  const undoable = useQuery({
    queryKey: UNDO_KEY,
    queryFn: async () => {
      await afterPaint();
      return (await keeper()).undoNow();
    },
    staleTime: Infinity,
    enabled: opened,
  });
  // Another tab's changes arrive here as well; one's own are here already.
  useEffect(() => {
    if (!opened) return;
    let stop: (() => void) | null = null;
    let left = false;
    void keeper().then((k) => {
      if (left) return;
      stop = k.watchOthers((found) => {
        client.setQueryData(KEY, found);
        void askUndo(client);
      });
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [client, opened]);
  return { stored, opened, undoable: undoable.data ?? NOTHING };
}

/** The climate and the kinds' years are kept while the place stays as it is; ranges come in when they are known. */
function useModel({ garden, lore }: Kept, kinds: Catalogue | null): GardenModel | null {
  const ground = JSON.stringify(garden.place);
  const base = useMemo(() => kindCache({ place: JSON.parse(ground) as Garden["place"] }), [ground]);
  const plain = useMemo(() => kinds && openGarden(garden, kinds, base, lore), [garden, kinds, base, lore]);
  const painted = usePainted();
  const asked = useMemo(() => (plain && painted ? yearsAsked(plain) : null), [plain, painted]);
  const shown = useYears(asked);
  const ranged = useMemo(() => shown && withYears(base, shown), [base, shown]);
  return useMemo(
    () => (kinds && ranged ? openGarden(garden, kinds, ranged, lore) : plain),
    [garden, kinds, ranged, lore, plain],
  );
}

const PASSED = "wren-passed-by";
/** Kept as long as the tab is open; where the browser keeps nothing it is asked again. */
function remembered(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}
function remember(key: string, value: string): void {
  try {
    sessionStorage.setItem(key, value);
  } catch {
    // Asked again after a reload.
  }
}

/** Which rows are set apart, as one text: what was looked at once is not put in the way again. */
const apartName = (apart: readonly HeldApart[]): string =>
  apart
    .filter((a) => !a.wrapped)
    .map((a) => `${a.list}/${a.key}`)
    .sort()
    .join(" ");

/** What an error at opening is: read by the part that knows the database. */
function useTrouble(error: Error | null): StorageTrouble | null {
  const trouble = useSyncExternalStore(storageTrouble.subscribe, storageTrouble.now);
  if (trouble) return trouble;
  if (!error) return null;
  return error.name === "NewerDatabase"
    ? { is: "newer", detail: error.message }
    : { is: "closed", detail: error.message };
}

export function GardenProvider({ children, waiting }: { readonly children: ReactNode; readonly waiting: ReactNode }) {
  const { stored, opened, undoable } = useStored();
  const client = useQueryClient();
  const trouble = useTrouble(stored.error);
  const [passedBy, setPassedBy] = useState(() => remembered(PASSED) ?? "");
  const found: Found | undefined = stored.data;
  const passBy = (name: string): void => {
    remember(PASSED, name);
    setPassedBy(name);
  };
  const retry = (): void => {
    void client.resetQueries({ queryKey: KEY });
    void askUndo(client);
  };
  const seen = (next: Found): void => {
    client.setQueryData(KEY, next);
    void askUndo(client);
  };
  const safe = (props: Pick<ComponentProps<typeof SafeRoom>, "trouble" | "found" | "onGoOn">) => (
    <Suspense fallback={waiting}>
      <SafeRoom {...props} onRetry={retry} onFound={seen} />
    </Suspense>
  );
  if (trouble) return safe({ trouble, found: null, onGoOn: null });
  if (!found) return waiting;
  if (found.is !== "garden") return safe({ trouble: null, found, onGoOn: null });
  const apart = apartName(found.kept.apart);
  if (apart !== "" && apart !== passedBy) return safe({ trouble: null, found, onGoOn: () => passBy(apart) });
  return (
    <Opened kept={found.kept} opened={opened} undoable={undoable} waiting={waiting}>
      {children}
    </Opened>
  );
}

interface OpenedProps {
  readonly kept: Kept;
  /** The database is open; until then a first visit sees the demo garden. */
  readonly opened: boolean;
  readonly undoable: UndoState;
  readonly waiting: ReactNode;
  readonly children: ReactNode;
}
function Opened({ kept, opened, undoable, waiting, children }: OpenedProps) {
  const client = useQueryClient();
  const { say } = useNotices();
  const kinds = useKinds(kept.garden, kept.rev < 0);
  const model = useModel(kept, kinds);
  const keepsNothing = useQuery({
    queryKey: ["keeps nothing"],
    queryFn: async () => (await keeper()).keepsNothing(),
    enabled: opened,
    staleTime: Infinity,
  });
  useEffect(() => (opened ? keepHouse() : undefined), [opened]);
  useEffect(() => {
    if (opened && model) copyLater(kept, model);
  }, [opened, kept, model]);
  const write = useMutation({
    mutationFn: async ({ label, edit, more }: { label: string; edit: (g: Garden) => Garden; more: More }) => {
      await client.query({ queryKey: KEY, queryFn: open, staleTime: "static" });
      const { pictures, lineage, replaces, quiet: _quiet, told: _told, ...rest } = more;
      const asked = {
        label,
        edit: (now: { garden: Garden }) => ({ ...rest, garden: edit(now.garden) }),
        ...(pictures ? { pictures } : {}),
        ...(lineage ? { lineage } : {}),
      };
      const { kept: next, same } = await (await keeper()).changeStored(asked, replaces === true);
      if (!same) client.setQueryData(KEY, { is: "garden", kept: next } satisfies Found);
      await askUndo(client);
      return same;
    },
    onSuccess: (same, c) => {
      if (c.more.quiet !== true)
        say(
          same
            ? { text: "Nothing was changed: it is kept like that already." }
            : { text: `${c.label}.${c.more.told ? ` ${c.more.told}` : ""}`, undo: true },
        );
    },
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const back = useMutation({
    mutationFn: async (way: "undo" | "redo") => (await keeper()).turnStored(way),
    onSuccess: async (done, way) => {
      if (done === null) return;
      client.setQueryData(KEY, done.found);
      await askUndo(client);
      say({ text: way === "undo" ? `Undone: ${done.label}.` : `Done again: ${done.label}.` });
    },
    onError: (e) => say({ text: failure(e), trouble: true }),
  });
  const { mutateAsync } = write;
  const { mutate: goBack } = back;
  const nothing = keepsNothing.data ?? false;
  const value = useMemo((): GardenState | null => {
    if (!model) return null;
    return {
      garden: kept.garden,
      demo: kept.demo,
      apart: kept.apart,
      keepsNothing: nothing,
      whole: kept.first !== true,
      drawn: kept.undrawn !== true,
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
  }, [kept, nothing, model, undoable, mutateAsync, goBack]);
  return value ? <GardenContext value={value}>{children}</GardenContext> : waiting;
}

export function useGarden(): GardenState {
  const g = use(GardenContext);
  if (!g) throw new Error("useGarden outside GardenProvider");
  return g;
}
