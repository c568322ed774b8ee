/** The day every screen answers for: kept in the address, so that a link or the back button brings it back. */
import { addDays, parseDate, type PlainDate } from "@wren/core";
import { createContext, use, useCallback, useEffect, useRef, useState, type ReactNode } from "react";
import { useSearchParams } from "react-router";
import { today } from "../data/clock.ts";
import { arrived, dayOf, moved, sent, type Ahead } from "./ahead.ts";

interface Day {
  readonly on: PlainDate;
  readonly isToday: boolean;
  readonly setOn: (d: PlainDate) => void;
  readonly step: (days: number) => void;
}
const DayContext = createContext<Day | null>(null);
const PARAM = "on";

type LinkTo = (path: string, more?: Readonly<Record<string, string>>) => string;
/** Links made at the moment they are followed: for what must not be drawn again with every day. */
const LinkNowContext = createContext<LinkTo | null>(null);

const linkOn = (on: PlainDate, path: string, more: Readonly<Record<string, string>> = {}): string => {
  const params = new URLSearchParams({ ...more, ...(on === today() ? {} : { [PARAM]: on }) }).toString();
  return params === "" ? path : `${path}?${params}`;
};

/** While the strip is dragged the address follows a moment later, not at every step. */
const ADDRESS_DELAY_MS = 160;

export function DayProvider({ children }: { readonly children: ReactNode }) {
  const [params, setParams] = useSearchParams();
  const inAddress = parseDate(params.get(PARAM) ?? "") ?? today();
  const [ahead, setAhead] = useState<Ahead | null>(null);
  const on = dayOf(ahead, inAddress);
  if (ahead && arrived(ahead, inAddress)) setAhead(null);

  useEffect(() => {
    if (on === inAddress) return;
    const timer = setTimeout(() => {
      setAhead((old) => old && sent(old, on));
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

  const value: Day = {
    on,
    isToday: on === today(),
    setOn: (d) => setAhead((old) => moved(old, inAddress, () => d)),
    step: (n) => setAhead((old) => moved(old, inAddress, (d) => addDays(d, n))),
  };
  const latest = useRef(on);
  useEffect(() => {
    latest.current = on;
  });
  const linkNow = useCallback<LinkTo>((path, more) => linkOn(latest.current, path, more), []);
  return (
    <LinkNowContext value={linkNow}>
      <DayContext value={value}>{children}</DayContext>
    </LinkNowContext>
  );
}

export function useDay(): Day {
  const day = use(DayContext);
  if (!day) throw new Error("useDay outside DayProvider");
  return day;
}

/** A link that keeps the day, with whatever else the address is to say. */
export function useLinkTo(): LinkTo {
  const { on } = useDay();
  return useCallback((path, more) => linkOn(on, path, more), [on]);
}

/** The same for a press: it keeps the day on screen when it is called, and never changes. */
export function useLinkNow(): LinkTo {
  const link = use(LinkNowContext);
  if (!link) throw new Error("useLinkNow outside DayProvider");
  return link;
}
