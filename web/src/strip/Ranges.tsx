/** Where the ranges of all dates come from, how far their working out is, and a way to stop it. */
import { memo } from "react";
import { useProgress, useYearsControl } from "../state/years.ts";

export const Ranges = memo(function Ranges() {
  const p = useProgress();
  const { stop, start } = useYearsControl();
  return (
    <span className="strip-ranges">
      {p.state === "working" && (
        <>
          ranges: {Math.round(p.done * 100)} %
          <button type="button" className="press press-plain press-tiny" onClick={stop}>
            Stop
          </button>
        </>
      )}
      {p.state === "done" && <>ranges: {p.years} years of weather</>}
      {p.state === "stopped" && (
        <>
          ranges: rule of thumb
          <button type="button" className="press press-plain press-tiny" onClick={start}>
            Work them out
          </button>
        </>
      )}
      {p.state === "waiting" && <>ranges: rule of thumb</>}
    </span>
  );
});
