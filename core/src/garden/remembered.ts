/** Memory of pure functions. */

/** Remembers what a pure function said for a key. */
export function remembered<A, T>(key: (a: A) => string | number, make: (a: A) => T): (a: A) => T {
  const known = new Map<string | number, T>();
  return (a) => {
    const k = key(a);
    let value = known.get(k);
    if (value === undefined) known.set(k, (value = make(a)));
    return value;
  };
}

/** The same for a pair of things that stay the same objects. */
export function rememberedPair<A extends object, B, T>(make: (a: A, b: B) => T): (a: A, b: B) => T {
  const known = new WeakMap<A, Map<B, T>>();
  return (a, b) => {
    let of = known.get(a);
    if (!of) known.set(a, (of = new Map<B, T>()));
    let value = of.get(b);
    if (value === undefined) of.set(b, (value = make(a, b)));
    return value;
  };
}
