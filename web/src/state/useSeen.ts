/** One press for what is seen: written down as a change, with what it moved. */
import { PLAIN_SIGHT, type Observation, type Photo } from "@wren/core";
import type { Picture } from "../data/db.ts";
import { useDay } from "./day.tsx";
import { useGarden } from "./garden.tsx";
import { newId } from "./ids.ts";
import { useVoice } from "./voice.ts";

type Seen = Pick<Observation, "plantId" | "on" | "kind"> & Partial<Observation>;
/** A picture taken with it. */
export interface Pictured {
  readonly picture: Picture;
  readonly caption: string;
}

export function useSeen(): (label: string, seen: Seen, pictured?: Pictured) => Promise<boolean> {
  const { change, model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  return async (label, seen, pictured) => {
    const { askIfFar, movedBy, withSeen } = await import("./seen.ts");
    const entry: Observation = { ...PLAIN_SIGHT, id: newId(), ...seen };
    const photo: Photo | null = pictured
      ? { id: pictured.picture.id, plantId: entry.plantId, on: entry.on, caption: pictured.caption }
      : null;
    const kept = await change(
      label,
      (g) => {
        const next = withSeen(g, entry);
        return photo ? { ...next, photos: [...next.photos, photo] } : next;
      },
      { told: movedBy(model, entry, on, say), ...(pictured ? { pictures: [pictured.picture] } : {}) },
    );
    if (kept) askIfFar(model, entry);
    return kept;
  };
}
