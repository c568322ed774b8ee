/** The day on screen while the address follows a moment later. */
import type { PlainDate } from "@wren/core";

/**
 * A day the address does not know yet, and the addresses it may be ahead of: the one it began at and all it has sent since.
 * All of them, because on a slow machine an address arrives after later ones were sent.
 */
export interface Ahead {
  readonly day: PlainDate;
  readonly passed: readonly PlainDate[];
}

/** The day on screen. When the address moved on by other means (the back button, a link) it wins. */
export const dayOf = (ahead: Ahead | null, inAddress: PlainDate): PlainDate =>
  ahead?.passed.includes(inAddress) ? ahead.day : inAddress;

/** Moves on from the day on screen, not from the one in the address, so that fast steps add up. */
export const moved = (ahead: Ahead | null, inAddress: PlainDate, to: (from: PlainDate) => PlainDate): Ahead => ({
  day: to(dayOf(ahead, inAddress)),
  passed: ahead?.passed.includes(inAddress) ? ahead.passed : [inAddress],
});

/** The same, once a day was sent to the address. */
export const sent = (ahead: Ahead, day: PlainDate): Ahead => ({ ...ahead, passed: [...ahead.passed, day] });

/** The last day sent has arrived and is the one on screen: from here on the address leads again. */
export const arrived = (ahead: Ahead, inAddress: PlainDate): boolean =>
  ahead.day === inAddress && ahead.passed.at(-1) === inAddress;
