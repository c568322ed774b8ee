import { addYears, balanceOn, type PlainDate } from "@wren/core";
import { useMemo } from "react";
import { useGarden } from "../state/garden.tsx";

/** What the inner rings and the crumbs show: the sums of the years before, and dead stems of this one. */
export function usePastShares(plantId: string, on: PlainDate): { shares: readonly number[]; deadCount: number } {
  const { model } = useGarden();
  return useMemo(() => {
    const entries = model.ledgerOf(plantId);
    const yearAgo = addYears(on, -1);
    return {
      shares: [1, 2, 3].map((n) => balanceOn(entries, addYears(on, -n), 1).taken),
      deadCount: model
        .visitsOf(plantId)
        .filter((v) => v.on > yearAgo && v.on <= on)
        .reduce((n, v) => n + v.deadStemsCount, 0),
    };
  }, [model, plantId, on]);
}
