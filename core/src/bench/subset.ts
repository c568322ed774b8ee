/** The best set of stems under a budget, exactly. */

export interface Item {
  readonly value: number;
  readonly cost: number;
}

/** Past so many steps the search settles for the best it has: only many dozens of near-equal stems come there. */
const MOST_STEPS = 400_000;
const EPSILON = 1e-9;

/**
 * Numbers of the items whose values sum highest while their costs stay within a budget; of equal sums the cheaper.
 * Branch and bound: exact, since what is left can never be worth more than its best fractions.
 */
export function bestSubset(items: readonly Item[], budget: number): readonly number[] {
  const ratio = (i: Item): number => (i.cost <= 0 ? Infinity : i.value / i.cost);
  const order = items.map((_, i) => i).sort((a, b) => ratio(items[b]!) - ratio(items[a]!) || a - b);
  let best: { value: number; cost: number; chosen: readonly number[] } = { value: 0, cost: 0, chosen: [] };
  let steps = 0;
  const bound = (from: number, left: number): number => {
    let [value, room] = [0, left];
    for (let k = from; k < order.length; k++) {
      const it = items[order[k]!]!;
      if (it.cost <= room) [value, room] = [value + it.value, room - it.cost];
      else return value + (room * it.value) / it.cost;
    }
    return value;
  };
  const search = (k: number, value: number, cost: number, chosen: readonly number[]): void => {
    if (++steps > MOST_STEPS) return;
    const better = value > best.value + EPSILON || (value > best.value - EPSILON && cost < best.cost - EPSILON);
    if (better) best = { value, cost, chosen };
    if (k === order.length || value + bound(k, budget - cost) < best.value - EPSILON) return;
    const i = order[k]!;
    const it = items[i]!;
    if (cost + it.cost <= budget + EPSILON) search(k + 1, value + it.value, cost + it.cost, [...chosen, i]);
    search(k + 1, value, cost, chosen);
  };
  search(0, 0, 0, []);
  return best.chosen.toSorted((a, b) => a - b);
}
