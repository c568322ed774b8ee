/** All plants against the months: who blooms when, which cut is open when; the strip's day reads every plant at once. */
import { Box, Button, Popover, Typography, useMediaQuery } from "@mui/material";
import { partsOf, seasonDate, seasonPoint, TASK_TABLE, type PlainDate, type Plant, type Task } from "@wren/core";
import { useDeferredValue, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { SeenToday } from "../../answer/SeenToday.tsx";
import { monthTicks } from "../../drawing/strip.geometry.ts";
import { today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { monthText } from "../../words/dates.ts";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { PlanDialog } from "./PlanDialog.tsx";
import { FILTERS, passes, sorted, SORTS, verdictOn, yearRows, type Filter, type Sort, type YearRow } from "./rows.ts";
import { saveReminders } from "./saveReminders.ts";
import { YearLine } from "./YearLine.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { YearTable } from "./YearTable.tsx";

const SORT_LABELS: Readonly<Record<Sort, string>> = {
  bed: "Along the beds",
  bloom: "By bloom",
  window: "By window",
  name: "By name",
};
const FILTER_LABELS: Readonly<Record<Filter, string>> = {
  all: "All",
  open: "Open on this day",
  closed: "Not open",
  planned: "With a plan",
};

/** A large garden shows so many plants first, and so many more at a press. */
const FIRST_ROWS = 120;
const MORE_ROWS = 200;

const LABEL_WIDTH = "13.125rem";
const READ_WIDTH = "18.5rem";

interface Planning {
  readonly plant: Plant;
  readonly task: Task;
  readonly on: PlainDate;
}

function Choices<T extends string>({
  label,
  all,
  labels,
  value,
  onChange,
}: {
  readonly label: string;
  readonly all: readonly T[];
  readonly labels: Readonly<Record<T, string>>;
  readonly value: T;
  readonly onChange: (v: T) => void;
}) {
  return (
    <Box role="group" aria-label={label} sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}>
      {all.map((v) => (
        <Button
          key={v}
          size="small"
          variant={v === value ? "contained" : "outlined"}
          aria-pressed={v === value}
          onClick={() => onChange(v)}
          sx={{ px: 1, minHeight: { xs: 44, md: 36 } }}
        >
          {labels[v]}
        </Button>
      ))}
    </Box>
  );
}

function Head({
  months,
  wide,
}: {
  readonly months: readonly { readonly day: number; readonly date: PlainDate }[];
  readonly wide: boolean;
}) {
  return (
    <Box
      aria-hidden="true"
      sx={{ position: "relative", height: 22, fontSize: "0.85rem", color: "text.secondary" }}
      style={{ marginLeft: wide ? LABEL_WIDTH : 0, marginRight: wide ? READ_WIDTH : 0 }}
    >
      {months.map((m) => (
        <Box key={m.date} sx={{ position: "absolute", pl: 0.25 }} style={{ left: `${(m.day / 365) * 100}%` }}>
          {monthText(partsOf(m.date).month, wide ? "short" : "narrow")}
        </Box>
      ))}
    </Box>
  );
}

function PlanButton({
  row,
  on,
  onPlan,
}: {
  readonly row: YearRow;
  readonly on: PlainDate;
  readonly onPlan: (p: Planning) => void;
}) {
  return (
    <Button
      className="no-print"
      size="small"
      sx={{ px: 1, minWidth: 44 }}
      onClick={() => onPlan({ plant: row.plant, task: row.task, on })}
      aria-label={`Plan for ${row.plant.label}`}
    >
      Plan
    </Button>
  );
}

/** What is seen at the plant of a row, written down from here. */
function SeenButton({ row }: { readonly row: YearRow }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        className="no-print"
        size="small"
        sx={{ px: 1, minWidth: 44 }}
        aria-haspopup="dialog"
        onClick={(e) => setAt(e.currentTarget)}
        aria-label={`Seen at ${row.plant.label}`}
      >
        Seen
      </Button>
      {at && (
        <Popover
          open
          anchorEl={at}
          onClose={() => setAt(null)}
          anchorOrigin={{ vertical: "bottom", horizontal: "right" }}
          transformOrigin={{ vertical: "top", horizontal: "right" }}
          slotProps={{ paper: { role: "dialog", "aria-label": row.plant.label, sx: { p: 2, maxWidth: 420 } } }}
        >
          <Typography sx={{ fontWeight: 700 }}>{row.plant.label}</Typography>
          <SeenToday plant={row.plant} task={row.task} opening={null} onSeen={() => setAt(null)} />
        </Popover>
      )}
    </>
  );
}

