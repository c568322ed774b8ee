/** Rows sorted into groups by a key, in the order in which the keys first come. // => grouped([1, 2, 3], (n) => n % 2).get(1) is [1, 3] */
export function grouped<T, K>(rows: readonly T[], key: (row: T) => K): ReadonlyMap<K, readonly T[]> {
  const out = new Map<K, T[]>();
  for (const r of rows) {
    const k = key(r);
    const list = out.get(k);
    if (list) list.push(r);
    else out.set(k, [r]);
  }
  return out;
}
