import { gone, START, ground } from "./pairs.ts";
import { mergeGardens, seeded } from "@wren/core";
const r = seeded(Number(process.argv[2]));
const list = process.argv[3] as any;
const base = gone(r, START, 2);
const own = gone(r, base, 1 + Math.floor(r() * 6)),
  theirs = gone(r, base, 1 + Math.floor(r() * 6));
const known = r() < 0.7 ? base : null;
const m = mergeGardens({ base: known, own, theirs, ground });
const show = (x: any) =>
  JSON.stringify(
    x[list].map((h: any) =>
      list === "hedges" ? { id: h.id, p: h.plantId, on: h.on, posts: h.posts, trims: h.trims } : h,
    ),
  );
console.log("known", !!known);
for (const [n, g] of [
  ["base", base],
  ["own", own],
  ["theirs", theirs],
  ["m", m.garden],
] as const)
  console.log(n, show(g));
console.log(
  JSON.stringify(
    m.questions.filter((q) => q.list === list).map((q) => [q.key, q.own === undefined, q.theirs === undefined]),
  ),
  JSON.stringify(
    m.garden.corrections.map((c) => (c.was.of === "merge" ? [c.was.list, c.was.field, c.was.value.slice(0, 300)] : 0)),
  ),
);
