/** The clock of the work: runs until it is stopped, also while the page is away. */
import { minutesSoFar, type Work } from "@wren/core";
import { Pause, Play } from "lucide-react";
import { useEffect, useState } from "react";
import { stamp } from "../../data/clock.ts";

const EVERY_MS = 10_000;

export function Clock({ work, onRun }: { readonly work: Work; readonly onRun: (runs: boolean) => void }) {
  const runs = work.since !== null;
  const [nowMs, setNow] = useState(stamp);
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => setNow(stamp()), EVERY_MS);
    return () => clearInterval(timer);
  }, [runs]);
  const minutes = Math.floor(minutesSoFar(work, Math.max(nowMs, work.since ?? 0)));
  return (
    <button
      type="button"
      className="press"
      style={{ minHeight: 48, marginBottom: 12 }}
      aria-label={runs ? "Stop the clock" : "Let the clock run"}
      onClick={() => onRun(!runs)}
    >
      {runs ? <Pause size={18} /> : <Play size={18} />} {minutes} min
    </button>
  );
}
