/** One plant against the months: what it shows above the line, what its task costs below, soft edges, marks. */
import { Box } from "@mui/material";
import { giveOrTake, TASK_TABLE, VERDICT_TABLE } from "@wren/core";
import { memo } from "react";
import { ridges, type Run } from "../../drawing/yearRibbon.geometry.ts";
import { dateText } from "../../words/dates.ts";
import { VERDICT_COLOUR } from "../../ui/VerdictMark.tsx";
import type { YearRow } from "./rows.ts";

const W = 1000;
const FOOT = 26;
const RIBBON = { top: 28, height: 14 } as const;
const H = 46;
const x = (day: number): number => (Math.min(365, Math.max(0, day)) / 365) * W;

const STRENGTH: Partial<Record<Run["verdict"], number>> = {
  best: 1,
  fine: 0.5,
  "no-need": 0.2,
  "costs-flowers": 0.8,
  wait: 0.4,
  "too-late": 0.5,
};

const isOpen = (run: Run | undefined): boolean => run !== undefined && VERDICT_TABLE[run.verdict].go;

interface RibbonProps {
  readonly run: Run;
  readonly spread: number;
  readonly id: string;
  /** A window that goes on into the next run, or over the year's end, has no edge there. */
  readonly fadesIn: boolean;
  readonly fadesOut: boolean;
}

/** A window's edges are as soft as their 80 % range: it fades over it. */
function Ribbon({ run, spread, id, fadesIn, fadesOut }: RibbonProps) {
  const width = Math.max(1, run.to - run.from);
  const soft = Math.min(0.49, spread / width / 2);
  const open = isOpen(run);
  const fill = VERDICT_COLOUR[run.verdict];
  return (
    <>
      {open && (
        <linearGradient id={id} x1="0" x2="1" y1="0" y2="0">
          <stop offset="0" stopColor={fill} stopOpacity={fadesIn ? 0.2 : 1} />
          <stop offset={soft} stopColor={fill} />
          <stop offset={1 - soft} stopColor={fill} />
          <stop offset="1" stopColor={fill} stopOpacity={fadesOut ? 0.2 : 1} />
        </linearGradient>
      )}
      <rect
        x={x(run.from)}
        width={x(run.to) - x(run.from)}
        y={open ? RIBBON.top : RIBBON.top + 4}
        height={open ? RIBBON.height : RIBBON.height - 4}
        fill={open ? `url(#${id})` : fill}
        opacity={STRENGTH[run.verdict] ?? 0.7}
      />
    </>
  );
}

interface Props {
  readonly row: YearRow;
  readonly months: readonly number[];
  readonly onPress: (day: number) => void;
}

export const YearLine = memo(function YearLine({ row, months, onPress }: Props) {
  const press = (e: React.MouseEvent<HTMLDivElement>): void => {
    const box = e.currentTarget.getBoundingClientRect();
    onPress(Math.round(((e.clientX - box.left) / box.width) * 365));
  };
  return (
    // A pointer's short way; by keyboard the same is done with the row's Plan button and the strip's day.
    <Box sx={{ position: "relative", cursor: "crosshair" }} onClick={press} aria-hidden="true">
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" height={H} preserveAspectRatio="none" style={{ display: "block" }}>
        {months.map((m) => (
          <line key={m} x1={x(m)} x2={x(m)} y1="0" y2={H} stroke="var(--line)" vectorEffect="non-scaling-stroke" />
        ))}
        {ridges(row.kind.year, x, FOOT, 2).map((r) => (
          <path key={r.path} d={r.path} fill="var(--plum)" opacity="0.45" />
        ))}
        <line x1="0" x2={W} y1={FOOT} y2={FOOT} stroke="var(--soft)" vectorEffect="non-scaling-stroke" />
        {row.runs.map((r, i) => (
          <Ribbon
            key={r.from}
            run={r}
            spread={giveOrTake(row.kind.year.wakes)}
            id={`${row.plant.id}-${r.from}`}
            fadesIn={r.from > 0 && !isOpen(row.runs[i - 1])}
            fadesOut={r.to < 365 && !isOpen(row.runs[i + 1])}
          />
        ))}
      </svg>
      {row.marks.map((m) => (
        <Box
          key={m.id}
          title={`${m.kind === "done" ? "Done" : "Planned"}: ${TASK_TABLE[m.task].label}, ${dateText(m.on)}`}
          sx={{
            position: "absolute",
            bottom: 0,
            ml: "-6px",
            width: 12,
            height: 12,
            transform: "rotate(45deg)",
            border: "2px solid var(--ink)",
            bgcolor: m.kind === "done" ? "var(--ink)" : "var(--paper)",
          }}
          style={{ left: `${(m.day / 365) * 100}%` }}
        />
      ))}
    </Box>
  );
});
