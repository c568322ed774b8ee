/** From where and when the drawing is looked at; it does not hang on the cuts that are tried. */
import { Slider } from "@mui/material";
import { HORIZONS, type Horizon } from "@wren/core";
import { RotateCw } from "lucide-react";
import { memo } from "react";
import { SIDES } from "./FourSides.tsx";
import { HORIZON_LABELS } from "./labels.ts";

interface LookProps {
  readonly horizon: Horizon;
  readonly viewDeg: number;
  readonly onHorizon: (h: Horizon) => void;
  readonly onView: (deg: number) => void;
  readonly correcting: boolean;
  readonly onCorrecting: (correcting: boolean) => void;
}
export const LookFrom = memo(function LookFrom({
  horizon,
  viewDeg,
  onHorizon,
  onView,
  correcting,
  onCorrecting,
}: LookProps) {
  const side = Math.round(viewDeg / 90) % 4;
  return (
    <div className="no-print look-from">
      <div role="group" aria-label="When" className="presses">
        {HORIZONS.map((h) => (
          <button
            key={h}
            type="button"
            className={`press task${h === horizon ? " task-chosen" : ""}`}
            aria-pressed={h === horizon}
            onClick={() => onHorizon(h)}
          >
            {HORIZON_LABELS[h]}
          </button>
        ))}
      </div>
      <button
        type="button"
        className="press"
        onClick={() => onView((side * 90 + 90) % 360)}
        aria-label={`Walk round: now ${SIDES[side]}`}
      >
        <RotateCw size={18} />
        {SIDES[side]}
      </button>
      <Slider
        aria-label="Walk round it"
        value={viewDeg}
        min={0}
        max={359}
        onChange={(_, v) => onView(v)}
        getAriaValueText={(v) => `${v} degrees`}
        sx={{ flex: "1 1 120px", minWidth: 110, mx: 1, color: "var(--umber)" }}
      />
      <button
        type="button"
        className={`press${correcting ? " task-chosen" : ""}`}
        aria-pressed={correcting}
        onClick={() => onCorrecting(!correcting)}
      >
        Correct the drawing
      </button>
      {correcting && (
        <p role="status" className="quiet small">
          Press a stem, then drag its tips to where they stand. Thickness, age and state: <em>Correct it</em> in the
          list.
        </p>
      )}
    </div>
  );
});
