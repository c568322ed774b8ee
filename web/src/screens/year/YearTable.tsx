/** The year in words and dates: what the drawing shows, for who cannot see it and for who wants to copy it. */
import { Box } from "@mui/material";
import { seasonDate, TASK_TABLE, VERDICT_TABLE, VERDICTS, type PlainDate } from "@wren/core";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { bestRuns } from "../../words/taxonTexts.ts";
import { verdictOn, type YearRow } from "./rows.ts";

const BEST = VERDICTS.indexOf("best");

export function YearTable({
  rows,
  seasonYear,
  on,
}: {
  readonly rows: readonly YearRow[];
  readonly seasonYear: number;
  readonly on: PlainDate;
}) {
  const { model } = useGarden();
  const say = useVoice();
  const day = (d: number): string => say.date(seasonDate(seasonYear, d, model.climate.hemisphere));
  return (
    <Box component="details" sx={{ mt: 2 }}>
      <summary>The same as a table</summary>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="group" aria-label="The year as a table">
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            mt: 1,
            "& th, & td": { borderBottom: "1px solid var(--line)", textAlign: "left", p: 0.75, verticalAlign: "top" },
          }}
        >
          <thead>
            <tr>
              {["Plant", "Task", "Shows", "Best", `On ${say.date(on)}`, "Done and planned"].map((x) => (
                <th key={x} scope="col">
                  {x}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.plant.id}>
                <th scope="row">{r.plant.label}</th>
                <td>{TASK_TABLE[r.task].label}</td>
                <td>
                  {r.kind.year.displays
                    .map((d) => `${d.display.name} ${day(d.opens.day)} to ${day(d.ends.day)}`)
                    .join("; ") || "–"}
                </td>
                <td>
                  {bestRuns(r.kind, (d) => r.kind.verdicts[d] === BEST)
                    .map(([a, b]) => `${day(a)} to ${day(b)}`)
                    .join("; ") || "–"}
                </td>
                <td>{VERDICT_TABLE[verdictOn(model, r, on)].word}</td>
                <td>{r.marks.map((m) => `${m.kind} ${say.date(m.on)}`).join("; ") || "–"}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}
