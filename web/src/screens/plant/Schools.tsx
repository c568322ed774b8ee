/** The schools that apply to a plant, side by side: what each would mean for it on this day, and which one holds. */
import { Box, Button, Typography } from "@mui/material";
import {
  adviseOn,
  cheapestDay,
  openGarden,
  SCHOOLS,
  TASK_TABLE,
  type Advice,
  type Cheapest,
  type GardenModel,
  type Plant,
  type School,
} from "@wren/core";
import { useMemo } from "react";
import { flowersText, whenText } from "../../answer/sentences.ts";
import { useDay } from "../../state/day.tsx";
import { withRow } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { VerdictMark } from "../../ui/VerdictMark.tsx";

const withOption = (model: GardenModel, plant: Plant, schools: Plant["schools"]): GardenModel =>
  openGarden(
    { ...model.garden, plants: model.garden.plants.map((p) => (p.id === plant.id ? { ...p, schools } : p)) },
    model.catalogue,
    model.cache,
  );

interface Told {
  readonly id: string;
  readonly advice: Advice;
  readonly cheapest: Cheapest;
}

/** The plant's answer under each option of a school. */
function useTold(plant: Plant, school: School): readonly Told[] {
  const { model } = useGarden();
  const { on } = useDay();
  return useMemo(
    () =>
      school.options.map((o) => {
        const changed = withOption(model, plant, { ...plant.schools, [school.id]: o.id });
        const advice = adviseOn(changed, plant.id, on);
        const of = changed.plant(plant.id);
        return { id: o.id, advice, cheapest: cheapestDay(changed, of, on, advice.task) };
      }),
    [model, plant, school, on],
  );
}

function OneSchool({ plant, school }: { readonly plant: Plant; readonly school: School }) {
  const { model, change } = useGarden();
  const say = useVoice();
  const told = useTold(plant, school);
  const chosen = model.school(school.id, plant).id;
  const own = plant.schools[school.id] !== undefined;
  const choose = (id: string | null): Promise<boolean> =>
    change(id === null ? "The garden's school" : "School of this plant changed", (g) =>
      withRow(g, "plants", plant, (p) => {
        const others = Object.fromEntries(Object.entries(p.schools).filter(([k]) => k !== school.id));
        return { ...p, schools: id === null ? others : { ...others, [school.id]: id } };
      }),
    );
  return (
    <Box
      component="details"
      aria-label={school.question}
      sx={{ mb: 0.5, "& summary": { cursor: "pointer", minHeight: 44, py: 1 } }}
    >
      <summary>
        <strong>{school.question}</strong> {school.options.find((o) => o.id === chosen)?.label}
        {own && " (this plant)"}
      </summary>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        {own ? "Chosen for this plant." : "As in the whole garden."} The default here, because {school.because}.
        {own && <Button onClick={() => void choose(null)}>As in the garden</Button>}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {school.options.map((o) => {
          const { advice: a, cheapest } = told.find((t) => t.id === o.id)!;
          const holds = o.id === chosen;
          return (
            <Box
              component="li"
              key={o.id}
              sx={{
                borderLeft: holds ? "5px solid var(--plum)" : "5px solid transparent",
                borderBottom: "1px solid var(--line)",
                pl: 1,
                py: 0.75,
              }}
            >
              <Box sx={{ display: "flex", gap: 1, alignItems: "baseline", justifyContent: "space-between" }}>
                <Typography sx={{ fontWeight: holds ? 700 : 400 }}>{o.label}</Typography>
                {holds ? (
                  <Typography variant="body2">holds</Typography>
                ) : (
                  <Button
                    variant="outlined"
                    size="small"
                    aria-label={`Choose: ${o.label}`}
                    onClick={() => void choose(o.id)}
                  >
                    Choose
                  </Button>
                )}
              </Box>
              <Typography variant="body2">
                Suits {o.suits}. Its price: {o.cost}.
              </Typography>
              <Typography
                variant="body2"
                component="div"
                sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}
              >
                <VerdictMark verdict={a.verdict} word />
                <span>
                  {[
                    TASK_TABLE[a.task].label,
                    whenText(a, say),
                    flowersText(a, say),
                    frostText(a, say),
                    cheapestText(cheapest, say),
                  ]
                    .filter(Boolean)
                    .join(" · ")}
                </span>
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** What the option costs on its best day of the year to come. */
const cheapestText = (c: Cheapest, say: ReturnType<typeof useVoice>): string =>
  `cheapest about ${say.date(c.on)}: ${c.bloomLoss < 0.005 ? "no flowers lost" : `${say.percent(c.bloomLoss)} of flowers`}, frost ${say.percent(c.frostRisk)}`;

const frostText = (a: Advice, say: ReturnType<typeof useVoice>): string =>
  (a.frostRisk ?? 0) < 0.01 ? "" : `frost ${say.percent(a.frostRisk ?? 0)}`;

export function Schools({ plant }: { readonly plant: Plant }) {
  const { model } = useGarden();
  const taxon = model.taxonOf(plant);
  return SCHOOLS.filter((s) => taxon.schools.includes(s.id)).map((s) => (
    <OneSchool key={s.id} plant={plant} school={s} />
  ));
}
