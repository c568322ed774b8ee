/** The day every screen answers for: kept in the address, so that a link or the back button brings it back. */
import { addDays, dayWithin, parseDate, type PlainDate } from "@wren/core";
import { createContext, use, useEffect, useMemo, useReducer, useRef, useState, type ReactNode } from "react";
import { useNavigate, useSearchParams, type NavigateOptions } from "react-router";
import { today } from "../data/clock.ts";
import { arrived, dayOf, moved, sent, type Ahead } from "./ahead.ts";

interface Moves {
  readonly setOn: (d: PlainDate) => void;
  readonly step: (days: number) => void;
}
interface Day extends Moves {
  readonly on: PlainDate;
  readonly isToday: boolean;
}
const DayContext = createContext<PlainDate | null>(null);
/** Apart from the day, so that what only moves it is not drawn anew with it. */
const MovesContext = createContext<Moves | null>(null);
/** Is the day being moved? Apart too: it changes when a move begins and when it has come to rest. */
const MovingContext = createContext(false);
const PARAM = "on";

type LinkTo = (path: string, more?: Readonly<Record<string, string>>) => string;
/** Links made, and ways gone, at the moment they are followed: for what must not be drawn again with every day. */
interface Ways {
  readonly linkNow: LinkTo;
  readonly go: (to: string, options?: NavigateOptions) => void;
}
const WaysContext = createContext<Ways | null>(null);

const linkOn = (on: PlainDate, path: string, more: Readonly<Record<string, string>> = {}): string => {
  const params = new URLSearchParams({ ...more, ...(on === today() ? {} : { [PARAM]: on }) }).toString();
  return params === "" ? path : `${path}?${params}`;
};

/** While the strip is dragged the address follows a moment later, not at every step. */
const ADDRESS_DELAY_MS = 160;

type Act =
  | { readonly act: "move"; readonly to: (from: PlainDate) => PlainDate }
  | { readonly act: "sent"; readonly day: PlainDate }
  | { readonly act: "arrived" };

export function DayProvider({ children }: { readonly children: ReactNode }) {
  const [params, setParams] = useSearchParams();
  const inAddress = dayWithin(parseDate(params.get(PARAM) ?? "") ?? today());
  // Steps are worked out as they are drawn, with the address of that moment: one of an earlier moment would lose them.
  const [ahead, act] = useReducer((old: Ahead | null, a: Act): Ahead | null => {
    if (a.act === "move") return moved(old, inAddress, a.to);
    return a.act === "sent" ? old && sent(old, a.day) : null;
  }, null);
  const on = dayOf(ahead, inAddress);
  if (ahead && arrived(ahead, inAddress)) act({ act: "arrived" });

  useEffect(() => {
    if (on === inAddress) return;
    const timer = setTimeout(() => {
      act({ act: "sent", day: on });
      setParams(
        (old) => {
          const next = new URLSearchParams(old);
          if (on === today()) next.delete(PARAM);
          else next.set(PARAM, on);
          return next;
        },
        { replace: true },
      );
    }, ADDRESS_DELAY_MS);
    return () => clearTimeout(timer);
  }, [on, inAddress, setParams]);

  const moves = useMemo(
    (): Moves => ({
      setOn: (d) => act({ act: "move", to: () => dayWithin(d) }),
      step: (n) => act({ act: "move", to: (from) => dayWithin(addDays(from, n)) }),
    }),
    [],
  );
  const navigate = useNavigate();
  const latest = useRef({ on, navigate });
  useEffect(() => {
    latest.current = { on, navigate };
  });
  const [ways] = useState<Ways>(() => ({
    linkNow: (path, more) => linkOn(latest.current.on, path, more),
    go: (to, options) => void latest.current.navigate(to, options),
  }));
  return (
    <WaysContext value={ways}>
      <MovesContext value={moves}>
        <MovingContext value={on !== inAddress}>
          <DayContext value={on}>{children}</DayContext>
        </MovingContext>
      </MovesContext>
    </WaysContext>
  );
}

/** The ways to move the day; they never change. */
export function useMoves(): Moves {
  const moves = use(MovesContext);
  if (!moves) throw new Error("useMoves outside DayProvider");
  return moves;
}

export function useDay(): Day {
  const on = use(DayContext);
  if (on === null) throw new Error("useDay outside DayProvider");
  return { on, isToday: on === today(), ...useMoves() };
}

/** True while the day is dragged or stepped, until it has rested for a moment. */
export const useMoving = (): boolean => use(MovingContext);

/** Makes addresses that keep the day on screen when it is called; it never changes itself. */
export const useLinkNow = (): LinkTo => useWays().linkNow;

/** Goes to an address; it never changes itself. */
export const useGo = (): Ways["go"] => useWays().go;

function useWays(): Ways {
  const ways = use(WaysContext);
  if (!ways) throw new Error("links outside DayProvider");
  return ways;
}
