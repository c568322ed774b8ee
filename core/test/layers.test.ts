import { expect, test } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/** The rooms in the order in which knowledge flows: a room may look into rooms before it, never after it. */
const ROOMS = [
  "units",
  "calendar",
  "model",
  "catalogue",
  "climate",
  "towns",
  "phenology",
  "stems",
  "amount",
  "price",
  "garden",
  "jobsite",
  "advice",
  "plans",
  "bench",
  "outlook",
  "identify",
  "survey",
  "views",
  "reminders",
  "gardenfile",
  "planttable",
  "weather",
  "words",
  "demo",
];
const src = join(import.meta.dirname, "../src");

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? filesIn(join(dir, e.name)) : [join(dir, e.name)],
  );

/** Every import arrow as "from-file → specifier". */
const arrows = filesIn(src).flatMap((file) =>
  [...readFileSync(file, "utf8").matchAll(/from "([^"]+)"/g)].map((m) => ({
    file: file.slice(src.length + 1),
    to: m[1]!,
  })),
);

test("every arrow between rooms runs one way, through the other room's door", () => {
  const wrong = arrows.filter(({ file, to }) => {
    const from = file.split("/")[0]!;
    const target = /^(?:\.\.\/)+([a-z]+)\/(.+)$/.exec(to);
    if (from === "index.ts" || !target || !ROOMS.includes(target[1]!)) return false;
    return ROOMS.indexOf(target[1]!) > ROOMS.indexOf(from) || target[2] !== "index.ts";
  });
  expect(wrong).toEqual([]);
});

test("core imports nothing but its own rooms and Zod", () => {
  expect([...new Set(arrows.map((a) => a.to).filter((to) => !to.startsWith(".")))]).toEqual(["zod"]);
});

test("every room is in the list", () => {
  const rooms = readdirSync(src, { withFileTypes: true })
    .filter((e) => e.isDirectory())
    .map((e) => e.name);
  expect(rooms.sort()).toEqual([...ROOMS].sort());
});
