/** The kinds the garden is opened with: on a first visit those of the demo garden at once, all of them a moment later. */
import { catalogueOf, DEMO_KINDS, withKinds, type Catalogue, type Garden } from "@wren/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { afterPaint } from "./painted.ts";

let few: Catalogue | null = null;
const demoKinds = (): Catalogue => (few ??= catalogueOf(DEMO_KINDS));

const holds = (c: Catalogue, g: Garden): boolean =>
  g.plants.every(
    (p) => c.byId(p.taxonId) !== null && (p.identity?.candidates.every((k) => c.byId(k.taxonId) !== null) ?? true),
  );

/**
 * @param begin the demo's kinds are enough to begin with
 * @returns null until the garden's kinds are there
 */
export function useKinds(garden: Garden | undefined, begin: boolean): Catalogue | null {
  // Kept from the first moment on: what was worked out for a kind holds on when the others come.
  const [start] = useState(begin ? demoKinds : null);
  const all = useQuery({
    queryKey: ["kinds"],
    queryFn: async () => {
      if (start) await afterPaint();
      const { CATALOGUE } = await import("./allKinds.ts");
      return start ? withKinds(start, CATALOGUE) : CATALOGUE;
    },
    staleTime: Infinity,
  });
  if (all.data) return all.data;
  return start && garden && holds(start, garden) ? start : null;
}
