/** The web application's one look at the clock. */
import { makeDate, type PlainDate } from "@wren/core";

const dayOf = (moment: Date): PlainDate => makeDate(moment.getFullYear(), moment.getMonth() + 1, moment.getDate());

export const today = (): PlainDate => dayOf(new Date());

/** The local day of a moment, in milliseconds since the epoch. */
export const dayOfStamp = (ms: number): PlainDate => dayOf(new Date(ms));

/** Milliseconds since the epoch, for ordering changes only. */
export const stamp = (): number => Date.now();

/** The moment, where a file has to carry one. */
export const now = (): Date => new Date();
