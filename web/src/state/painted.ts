/** Has the page been painted once? What the very first picture can do without is drawn right after it. */
import { useEffect, useState } from "react";

let painted = typeof requestAnimationFrame === "undefined";

export function usePainted(): boolean {
  const [now, setNow] = useState(painted);
  useEffect(() => {
    if (now) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      // A frame's work comes before it is painted, a timer's after.
      timer = setTimeout(() => {
        painted = true;
        setNow(true);
      });
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [now]);
  return now;
}
