/** Has the page been painted once? What the very first picture can do without is drawn, or fetched, right after it. */
import { useEffect, useState } from "react";

const unseen = typeof requestAnimationFrame === "undefined";
let painted = unseen;
let waiting: Promise<void> | null = null;

/** A page in the background is not painted: then this long is waited. */
const UNSEEN_MS = 400;

/** Resolves once the page has been painted; at once when it was. */
export function afterPaint(): Promise<void> {
  if (painted) return Promise.resolve();
  return (waiting ??= nextPaint().then(() => {
    painted = true;
    // Rows out of sight are left undrawn from now on; finding out which would cost the first picture a second layout.
    document.documentElement.classList.add("painted");
  }));
}
const nextPaint = (): Promise<void> =>
  new Promise((resolve) => {
    // A frame's work comes before it is painted, a timer's after.
    requestAnimationFrame(() => setTimeout(resolve));
    setTimeout(resolve, UNSEEN_MS);
  });

let answered = unseen;
let tell: () => void = () => undefined;
const answers = new Promise<void>((resolve) => {
  tell = resolve;
});
const answersPainted = (): Promise<void> =>
  nextPaint().then(() => {
    answered = true;
    tell();
  });
/** A screen without answers tells nothing: then this long is waited. */
const UNANSWERED_MS = 2000;
/** Resolves once the first answers have been painted: a frame without any may come before them. */
export const afterAnswers = (): Promise<void> =>
  answered ? Promise.resolve() : Promise.race([answers, new Promise<void>((r) => setTimeout(r, UNANSWERED_MS))]);

/** False until it has come about, and drawn again then. */
function useOnce(cameAbout: boolean, come: () => Promise<void>): boolean {
  const [now, setNow] = useState(cameAbout);
  useEffect(() => {
    if (now) return;
    let live = true;
    void come().then(() => live && setNow(true));
    return () => {
      live = false;
    };
  }, [now, come]);
  return now;
}
export const usePainted = (): boolean => useOnce(painted, afterPaint);
/** Have the answers that this screen draws first been painted? The others join them then. */
export const useAnswersPainted = (): boolean => useOnce(answered, answersPainted);
