/** Has the page been painted once? What the very first picture can do without is drawn, or fetched, right after it. */
import { useEffect, useState } from "react";

let painted = typeof requestAnimationFrame === "undefined";
let waiting: Promise<void> | null = null;

/** A page in the background is not painted: then this long is waited. */
const UNSEEN_MS = 400;

/** Resolves once the page has been painted; at once when it was. */
export function afterPaint(): Promise<void> {
  if (painted) return Promise.resolve();
  return (waiting ??= new Promise((resolve) => {
    const done = (): void => {
      painted = true;
      // Rows out of sight are left undrawn from now on; finding out which would cost the first picture a second layout.
      document.documentElement.classList.add("painted");
      resolve();
    };
    // A frame's work comes before it is painted, a timer's after.
    requestAnimationFrame(() => setTimeout(done));
    setTimeout(done, UNSEEN_MS);
  }));
}

export function usePainted(): boolean {
  const [now, setNow] = useState(painted);
  useEffect(() => {
    if (now) return;
    let live = true;
    void afterPaint().then(() => live && setNow(true));
    return () => {
      live = false;
    };
  }, [now]);
  return now;
}
