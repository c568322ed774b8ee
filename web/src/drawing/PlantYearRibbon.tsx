/** A plant's year on one line: what it shows above, what a task costs below, what was done as marks. */
import { Box } from "@mui/material";
import {
  partsOf,
  seasonDate,
  seasonPoint,
  TASK_TABLE,
  VERDICT_TABLE,
  type KindYear,
  type PlainDate,
  type Visit,
  giveOrTake,
} from "@wren/core";
import { useMemo } from "react";
import { useGarden } from "../state/garden.tsx";
import { dateText, monthText } from "../words/dates.ts";
import { VERDICT_COLOUR, VerdictMark } from "../ui/VerdictMark.tsx";
import { linear } from "./linear.ts";
import { ridges, verdictRuns } from "./yearRibbon.geometry.ts";
import { monthTicks } from "./strip.geometry.ts";

const W = 1000;
const FOOT = 74;
const RIBBON = { top: 82, height: 24 } as const;
const H = 124;

const PATTERN: Partial<Record<string, string>> = {
  fine: "0.55",
  best: "1",
  "no-need": "0.25",
  "costs-flowers": "0.85",
  wait: "0.5",
  "too-late": "0.6",
};

interface Props {
  readonly kind: KindYear;
  readonly on: PlainDate;
  readonly visits: readonly Visit[];
}

export function PlantYearRibbon({ kind, on, visits }: Props) {
  const { climate } = useGarden().model;
  const h = climate.hemisphere;
  const { seasonYear, seasonDay } = seasonPoint(on, h);
  const x = useMemo(() => linear([0, 365], [0, W], true), []);
  const runs = useMemo(() => verdictRuns(kind), [kind]);
  const hills = useMemo(() => ridges(kind.year, x, FOOT, 16), [kind, x]);
  const task = TASK_TABLE[kind.prices.task].label;
  const day = (d: number): string => dateText(seasonDate(seasonYear, d, h));
  const done = visits.filter((v) => seasonPoint(v.on, h).seasonYear === seasonYear);
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box sx={{ position: "relative" }}>
        <svg
          viewBox={`0 0 ${W} ${H}`}
          width="100%"
          preserveAspectRatio="none"
          height={H}
          aria-hidden="true"
          style={{ display: "block" }}
        >
          {monthTicks(on, climate).map((t) => (
            <line
              key={t.date}
              x1={x(t.day)}
              x2={x(t.day)}
              y1="8"
              y2={RIBBON.top + RIBBON.height}
              stroke="var(--line)"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          <rect
            x={x(kind.year.wakes.day)}
            width={x(kind.year.stops.day) - x(kind.year.wakes.day)}
            y={FOOT - 6}
            height="6"
            fill="var(--leaf)"
            opacity="0.55"
          />
          {hills.map((r) => (
            <path
              key={r.path}
              d={r.path}
              fill="var(--plum)"
              opacity="0.5"
              stroke="var(--plum)"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          <line x1="0" x2={W} y1={FOOT} y2={FOOT} stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
          {runs.map((r) => (
            <rect
              key={r.from}
              x={x(r.from)}
              width={x(r.to) - x(r.from)}
              y={r.verdict === "best" ? RIBBON.top : RIBBON.top + 6}
              height={r.verdict === "best" ? RIBBON.height : RIBBON.height - 6}
              fill={VERDICT_COLOUR[r.verdict]}
              opacity={PATTERN[r.verdict] ?? "0.8"}
            />
          ))}
          <line
            x1={x(seasonDay)}
            x2={x(seasonDay)}
            y1="0"
            y2={H}
            stroke="var(--plum)"
            strokeWidth="3"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {hills.map((r) => (
          <Box
            key={r.path}
            aria-hidden="true"
            sx={{
              position: "absolute",
              top: 0,
              left: `${(r.middle / 365) * 100}%`,
              // Near the year's ends the name leans inwards, so that it never leaves the page.
              transform: `translateX(${r.middle > 290 ? -100 : r.middle < 75 ? 0 : -50}%)`,
              fontSize: "0.8rem",
              whiteSpace: "nowrap",
              bgcolor: "var(--mist)",
              px: 0.5,
            }}
          >
            {r.name}
          </Box>
        ))}
        {done.map((v) => (
          <Box
            key={v.id}
            aria-hidden="true"
            sx={{
              position: "absolute",
              top: RIBBON.top + RIBBON.height + 1,
              left: `${(seasonPoint(v.on, h).seasonDay / 365) * 100}%`,
              ml: "-7px",
              width: 0,
              height: 0,
              borderInline: "7px solid transparent",
              borderBottom: "12px solid var(--ink)",
            }}
          />
        ))}
        <Box sx={{ display: "flex", fontSize: "0.78rem", color: "text.secondary" }} aria-hidden="true">
          {monthTicks(on, climate).map((t) => (
            <Box key={t.date} sx={{ flex: 1, pl: 0.25 }}>
              {monthText(partsOf(t.date).month, "narrow")}
            </Box>
          ))}
        </Box>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, mt: 0.5, fontSize: "0.85rem" }}>
        {[...new Set(runs.map((r) => r.verdict))].map((v) => (
          <VerdictMark key={v} verdict={v} size={15} word />
        ))}
        {done.length > 0 && <span>▲ done</span>}
      </Box>
      <Box component="details" sx={{ mt: 0.5, fontSize: "0.9rem" }}>
        <summary>This year in words</summary>
        <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
          <li>
            Growth from about {day(kind.year.wakes.day)} to {day(kind.year.stops.day)}, give or take{" "}
            {Math.round(giveOrTake(kind.year.wakes))} days.
          </li>
          {kind.year.displays.map((d) => (
            <li key={d.display.name}>
              {d.display.name}: {day(d.opens.day)} to {day(d.ends.day)}, give or take {Math.round(giveOrTake(d.opens))}{" "}
              days
              {d.budsBegin && `; the next buds begin about ${day(d.budsBegin.day)}`}.
            </li>
          ))}
          {runs.map((r) => (
            <li key={r.from}>
              {task}, {day(r.from)} to {day(r.to - 1)}: {VERDICT_TABLE[r.verdict].word}.
            </li>
          ))}
          {done.map((v) => (
            <li key={v.id}>
              Done: {TASK_TABLE[v.task].label}, {dateText(v.on)}.
            </li>
          ))}
        </Box>
      </Box>
    </Box>
  );
}
