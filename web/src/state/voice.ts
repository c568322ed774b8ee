/** The user's way of saying dates and lengths. */
import { partsOf, toDayNumber, voiceOf, type PlainDate, type Rules, type Voice } from "@wren/core";
import { useMemo } from "react";
import { today } from "../data/clock.ts";
import { useGarden } from "./garden.tsx";

const DAY_MS = 86_400_000;
/** Made when it is first asked for: each takes as long as a dozen plants' answers. */
function later(options: Intl.DateTimeFormatOptions): () => Intl.DateTimeFormat {
  let made: Intl.DateTimeFormat | null = null;
  return () => (made ??= new Intl.DateTimeFormat(undefined, { ...options, timeZone: "UTC" }));
}
const near = later({ day: "numeric", month: "long" });
const far = later({ day: "numeric", month: "short", year: "numeric" });
const full = later({ weekday: "short", day: "numeric", month: "long", year: "numeric" });

const at = (d: PlainDate): number => toDayNumber(d) * DAY_MS;

/** Said before, by date: writing a date out is slow, and a drag of the day writes the same few hundred again and again. */
const said = new Map<string, string>();
/** A date without its year while it is this year's. */
export function dateText(d: PlainDate | string): string {
  const plain = d as PlainDate;
  const isNear = partsOf(plain).year === partsOf(today()).year;
  const key = isNear ? d : `${d}!`;
  let text = said.get(key);
  if (text === undefined) said.set(key, (text = (isNear ? near() : far()).format(at(plain))));
  return text;
}
export const fullDate = (d: PlainDate): string => full().format(at(d));

export const voiceFor = (units: Rules["units"]): Voice => voiceOf(units, dateText);

export function useVoice(): Voice {
  const { units } = useGarden().garden.rules;
  return useMemo(() => voiceFor(units), [units]);
}
