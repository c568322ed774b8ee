/** Keys that work on every screen, as one table: the list that "?" shows is read from it. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}
export const SHORTCUTS: readonly Shortcut[] = [
  { keys: "/", does: "search for a plant" },
  { keys: ",  .", does: "a day back, a day on" },
  { keys: "<  >", does: "a week back, a week on" },
  { keys: "w", does: "write down what you see" },
  { keys: "t", does: "back to today" },
  { keys: "1 … 9", does: "Today, Garden, Year, Which is it?, Kinds, Place & rules, Hedges, Work days, Record" },
  { keys: "Ctrl+Z", does: "undo" },
  { keys: "Ctrl+Shift+Z", does: "do it again" },
  { keys: "← →  PgUp PgDn", does: "on the strip: step the day, the week" },
  { keys: "?", does: "this list" },
];

export type Command =
  "search" | "help" | "write" | "today" | "undo" | "redo" | { readonly step: number } | { readonly go: string };

const PLAIN: Readonly<Record<string, Command>> = {
  "/": "search",
  "?": "help",
  t: "today",
  w: "write",
  ",": { step: -1 },
  ".": { step: 1 },
  "<": { step: -7 },
  ">": { step: 7 },
  "1": { go: "/today" },
  "2": { go: "/garden" },
  "3": { go: "/year" },
  "4": { go: "/which" },
  "5": { go: "/kinds" },
  "6": { go: "/place" },
  "7": { go: "/hedges" },
  "8": { go: "/days" },
  "9": { go: "/record" },
};

interface Pressed {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
  readonly shiftKey: boolean;
}

/** What a key press asks for; null when it is not ours. Plain keys stay with a field that is being typed in. */
export function commandFor(e: Pressed, typing: boolean): Command | null {
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z" && !typing) return e.shiftKey ? "redo" : "undo";
  if (typing || e.ctrlKey || e.metaKey || e.altKey) return null;
  return PLAIN[e.key] ?? null;
}
