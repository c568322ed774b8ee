/**
 * What lies in a table may hold anything that a browser can store, but only what JSON can say can be shown, compared and
 * exported. A row that is plain data comes back as it is; of another a readable copy does.
 */
const MAX_DEPTH = 60;
/** A garden's rows go this deep at most. */
const PLAIN = new Set(["string", "boolean", "undefined"]);

const isPlainObject = (x: object): boolean => {
  const proto: unknown = Object.getPrototypeOf(x);
  // Rows from the database may carry another realm's prototypes.
  return proto === null || Object.getPrototypeOf(proto) === null;
};

/** Is every part of it text, number, yes or no, nothing, a list or an entry, without a circle? */
function isSafe(x: unknown, depth: number): boolean {
  if (x === null || PLAIN.has(typeof x)) return true;
  if (typeof x === "number") return Number.isFinite(x);
  if (typeof x !== "object" || depth >= MAX_DEPTH) return false;
  if (Array.isArray(x)) return x.every((v) => isSafe(v, depth + 1));
  return isPlainObject(x) && Object.values(x).every((v) => isSafe(v, depth + 1));
}

function safe(x: unknown, depth: number, above: readonly unknown[]): unknown {
  if (x === null || PLAIN.has(typeof x)) return x;
  if (typeof x === "number") return Number.isFinite(x) ? x : String(x);
  if (typeof x === "bigint") return String(x);
  if (typeof x !== "object") return `[${typeof x}]`;
  if (above.includes(x)) return "[circular]";
  if (depth >= MAX_DEPTH) return "[nested too deep]";
  const inner = (v: unknown): unknown => safe(v, depth + 1, [...above, x]);
  if (Array.isArray(x)) return x.map(inner);
  if (x instanceof Date) return Number.isNaN(x.valueOf()) ? "[no date]" : x.toISOString();
  if (x instanceof Map) return { map: [...x].map(([k, v]) => [inner(k), inner(v)]) };
  if (x instanceof Set) return { set: [...x].map(inner) };
  if (!isPlainObject(x)) return `[${Object.prototype.toString.call(x).slice(8, -1)}]`;
  return Object.fromEntries(Object.entries(x).map(([k, v]) => [k, inner(v)]));
}

export const jsonSafe = (x: unknown): unknown => (isSafe(x, 0) ? x : safe(x, 0, []));
