/** One press for what is seen: written down as a change. */
import { PLAIN_SIGHT, type Observation } from "@wren/core";
import { useGarden } from "./garden.tsx";
import { newId } from "./ids.ts";

type Seen = Pick<Observation, "plantId" | "on" | "kind" | "where" | "lookedFor">;

export function useSeen(): (label: string, seen: Seen) => Promise<boolean> {
  const { change, model } = useGarden();
  return async (label, seen) => {
    const { askIfFar, withSeen } = await import("./seen.ts");
    const entry: Observation = { ...PLAIN_SIGHT, id: newId(), ...seen };
    const kept = await change(label, (g) => withSeen(g, entry));
    if (kept) askIfFar(model, entry);
    return kept;
  };
}
