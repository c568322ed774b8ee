/** Sun on both faces through the year: a picture of height and month for each, worked out beside the screen. */
import { Box, Button, LinearProgress, Typography } from "@mui/material";
import { type FaceYear, type LightAsked } from "@wren/core";
import { useNarrow } from "../../ui/useNarrow.ts";
import { useWork } from "../../worker/useWork.ts";
import { useVoice } from "../../state/voice.ts";
import { Scroller } from "../../ui/Scroller.tsx";
import { Table } from "../../ui/Table.tsx";
import { monthText } from "../../words/dates.ts";
import { towards } from "../../words/winds.ts";

const MOST_H = 16;
const CELL = { wide: { width: 30, height: 20 }, narrow: { width: 24, height: 18 } } as const;
const LEFT = 44;

/** One face: months along, heights up, a cell the fuller the more sun. */
function Picture({
  face,
  hours,
  title,
}: {
  readonly face: FaceYear;
  readonly hours: FaceYear["nowH"];
  readonly title: string;
}) {
  const say = useVoice();
  const cell = CELL[useNarrow() ? "narrow" : "wide"];
  const rows = face.heightsM.length;
  const [width, height] = [LEFT + 12 * cell.width, rows * cell.height + 18];
  const months = hours.map((_, m) => m);
  const year = hours.map((h) => h[0]!).reduce((a, b) => a + b, 0) / hours.length;
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Typography component="figcaption" className="strong">
        {title}
      </Typography>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        role="img"
        aria-label={`${title}: hours of sun by height and month; at the foot ${year.toFixed(1)} h a day over the year`}
        style={{ display: "block", maxWidth: "100%" }}
      >
        {months.map((m) =>
          face.heightsM.map((_, i) => {
            const h = hours[m]![i]!;
            const at = { x: LEFT + m * cell.width, y: (rows - 1 - i) * cell.height };
            const part = Math.min(1, h / MOST_H);
            return (
              <g key={`${m}-${i}`}>
                <rect
                  {...at}
                  width={cell.width - 1}
                  height={cell.height - 1}
                  fill={`color-mix(in srgb, var(--heart) ${Math.round(part * 100)}%, var(--mist))`}
                />
                <text
                  x={at.x + (cell.width - 1) / 2}
                  y={at.y + cell.height - 6}
                  textAnchor="middle"
                  fontSize="11"
                  fill="var(--ink)"
                >
                  {h < 0.05 ? "–" : h.toFixed(0)}
                </text>
              </g>
            );
          }),
        )}
        {[0, rows - 1].map((i) => (
          <text key={i} x={LEFT - 5} y={(rows - i) * cell.height - 6} textAnchor="end" fontSize="11" fill="var(--soft)">
            {say.length(face.heightsM[i]!)}
          </text>
        ))}
        {months.map((m) => (
          <text
            key={m}
            x={LEFT + (m + 0.5) * cell.width}
            y={height - 4}
            textAnchor="middle"
            fontSize="11"
            fill="var(--soft)"
          >
            {monthText(m + 1, "narrow")}
          </text>
        ))}
      </svg>
    </Box>
  );
}

export function YearOfLight({ asked }: { readonly asked: LightAsked }) {
  const { state, stop, again } = useWork("light", asked, JSON.stringify(asked));
  if (state.is === "working")
    return (
      <Box sx={{ display: "flex", gap: 2, alignItems: "center" }} role="status">
        <LinearProgress variant="determinate" value={state.done * 100} sx={{ flex: 1 }} aria-label="Sun by month" />
        <Button size="small" onClick={stop}>
          Stop
        </Button>
      </Box>
    );
  if (state.is !== "done")
    return (
      <Button size="small" onClick={again}>
        Work out the sun by month
      </Button>
    );
  const name = (f: FaceYear): string => `${f.face === "front" ? "Front" : "Back"}, to the ${towards(f.looksToDeg)}`;
  const mean = (h: readonly (readonly number[])[], i: number): string =>
    (h.reduce((sum, x) => sum + x[i]!, 0) / h.length).toFixed(1);
  return (
    <>
      <Typography variant="body2" sx={{ color: "text.secondary", mb: 1 }}>
        Hours of direct sun on a clear day in the middle of each month; clouds take their part.
      </Typography>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
        {state.shown.map((f) => (
          <Box key={f.face} sx={{ display: "grid", gap: 1.5 }}>
            <Picture face={f} hours={f.nowH} title={`${name(f)}, as it stands`} />
            <Picture face={f} hours={f.thenH} title={`${name(f)}, with the section`} />
          </Box>
        ))}
      </Box>
      <Scroller label="The same over the year" sx={{ overflowX: "auto", mt: 1 }}>
        <Table
          head={["Face", "Foot, hours a day over the year", "With the section", "Top", "With the section"]}
          rows={state.shown.map((f) => ({
            key: f.face,
            cells: [
              name(f),
              mean(f.nowH, 0),
              mean(f.thenH, 0),
              mean(f.nowH, f.heightsM.length - 1),
              mean(f.thenH, f.heightsM.length - 1),
            ],
          }))}
        />
      </Scroller>
    </>
  );
}
