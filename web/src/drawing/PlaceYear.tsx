/** A small drawing of a place's year: afternoons above, nights below, frost where they fall under nought. */
import type { Climate, Rules } from "@wren/core";
import { temperatureText } from "../forms/temperature.ts";
import { useNarrow } from "../ui/useNarrow.ts";
import { monthText } from "../words/dates.ts";
import { monthPlaces, placeYear } from "./placeYear.geometry.ts";

/** The letters of a drawing as wide as a phone would be small print: it is laid out for it. */
const BOXES = { wide: { width: 520, height: 120 }, narrow: { width: 340, height: 104 } } as const;

export function PlaceYear({ climate, units }: { readonly climate: Climate; readonly units: Rules["units"] }) {
  const box = BOXES[useNarrow() ? "narrow" : "wide"];
  const s = placeYear(climate, box);
  const label = { fontSize: 13, fontWeight: 600, fill: "var(--ink)" } as const;
  return (
    <svg
      viewBox={`0 0 ${box.width} ${box.height + 18}`}
      width="100%"
      role="img"
      aria-label="The year of this place, nights to afternoons"
      style={{ display: "block", maxWidth: 640 }}
    >
      <rect width={box.width} height={box.height} fill="var(--paper)" stroke="var(--line)" />
      {s.last !== null && s.first !== null && (
        <>
          <rect width={s.last} height={box.height} fill="var(--frost)" opacity="0.22" />
          <rect x={s.first} width={box.width - s.first} height={box.height} fill="var(--frost)" opacity="0.22" />
        </>
      )}
      <path d={s.band} fill="var(--heart)" opacity="0.65" stroke="var(--sapwood)" />
      <line x1="0" x2={box.width} y1={s.zeroY} y2={s.zeroY} stroke="var(--frost)" strokeDasharray="5 3" />
      <text
        x={box.width - 4}
        y={s.zeroY + 11 > box.height ? s.zeroY - 3 : s.zeroY + 11}
        textAnchor="end"
        style={{ ...label, fontWeight: 400, fontSize: 11 }}
      >
        {temperatureText(0, units)}
      </text>
      <text x={s.warmest.x} y={s.warmest.y + 16} textAnchor="middle" style={label}>
        {temperatureText(s.warmest.c, units)}
      </text>
      {monthPlaces(climate).map((m) => (
        <text key={m.month} x={m.part * box.width + 6} y={box.height + 14} style={{ ...label, fontWeight: 400 }}>
          {monthText(m.month, "narrow")}
        </text>
      ))}
    </svg>
  );
}
