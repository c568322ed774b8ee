/** The gardener's time and tools: the usual week, single days that are otherwise, what is owned and what it cuts. */
import { Box, Typography } from "@mui/material";
import {
  BOUNDS,
  HALF_NAMES,
  HALVES,
  parseDate,
  TOOL_CUTS_MM,
  TOOL_NAMES,
  TOOLS,
  type Half,
  type OwnTools,
  type Tool,
} from "@wren/core";
import { useState } from "react";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Section } from "../../ui/Section.tsx";
import { WEEKDAYS } from "../../words/dates.ts";
import { withHalfOtherwise, withWeekHalf } from "./planEdits.ts";

const FIELD = { font: "inherit", padding: 8, width: 84, minHeight: 44 } as const;

interface MinutesProps {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onSet: (n: number) => void;
}
/** A whole number that is taken when the field is left, or said to be wrong there. */
function NumberField({ label, value, most, onSet }: MinutesProps) {
  const [text, setText] = useState<string | null>(null);
  const read = (t: string): number | null => (/^\s*\d*\s*$/.test(t) && Number(t) <= most ? Number(t) : null);
  const bad = text !== null && read(text) === null;
  return (
    <span>
      <input
        inputMode="numeric"
        aria-label={label}
        aria-invalid={bad}
        value={text ?? (value === 0 ? "" : String(value))}
        placeholder="–"
        onChange={(e) => setText(e.target.value)}
        onBlur={() => {
          const n = text === null ? null : read(text);
          if (n !== null) {
            if (n !== value) onSet(n);
            setText(null);
          }
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter") e.currentTarget.blur();
        }}
        style={{ ...FIELD, ...(bad && { outline: "2px solid var(--alarm)" }) }}
      />
      {bad && (
        <span role="alert" className="alarm" style={{ display: "block", fontSize: "0.85rem" }}>
          Expected 0 to {most}
        </span>
      )}
    </span>
  );
}

