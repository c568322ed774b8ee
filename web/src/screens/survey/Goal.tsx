/** What is wanted of the plant, and what stands against it, said while it is chosen. */
import {
  BOUNDS,
  GOAL_TABLE,
  goalHasHeight,
  goalNotes,
  GOALS,
  openGarden,
  viewReasons,
  type GoalKind,
  type Plant,
} from "@wren/core";
import { useMemo } from "react";
import { useGarden } from "../../state/garden.tsx";
import { OneOf } from "../../ui/Chips.tsx";
import { ReasonList } from "../../ui/ReasonList.tsx";
import { Section } from "../../ui/Section.tsx";
import { KeptClear } from "./KeptClear.tsx";
import { LengthInput } from "./LengthInput.tsx";

export function Goal({ plant, onPlant }: { readonly plant: Plant; readonly onPlant: (p: Plant) => void }) {
  const { garden, model } = useGarden();
  const draftModel = useMemo(
    () =>
      openGarden(
        { ...garden, plants: garden.plants.map((p) => (p.id === plant.id ? plant : p)) },
        model.catalogue,
        model.cache,
      ),
    [garden, plant, model],
  );
  const notes = [
    ...goalNotes(draftModel, plant),
    ...(plant.goal.heightM === null ? [] : viewReasons(draftModel.garden, plant, plant.goal.heightM)),
  ];
  const setGoal = (kind: GoalKind): void =>
    onPlant({
      ...plant,
      goal: { ...plant.goal, kind, heightM: goalHasHeight(kind) ? (plant.goal.heightM ?? plant.heightM) : null },
    });
  return (
    <Section title="What do you want of it?">
      <OneOf
        label="Goal"
        value={plant.goal.kind}
        options={GOALS.map((g) => ({ value: g, label: GOAL_TABLE[g].label }))}
        onChange={setGoal}
      />
      {goalHasHeight(plant.goal.kind) && (
        <LengthInput
          key={plant.goal.kind}
          label="Wanted height"
          value={plant.goal.heightM}
          bounds={BOUNDS.heightM}
          required
          onChange={(heightM) => heightM !== null && onPlant({ ...plant, goal: { ...plant.goal, heightM } })}
        />
      )}
      <KeptClear plant={plant} onPlant={onPlant} />
      <ReasonList label="What stands against it" reasons={notes} />
    </Section>
  );
}
