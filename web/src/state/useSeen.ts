/** One press for what is seen: written down as a change. */
import type { Observation } from "@wren/core";
import { useGarden } from "./garden.tsx";
import { newId } from "./ids.ts";

type Seen = Pick<Observation, "plantId" | "on" | "kind" | "where" | "lookedFor">;

export function useSeen(): (label: string, seen: Seen) => Promise<boolean> {
  const { change } = useGarden();
  return async (label, seen) => {
    const { withSeen } = await import("./seen.ts");
    return change(label, (g) => withSeen(g, { id: newId(), ...seen }));
  };
}
