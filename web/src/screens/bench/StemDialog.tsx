/** One stem as it stands: corrected, or entered by hand. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import {
  BOUNDS,
  issueText,
  MOST,
  plainBranch,
  STEM_FAULTS,
  STEM_STATES,
  stemIssues,
  THICKNESS_TABLE,
  toInches,
  type Plant,
  type Rules,
  type Stem,
} from "@wren/core";
import { useForm } from "react-hook-form";
import * as z from "zod";
import { Choice, Field } from "../../forms/Field.tsx";
import { bareUnit, lengthText, numberOrNothing, numberText, PERCENT } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";
import { FAULT_LABELS, STATE_LABELS } from "./labels.ts";

const schema = (units: Rules["units"]) =>
  z.object({
    diameterMm: numberText(BOUNDS.millimetres),
    length: lengthText(bareUnit(units), BOUNDS.lengthM),
    age: numberOrNothing(BOUNDS.stemAgeYears),
    state: z.enum(STEM_STATES),
    leafed: numberText(PERCENT),
    fault: z.enum(["none", ...STEM_FAULTS]),
    crosses: z.string(),
    turnDeg: numberText(BOUNDS.turnDeg),
    leanDeg: numberText(BOUNDS.leanDeg),
    base: numberText({ from: BOUNDS.base.from + 1, to: BOUNDS.base.to + 1, whole: true }),
    branches: numberText({ from: 0, to: MOST.branches, whole: true }),
  });
type Input = z.input<ReturnType<typeof schema>>;
type Values = z.output<ReturnType<typeof schema>>;

interface Props {
  readonly stem: Stem;
  readonly others: readonly Stem[];
  readonly plant: Plant;
  readonly nameOf: (id: string) => string;
  readonly onSave: (s: Stem) => void;
  readonly onRemove: (() => void) | null;
  readonly onClose: () => void;
}

/** Side branches to a wanted number: the lowest go last; new ones stand evenly over the upper half. */
function branchesTo(s: Stem, count: number, diameterMm: number, lengthM: number): Stem["branches"] {
  if (count <= s.branches.length) return s.branches.slice(0, count);
  const more = Array.from({ length: count - s.branches.length }, (_, i) => ({
    ...plainBranch(0.5, 2, 0.05),
    at: Math.round(100 * (0.4 + (0.5 * (i + 0.5)) / (count - s.branches.length))) / 100,
    diameterMm: Math.max(2, Math.round(diameterMm * 0.4)),
    lengthM: Math.max(0.05, Math.round(lengthM * 25) / 100),
    turnDeg: Math.round((s.turnDeg + 60 + i * 137.5) % 360),
  }));
  return [...s.branches, ...more];
}

export function StemDialog({ stem, others, plant, nameOf, onSave, onRemove, onClose }: Props) {
  const { units } = useGarden().garden.rules;
  const unit = bareUnit(units);
  const { control, handleSubmit, setError } = useForm<Input, unknown, Values>({
    resolver: zodResolver(schema(units)),
    defaultValues: {
      diameterMm: String(stem.diameterMm),
      length: unit === "in" ? toInches(stem.lengthM).toFixed(1) : `${Math.round(stem.lengthM * 100)}`,
      age: stem.ageYears === null ? "" : String(stem.ageYears),
      state: stem.state,
      leafed: String(Math.round(stem.leafed * 100)),
      fault: stem.faults[0] ?? "none",
      crosses: stem.crosses ?? "",
      turnDeg: String(stem.turnDeg),
      leanDeg: String(stem.leanDeg),
      base: String(stem.base + 1),
      branches: String(stem.branches.length),
    },
  });
  const save = (v: Values): void => {
    const lengthM = v.length;
    const next: Stem = {
      ...stem,
      diameterMm: v.diameterMm,
      lengthM,
      ageYears: v.age,
      state: v.state,
      leafed: v.leafed / 100,
      faults: v.fault === "none" ? [] : [v.fault],
      crosses: v.crosses === "" ? null : v.crosses,
      turnDeg: v.turnDeg,
      leanDeg: v.leanDeg,
      base: v.base - 1,
      branches: branchesTo(stem, v.branches, v.diameterMm, lengthM),
    };
    const [wrong] = stemIssues([next, ...others], plant).filter((i) => i.path[0] === 0);
    if (wrong) setError(wrong.code === "stem-long" ? "length" : "diameterMm", { message: issueText(wrong) });
    else onSave(next);
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="stem-title" fullWidth maxWidth="sm">
      <form noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
        <DialogTitle id="stem-title">{nameOf(stem.id)}</DialogTitle>
        <DialogContent>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, columnGap: 2, pt: 1 }}>
            <Field
              control={control}
              name="diameterMm"
              label="Thickness at its foot (mm)"
              helperText={`A thumb is about ${THICKNESS_TABLE.thick.fromMm}, a pencil 8`}
            />
            <Field control={control} name="length" label={`Length (${unit})`} />
            <Choice
              control={control}
              name="state"
              label="State"
              options={STEM_STATES.map((s) => [s, STATE_LABELS[s]])}
            />
            <Field control={control} name="leafed" label="Leaf it carries for its thickness (%)" />
            <Choice
              control={control}
              name="fault"
              label="What speaks against it"
              options={[["none", "Nothing"], ...STEM_FAULTS.map((f) => [f, FAULT_LABELS[f]] as const)]}
            />
            <Choice
              control={control}
              name="crosses"
              label="Crosses"
              options={[["", "None"], ...others.map((s) => [s.id, nameOf(s.id)] as const)]}
            />
            <Field control={control} name="age" label="Age in years, if known" />
            <Field control={control} name="branches" label="Side branches" />
            <Field control={control} name="turnDeg" label="Stands towards (degrees round the plant)" />
            <Field control={control} name="leanDeg" label="Leans from upright (degrees)" />
            <Field control={control} name="base" label="Base, where a clump has several" />
          </Box>
        </DialogContent>
        <DialogActions>
          {onRemove && (
            <Button onClick={onRemove} sx={{ mr: "auto", color: "var(--alarm)" }}>
              Not there
            </Button>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Save
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
