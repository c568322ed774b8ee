/** What a look at a plant makes of it beyond its record: a nest is a danger, a brown scratch a state of health. */
import { UNLOOKED_HEALTH, type Condition, type Health, type Observation, type Plant } from "../model/index.ts";

interface Sign {
  readonly health?: Partial<Health>;
  /** It is in this state until somebody has looked again. */
  readonly condition?: Condition;
  readonly danger?: "bird-nest";
}
const SIGNS: Readonly<Partial<Record<Observation["kind"], Sign>>> = {
  "nest-seen": { danger: "bird-nest" },
  "disease-seen": { health: { disease: true } },
  "frost-damage": { health: { frost: true }, condition: "frosted" },
  "scratch-brown": { health: { scratch: "brown" }, condition: "dieback" },
  "scratch-green": { health: { scratch: "green" } },
};

/** The plant as it is known once something was seen; the same where it tells nothing of that, or was looked at since. */
export function plantSeen(plant: Plant, { kind, on }: Pick<Observation, "kind" | "on">): Plant {
  const sign = SIGNS[kind];
  if (!sign) return plant;
  if (sign.danger)
    return { ...plant, dangers: [...plant.dangers.filter((d) => d.what !== sign.danger), { what: sign.danger, on }] };
  if (plant.health !== null && plant.health.on > on) return plant;
  const health: Health = { ...(plant.health ?? UNLOOKED_HEALTH), ...sign.health, on };
  return sign.condition === undefined
    ? { ...plant, health }
    : { ...plant, health, condition: sign.condition, conditionOn: on };
}
