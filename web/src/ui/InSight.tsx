/** A part of a long page that is worked out only when it comes near the screen; from then on it stays. */
import { Box } from "@mui/material";
import { useEffect, useRef, useState, type ReactNode } from "react";

interface Props {
  /** true: it is there from the start. */
  readonly always: boolean;
  /** About how high it will be, so that the page keeps its length. */
  readonly estimatePx: number;
  readonly children: ReactNode;
}

const NEAR = "800px";

export function InSight({ always, estimatePx, children }: Props) {
  const [near, setNear] = useState(() => always || typeof IntersectionObserver === "undefined");
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const here = place.current;
    if (near || !here) return;
    const watch = new IntersectionObserver(
      (seen) => {
        if (seen.some((s) => s.isIntersecting)) setNear(true);
      },
      { rootMargin: NEAR },
    );
    watch.observe(here);
    return () => watch.disconnect();
  }, [near]);
  return near || always ? children : <Box ref={place} style={{ minHeight: estimatePx }} />;
}
