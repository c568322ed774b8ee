/** A small drawing of a place's year: afternoons above, nights below, frost where they fall under nought. */
import type { Climate, Rules } from "@wren/core";
import { temperatureText } from "../forms/temperature.ts";
import { monthText } from "../words/dates.ts";
import { monthPlaces, placeYear } from "./placeYear.geometry.ts";

const BOX = { width: 520, height: 120 } as const;

export function PlaceYear({ climate, units }: { readonly climate: Climate; readonly units: Rules["units"] }) {
  const s = placeYear(climate, BOX);
  const label = { fontSize: 13, fontWeight: 600, fill: "var(--ink)" } as const;
  return (
    <svg
      viewBox={`0 0 ${BOX.width} ${BOX.height + 18}`}
      width="100%"
      role="img"
      aria-label="The year of this place, nights to afternoons"
      style={{ display: "block", maxWidth: 640 }}
    >
      <rect width={BOX.width} height={BOX.height} fill="var(--paper)" stroke="var(--line)" />
      {s.last !== null && s.first !== null && (
        <>
          <rect width={s.last} height={BOX.height} fill="var(--frost)" opacity="0.22" />
          <rect x={s.first} width={BOX.width - s.first} height={BOX.height} fill="var(--frost)" opacity="0.22" />
        </>
      )}
      <path d={s.band} fill="var(--heart)" opacity="0.65" stroke="var(--sapwood)" />
      <line x1="0" x2={BOX.width} y1={s.zeroY} y2={s.zeroY} stroke="var(--frost)" strokeDasharray="5 3" />
      <text x={BOX.width - 4} y={s.zeroY + 11} textAnchor="end" style={{ ...label, fontWeight: 400, fontSize: 11 }}>
        {temperatureText(0, units)}
      </text>
      <text x={s.warmest.x} y={s.warmest.y + 16} textAnchor="middle" style={label}>
        {temperatureText(s.warmest.c, units)}
      </text>
      {monthPlaces(climate).map((m) => (
        <text key={m.month} x={m.part * BOX.width + 6} y={BOX.height + 14} style={{ ...label, fontWeight: 400 }}>
          {monthText(m.month, "narrow")}
        </text>
      ))}
    </svg>
  );
}