function Week() {
  const { garden, change } = useGarden();
  const { week } = garden.rules.time;
  const minutes = (weekday: number, half: Half): number =>
    week.find((w) => w.weekday === weekday && w.half === half)?.minutes ?? 0;
  return (
    <Scroller label="Minutes in a usual week" sx={{ overflowX: "auto" }}>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">Minutes</th>
            {HALVES.map((h) => (
              <th key={h} scope="col">
                {HALF_NAMES[h]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[1, 2, 3, 4, 5, 6, 0].map((d) => (
            <tr key={d}>
              <th scope="row">{WEEKDAYS[d]}</th>
              {HALVES.map((h) => (
                <td key={h}>
                  <NumberField
                    label={`${WEEKDAYS[d]} ${HALF_NAMES[h]}, minutes`}
                    value={minutes(d, h)}
                    most={BOUNDS.halfMinutes.to}
                    onSet={(n) =>
                      void change(`${WEEKDAYS[d]} ${HALF_NAMES[h]}: ${n} minutes`, (g) => withWeekHalf(g, d, h, n))
                    }
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scroller>
  );
}

/** Single half-days: away, or more time, or somebody helps. */
function Otherwise() {
  const { garden, change } = useGarden();
  const { on: today } = useDay();
  const say = useVoice();
  const [on, setOn] = useState<string>(today);
  const [half, setHalf] = useState<Half>("morning");
  const [minutes, setMinutes] = useState(0);
  const [helpers, setHelpers] = useState(0);
  const day = parseDate(on);
  return (
    <Box sx={{ mt: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>A day that is otherwise: away, more time, somebody helps</Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "flex-end", my: 0.75 }}>
        <input
          type="date"
          aria-label="Day that is otherwise"
          value={on}
          onChange={(e) => setOn(e.target.value)}
          style={{ ...FIELD, width: 160 }}
        />
        <select
          aria-label="Half of that day"
          value={half}
          onChange={(e) => setHalf(e.target.value as Half)}
          style={{ ...FIELD, width: 130 }}
        >
          {HALVES.map((h) => (
            <option key={h} value={h}>
              {HALF_NAMES[h]}
            </option>
          ))}
        </select>
        <label>
          Minutes{" "}
          <NumberField
            label="Minutes on that day; none: away"
            value={minutes}
            most={BOUNDS.halfMinutes.to}
            onSet={setMinutes}
          />
        </label>
        <label>
          Helpers{" "}
          <NumberField label="Helpers on that day" value={helpers} most={BOUNDS.helpers.to} onSet={setHelpers} />
        </label>
        <button
          type="button"
          className="press"
          disabled={day === null}
          onClick={() =>
            day &&
            void change(
              `${say.date(day)}, ${HALF_NAMES[half]}: ${minutes === 0 ? "away" : `${minutes} minutes`}`,
              (g) => withHalfOtherwise(g, day, half, { minutes, helpers }),
            )
          }
        >
          {minutes === 0 ? "Away then" : "So much time then"}
        </button>
      </Box>
      <ul className="bare">
        {garden.rules.time.otherwise
          .filter((o) => o.on >= today)
          .map((o) => (
            <li key={`${o.on} ${o.half}`}>
              {say.date(o.on)}, {HALF_NAMES[o.half]}: {o.minutes === 0 ? "away" : `${o.minutes} minutes`}
              {o.helpers > 0 && `, ${o.helpers} helping`}{" "}
              <button
                type="button"
                className="press press-plain"
                onClick={() => void change("As usual again", (g) => withHalfOtherwise(g, o.on, o.half, null))}
              >
                As usual again
              </button>
            </li>
          ))}
      </ul>
    </Box>
  );
}

function Tools() {
  const { garden, change } = useGarden();
  const say = useVoice();
  const own = garden.rules.tools ?? [];
  const set = (tools: OwnTools, what: string): void =>
    void change(what, (g) => ({ ...g, rules: { ...g.rules, tools: [...(tools ?? [])] } }));
  const flip = (tool: Tool): void =>
    set(
      own.some((t) => t.tool === tool) ? own.filter((t) => t.tool !== tool) : [...own, { tool, upToMm: null }],
      `${TOOL_NAMES[tool]}: ${own.some((t) => t.tool === tool) ? "not owned" : "owned"}`,
    );
  return (
    <Box sx={{ mt: 2 }}>
      <Chips
        label="Tools I own"
        options={TOOLS.map((t) => ({ value: t, label: TOOL_NAMES[t] }))}
        chosen={(t) => own.some((o) => o.tool === t)}
        onPress={flip}
        hint={garden.rules.tools === null ? "Until you say so, nothing is said to be missing." : undefined}
      />
      <ul className="bare">
        {own
          .filter((t) => TOOL_CUTS_MM[t.tool] !== null)
          .map((t) => (
            <li key={t.tool}>
              {TOOL_NAMES[t.tool]}: up to{" "}
              <NumberField
                label={`${TOOL_NAMES[t.tool]} cut up to, mm`}
                value={t.upToMm ?? TOOL_CUTS_MM[t.tool]!}
                most={BOUNDS.millimetres.to}
                onSet={(mm) =>
                  set(
                    own.map((o) => (o.tool === t.tool ? { ...o, upToMm: mm > 0 ? mm : null } : o)),
                    `${TOOL_NAMES[t.tool]}: up to ${say.thickness(mm)}`,
                  )
                }
              />{" "}
              mm
            </li>
          ))}
      </ul>
    </Box>
  );
}

export function MyTime() {
  const { garden, change } = useGarden();
  return (
    <Section title="My time and tools">
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "auto minmax(0, 1fr)" }, columnGap: 5 }}
      >
        <Week />
        <Box>
          <label style={{ display: "flex", gap: 8, alignItems: "center", minHeight: 44 }}>
            <input
              type="checkbox"
              checked={garden.rules.time.easy}
              style={{ width: 22, height: 22 }}
              onChange={(e) => {
                const easy = e.target.checked;
                void change(
                  easy ? "No two heavy half-days in a row" : "Heavy half-days may follow each other",
                  (g) => ({
                    ...g,
                    rules: { ...g.rules, time: { ...g.rules.time, easy } },
                  }),
                );
              }}
            />
            No two heavy half-days in a row
          </label>
          <Otherwise />
          <Tools />
        </Box>
      </Box>
    </Section>
  );
}
