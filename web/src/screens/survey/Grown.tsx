/** How the plant is grown, how large it gets by itself, and what at it can hurt somebody. */
import { Box } from "@mui/material";
import { BOUNDS, DANGER_TABLE, DANGERS, FORMS, VIGOURS, type Danger, type Plant } from "@wren/core";
import { today } from "../../data/clock.ts";
import { Chips, OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { FORM_LABELS, VIGOUR_LABELS } from "../../words/labels.ts";
import { LengthInput } from "./LengthInput.tsx";

interface Props {
  readonly plant: Plant;
  readonly onPlant: (p: Plant) => void;
}

export function Grown({ plant, onPlant }: Props) {
  return (
    <Section title="How is it grown?">
      <OneOf
        label="Form"
        value={plant.form ?? "usual"}
        options={[
          { value: "usual", label: "As its kind usually is" },
          ...FORMS.map((f) => ({ value: f, label: FORM_LABELS[f] })),
        ]}
        onChange={(form) => onPlant({ ...plant, form: form === "usual" ? null : form })}
      />
      <OneOf
        label="How strong does it grow?"
        value={plant.vigour}
        options={VIGOURS.map((v) => ({ value: v, label: VIGOUR_LABELS[v] }))}
        onChange={(vigour) => onPlant({ ...plant, vigour })}
      />
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <LengthInput
          label="Full height"
          value={plant.ownSize.heightM}
          bounds={BOUNDS.heightM}
          hint="From its label, if you have it"
          onChange={(heightM) => onPlant({ ...plant, ownSize: { ...plant.ownSize, heightM } })}
        />
        <LengthInput
          label="Growth in a year"
          value={plant.ownSize.growthM}
          bounds={BOUNDS.growthM}
          hint="Measured on last year’s shoots"
          onChange={(growthM) => onPlant({ ...plant, ownSize: { ...plant.ownSize, growthM } })}
        />
      </Box>
    </Section>
  );
}

export function Dangers({ plant, onPlant }: Props) {
  const toggle = (what: Danger): void => {
    const without = plant.dangers.filter((d) => d.what !== what);
    const there = without.length < plant.dangers.length;
    onPlant({ ...plant, dangers: there ? without : [...without, { what, on: today() }] });
  };
  return (
    <Section title="Can it hurt somebody?">
      <Chips
        label="Press what is true"
        options={DANGERS.map((d) => ({ value: d, label: DANGER_TABLE[d].label }))}
        chosen={(d) => plant.dangers.some((x) => x.what === d)}
        onPress={toggle}
        hint="What is dangerous to do is refused, whatever the task is called."
      />
    </Section>
  );
}
