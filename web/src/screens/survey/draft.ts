/** The survey of one plant: what is on screen, and how it becomes the plant. Pure. */
import {
  conditionFrom,
  PLAIN_SIGHT,
  type GardenModel,
  type Health,
  type HealthAnswer,
  type Observation,
  type Plant,
  type PlainDate,
  UNLOOKED_HEALTH,
} from "@wren/core";

/** Health as it is being asked; null until a question was answered. */
export type HealthDraft = Omit<Health, "on">;
export const UNLOOKED: HealthDraft = UNLOOKED_HEALTH;

export function healthAnswer(model: GardenModel, plant: Plant, draft: HealthDraft, on: PlainDate): HealthAnswer {
  const year = model.yearOf(model.taxonOf(plant));
  return conditionFrom({ ...draft, on }, year, model.season(on).seasonDay);
}

const WHERE: Partial<Record<Health["growth"], Observation["where"]>> = {
  "from-base": "base",
  "from-old-stems": "old-stems",
  everywhere: "tips",
};

/** The plant after its survey, and growth that was seen as an observation of its own. */
export function surveyed(
  model: GardenModel,
  plant: Plant,
  health: HealthDraft | null,
  on: PlainDate,
  id: string,
): { readonly plant: Plant; readonly seen: Observation | null } {
  if (health === null) return { plant, seen: null };
  const { condition } = healthAnswer(model, plant, health, on);
  const same = condition === plant.condition && condition !== "healthy";
  const where = WHERE[health.growth];
  return {
    plant: {
      ...plant,
      health: { ...health, on },
      condition,
      conditionOn: same ? plant.conditionOn : condition === "healthy" ? null : on,
    },
    seen: where === undefined ? null : { ...PLAIN_SIGHT, id, plantId: plant.id, on, kind: "growth-seen", where },
  };
}
