/** The others of its kind in the bed: decided one by one; a pair is evened. */
import { Box, Typography } from "@mui/material";
import { adviseOn, pairEvenedAt, type InRow, type Plant } from "@wren/core";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";

export function Row({ plant, row }: { readonly plant: Plant; readonly row: readonly InRow[] }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const even = pairEvenedAt(row);
  const own = row.find((r) => r.plant.id === plant.id);
  return (
    <>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {row.map((r) => (
          <Box component="li" key={r.plant.id} sx={{ display: "flex", gap: 1, alignItems: "center", minHeight: 32 }}>
            <VerdictMark verdict={adviseOn(model, r.plant.id, on).verdict} />
            {r.plant.id === plant.id ? (
              <strong>{r.plant.label}</strong>
            ) : (
              <DayLink to={`/plant/${r.plant.id}`} style={{ color: "inherit" }}>
                {r.plant.label}
              </DayLink>
            )}
            <span className="numeral">{say.length(r.heightM)}</span>
          </Box>
        ))}
      </Box>
      {even !== null && own && (
        <Typography>
          The pair is even at {say.length(even)}:{" "}
          {own.heightM > even
            ? `${say.length(own.heightM - even)} off this one`
            : "nothing off this one, the other comes down"}
          .
        </Typography>
      )}
    </>
  );
}
