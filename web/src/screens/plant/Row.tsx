/** The others of its kind in the bed: decided one by one; a pair, said to be one, is evened. */
import { Box, Typography } from "@mui/material";
import { adviseOn, pairEvenedAt, pairOf, type Garden, type InRow, type Plant } from "@wren/core";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";

/** Two plants made a pair, or single again; whoever stood in a pair with one of them stands for itself. */
const withPair = (g: Garden, a: string, b: string, paired: boolean): Garden => ({
  ...g,
  plants: g.plants.map((p) => {
    const of = p.id === a ? b : p.id === b ? a : null;
    if (of !== null) return { ...p, pairedWith: paired ? of : null };
    return p.pairedWith === a || p.pairedWith === b ? { ...p, pairedWith: null } : p;
  }),
});

export function Row({ plant, row }: { readonly plant: Plant; readonly row: readonly InRow[] }) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const even = pairEvenedAt(row, plant.id);
  const own = row.find((r) => r.plant.id === plant.id);
  const other = pairOf(row, plant.id)?.plant.id ?? null;
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
            {r.plant.id !== plant.id && (
              <button
                type="button"
                className="press press-small"
                aria-pressed={r.plant.id === other}
                onClick={() =>
                  void change(
                    r.plant.id === other ? `${plant.label}: no pair any more` : `${plant.label}: a pair`,
                    (g) => withPair(g, plant.id, r.plant.id, r.plant.id !== other),
                  )
                }
              >
                {r.plant.id === other ? "Its pair" : "Make them a pair"}
              </button>
            )}
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
