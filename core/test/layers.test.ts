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
  "learning",
  "phenology",
  "stems",
  "sections",
  "amount",
  "price",
  "garden",
  "jobsite",
  "advice",
  "craft",
  "plans",
  "bench",
  "regrowth",
  "hedges",
  "outlook",
  "identify",
  "survey",
  "views",
  "workdays",
  "notebook",
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

/** Names at the one door, and where each is declared. */
const door = [
  ...readFileSync(join(src, "index.ts"), "utf8").matchAll(/export \{([^}]*)\} from "\.\/([a-z]+)\/index\.ts"/g),
].flatMap((m) =>
  m[1]!.split(",").flatMap((n) => (n.trim() === "" ? [] : [{ name: n.trim().replace(/^type /, ""), room: m[2]! }])),
);

test("the door names what is used outside, and nothing else", () => {
  const root = join(import.meta.dirname, "../..");
  const outside = ["web/src", "web/test", "cli", "server", "e2e", "scripts", "core/test"]
    .flatMap((d) => filesIn(join(root, d)))
    .filter((f) => /\.(tsx?|mjs)$/.test(f) && !/node_modules|dist|\.out/.test(f))
    .map((f) => readFileSync(f, "utf8"))
    .filter((text) => /@wren\/core|src\/index/.test(text))
    .join("\n");
  const words = new Set(outside.match(/\w+/g));
  expect(door.length).toBeGreaterThan(300);
  expect(door.filter(({ name }) => !words.has(name))).toEqual([]);
});

test("everything at the door has its docstring", () => {
  const files = filesIn(src).map((file) => ({ file, text: readFileSync(file, "utf8") }));
  const bare = door.filter(({ name, room }) => {
    const declared = new RegExp(
      `^(.*)\\nexport (?:async |declare )?(?:const|function\\*?|class|interface|type) ${name}\\b`,
      "m",
    );
    return !files.some(
      ({ file, text }) => file.startsWith(join(src, room)) && /\*\/\s*$/.test(declared.exec(text)?.[1] ?? ""),
    );
  });
  expect(bare).toEqual([]);
});
