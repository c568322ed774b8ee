/** The guided look at a plant's health, with what it makes of its condition at once. */
import { Box, Typography } from "@mui/material";
import { normalFor, SIGNS, type Health, type HealthSign, type Plant } from "@wren/core";
import { today } from "../../data/clock.ts";
import { useGarden } from "../../state/garden.tsx";
import { Chips, OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { CONDITION_LABELS } from "../../words/labels.ts";
import { healthAnswer, UNLOOKED, type HealthDraft } from "./draft.ts";

const SCRATCH = [
  { value: "green", label: "Green: alive" },
  { value: "tips-brown", label: "Brown at the tips only" },
  { value: "brown", label: "Brown, dry: dead" },
  { value: "not-tried", label: "Not tried" },
] as const;
const GROWTH = [
  { value: "everywhere", label: "All over" },
  { value: "from-base", label: "From the base" },
  { value: "from-old-stems", label: "From old stems" },
  { value: "none", label: "None to be seen" },
  { value: "not-looked", label: "Not looked" },
] as const;
const DEAD = [
  { value: "0", label: "None or a twig" },
  { value: "0.2", label: "A fifth" },
  { value: "0.4", label: "Two fifths" },
  { value: "0.7", label: "Most of it" },
] as const;
const MORE_SIGNS = [
  { value: "frost", label: "Hit by frost lately" },
  { value: "drought", label: "Dry, not watered" },
  { value: "disease", label: "Spots, mould, cankers" },
  { value: "weak", label: "Old and weak for years" },
  { value: "sparseFoot", label: "Bare at the foot" },
] as const;
/** What a health sign says, as a sentence. */
const SIGN_TEXTS: Readonly<Record<HealthSign, string>> = {
  "frost-no-growth": "Frosted, and no growth yet: do nothing until growth shows how far back to go.",
  "stem-brown": "Brown and dry under the bark, and no growth: dead wood only until you see where it grows.",
  "much-dead": "Much of it is dead: dead wood only until it has grown.",
  "late-no-growth": "Its kind has normally begun to grow here by now: it is under stress.",
  drought: "In drought: half of the usual cap, and no hard cut.",
  weak: "Past its prime: a quarter at most.",
  asleep: "Leafless, and asleep by its own calendar: that is not dead.",
  stopped: "Its shoots have stopped for the year: that nothing new shows is no sign.",
  "not-yet-due": "No growth yet, but it is not due yet either.",
  "growth-shows": "It grows: that shows where it lives.",
  "some-dead": "Some dead wood: take it out, it does not count.",
  disease: "Diseased wood: in dry weather, blades wiped between cuts, to the bin.",
  "sparse-foot": "Bare at the foot: let light in, take an old stem out at the base.",
};

/** What the look comes to, kept in sight while the questions are answered. */
export function HealthOutcome({ plant, health }: { readonly plant: Plant; readonly health: HealthDraft }) {
  const { model } = useGarden();
  const { condition, signs } = healthAnswer(model, plant, health, today());
  return (
    <Typography role="status" sx={{ borderLeft: "4px solid var(--leaf)", pl: 1.5, flexBasis: "100%" }}>
      <b>{CONDITION_LABELS[condition]}.</b> {signs.map((s) => SIGN_TEXTS[s]).join(" ")}
    </Typography>
  );
}

export function HealthCheck({
  plant,
  health,
  onHealth,
}: {
  readonly plant: Plant;
  readonly health: HealthDraft | null;
  readonly onHealth: (h: HealthDraft) => void;
}) {
  const { model } = useGarden();
  const h = health ?? UNLOOKED;
  const set = (more: Partial<Health>): void => onHealth({ ...h, ...more });
  return (
    <Section title="Is it healthy?">
      <OneOf
        label="Scratch a doubtful stem with a nail"
        value={h.scratch}
        options={SCRATCH}
        onChange={(scratch) => set({ scratch })}
      />
      <OneOf label="New growth" value={h.growth} options={GROWTH} onChange={(growth) => set({ growth })} />
      <OneOf
        label="How much is dead?"
        value={DEAD.find((d) => Number(d.value) === h.deadShare)?.value ?? null}
        options={DEAD}
        onChange={(d) => set({ deadShare: Number(d) })}
      />
      <Chips label="And" options={MORE_SIGNS} chosen={(k) => h[k]} onPress={(k) => set({ [k]: !h[k] })} />
      <Box component="details">
        <summary>Is this normal?</summary>
        <Typography sx={{ fontWeight: 700, mt: 1 }}>Looks wrong, but is normal</Typography>
        <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
          {normalFor(model.taxonOf(plant)).map((x) => (
            <li key={x}>{x}</li>
          ))}
        </Box>
        <Typography sx={{ fontWeight: 700 }}>Looks normal, but is a sign</Typography>
        <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
          {SIGNS.map((s) => (
            <li key={s.looks}>
              {s.looks}: {s.means}
            </li>
          ))}
        </Box>
      </Box>
    </Section>
  );
}