export function YearScreen() {
  const { model, garden } = useGarden();
  const { on, setOn } = useDay();
  const settled = useDeferredValue(on);
  const say = useVoice();
  const wide = useMediaQuery("(min-width:900px)");
  const [params, setParams] = useSearchParams();
  const sort = SORTS.find((s) => s === params.get("sort")) ?? "bed";
  const filter = FILTERS.find((f) => f === params.get("show")) ?? "all";
  const [planning, setPlanning] = useState<Planning | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const h = model.climate.hemisphere;
  const { seasonYear, seasonDay } = seasonPoint(settled, h);
  const rows = useMemo(() => sorted(yearRows(model, seasonYear, today()), sort), [model, seasonYear, sort]);
  const fits = useMemo(() => rows.filter((r) => passes(model, r, settled, filter)), [rows, model, settled, filter]);
  const [most, setMost] = useState(FIRST_ROWS);
  const shown = useMemo(() => fits.slice(0, most), [fits, most]);
  const months = useMemo(() => monthTicks(seasonDate(seasonYear, 10, h), model.climate), [seasonYear, h, model]);
  const lines = useMemo(() => months.map((m) => m.day), [months]);
  const set = (name: string, value: string): void => {
    const next = new URLSearchParams(params);
    next.set(name, value);
    setParams(next, { replace: true });
  };
  const press = (row: YearRow, day: number): void => {
    const date = seasonDate(seasonYear, day, h);
    setOn(date);
    setPlanning({ plant: row.plant, task: row.task, on: date });
  };
  const save = async (): Promise<void> => setTrouble(await saveReminders(model, today()));
  if (garden.plants.length === 0)
    return (
      <Box sx={{ py: 6, textAlign: "center" }}>
        <Typography variant="h1" sx={{ mb: 1 }}>
          Nothing is planted here yet
        </Typography>
        <Button component={DayLink} to="/walk" variant="contained">
          Survey walk
        </Button>
      </Box>
    );
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
        <Typography variant="h1" sx={{ flex: { xs: "1 1 100%", md: 1 } }}>
          Who blooms, and what may be cut when?
        </Typography>
        <Button className="no-print" variant="outlined" onClick={() => void save()}>
          Reminders for a calendar
        </Button>
        <Button className="no-print" variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
      {trouble && <Typography role="alert">{trouble}</Typography>}
      <Typography sx={{ color: "text.secondary", mb: 1, maxWidth: "80ch" }}>
        Above the line what shows, below it what the plant’s task costs; edges are as soft as their dates. Press a date
        on a line to plan that cut.
      </Typography>
      <Box className="no-print" sx={{ display: "flex", gap: 2, flexWrap: "wrap", mb: 1 }}>
        <Choices label="Order" all={SORTS} labels={SORT_LABELS} value={sort} onChange={(v) => set("sort", v)} />
        <Choices label="Show" all={FILTERS} labels={FILTER_LABELS} value={filter} onChange={(v) => set("show", v)} />
      </Box>
      <Box sx={{ position: "relative" }}>
        <Head months={months} wide={wide} />
        <Box component="ul" aria-label="Plants" sx={{ listStyle: "none", p: 0, m: 0 }}>
          {shown.map((row) => (
            <Box
              component="li"
              key={row.plant.id}
              sx={{
                display: wide ? "flex" : "block",
                alignItems: "center",
                borderBottom: "1px solid var(--line)",
                breakInside: "avoid",
              }}
            >
              <Box
                sx={{
                  flex: "none",
                  pr: 1,
                  display: "flex",
                  "@media (max-width: 359.95px)": { flexWrap: "wrap" },
                  justifyContent: "space-between",
                  alignItems: "center",
                }}
                style={{ width: wide ? LABEL_WIDTH : undefined }}
              >
                <DayLink
                  to={`/plant/${row.plant.id}`}
                  style={{
                    color: "inherit",
                    fontWeight: 700,
                    lineHeight: 1.15,
                    overflowWrap: "anywhere",
                    minWidth: 0,
                    // A thumb's width where the buttons stand under it.
                    ...(wide ? {} : { display: "inline-block", padding: "6px 0" }),
                  }}
                >
                  {row.plant.label}
                </DayLink>
                {!wide && (
                  <Box
                    component="span"
                    sx={{
                      display: "flex",
                      alignItems: "center",
                      "@media (max-width: 359.95px)": { flexWrap: "wrap" },
                    }}
                  >
                    <VerdictMark verdict={verdictOn(model, row, settled)} word size={18} />
                    <SeenButton row={row} />
                    <PlanButton row={row} on={settled} onPlan={setPlanning} />
                  </Box>
                )}
              </Box>
              <Box sx={{ flex: 1, minWidth: 0, position: "relative" }}>
                <YearLine row={row} months={lines} onPress={(day) => press(row, day)} />
                <Box
                  aria-hidden="true"
                  sx={{
                    position: "absolute",
                    top: 0,
                    bottom: 0,
                    borderLeft: "2px solid var(--plum)",
                    pointerEvents: "none",
                  }}
                  style={{ left: `${(seasonDay / 365) * 100}%` }}
                />
              </Box>
              <Box
                sx={{
                  flex: "none",
                  pl: 1,
                  display: "flex",
                  alignItems: "center",
                  gap: 1,
                  justifyContent: "space-between",
                }}
                style={{ width: wide ? READ_WIDTH : undefined }}
              >
                {wide && <VerdictMark verdict={verdictOn(model, row, settled)} word size={18} />}
                {wide && (
                  <span style={{ display: "flex" }}>
                    <SeenButton row={row} />
                    <PlanButton row={row} on={settled} onPlan={setPlanning} />
                  </span>
                )}
              </Box>
            </Box>
          ))}
        </Box>
        {fits.length > shown.length && (
          <Button className="no-print" variant="outlined" onClick={() => setMost(most + MORE_ROWS)} sx={{ my: 1 }}>
            {fits.length - shown.length} more plants: show the next {Math.min(MORE_ROWS, fits.length - shown.length)}
          </Button>
        )}
        {shown.length === 0 && <Typography sx={{ py: 2 }}>No plant is like that on {say.date(settled)}.</Typography>}
      </Box>
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
        ◆ done · ◇ planned · the line is {say.date(settled)}: {TASK_TABLE.shape.label.toLowerCase()} or whatever each
        plant’s goal asks for.
      </Typography>
      <YearTable rows={shown} seasonYear={seasonYear} on={settled} />
      {planning && <PlanDialog {...planning} onClose={() => setPlanning(null)} />}
    </Box>
  );
}
