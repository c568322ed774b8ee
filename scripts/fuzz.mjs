// npm run fuzz: the long run of what npm test does in short. Ten thousand garden files, three thousand tables, three
// thousand files of weather; then a hundred kills of a browser in the middle of its writes. Writes docs/fuzz.md.
//   npm run fuzz -- files | merges | kills     only one of them
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureChromium, ensureModules, root } from "./lib.mjs";

ensureModules();
const only = process.argv[2];
const lines = [];
const say = (line) => {
  lines.push(line);
  console.log(line);
};

async function files() {
  const { register } = await import("tsx/esm/api");
  const off = register();
  const { gardenFiles, tables, weatherFiles, timeOf } = await import("../core/test/fuzz/mutate.ts");
  for (const [name, run, n] of [
    ["garden files", gardenFiles, 10_000],
    ["tables of plants", tables, 3000],
    ["files of daily weather", weatherFiles, 3000],
  ]) {
    const { read, refused } = run(n, 20261128);
    say(
      `- ${n.toLocaleString("en")} ${name}: ${read} read whole, ${refused} refused with a place and a sentence; none threw, none printed NaN.`,
    );
  }
  timeOf(10_000);
  const times = [12_500, 25_000, 50_000, 100_000].map((n) => [n, timeOf(n)]);
  say(
    `- Time to refuse a file by its broken rows: ${times.map(([n, s]) => `${n.toLocaleString("en")} in ${s.toFixed(2)} s`).join(", ")}.`,
  );
  await off();
}

/** Two copies of one garden brought together; a new seed each time, printed. */
async function merges() {
  const { register } = await import("tsx/esm/api");
  const off = register();
  const { pairsTried } = await import("../core/test/fuzz/pairs.ts");
  const seed = Number(process.env.WREN_SEED ?? Math.floor(Math.random() * 1e9));
  const broken = pairsTried(10_000, seed);
  for (const law of broken) console.log(law);
  say(
    `- 10,000 pairs of gardens brought together (seed ${seed}): ${broken.length === 0 ? "each the same from both sides and when brought in twice, no field lost, none refused" : `${broken.length} laws broken`}.`,
  );
  if (broken.length > 0) process.exitCode = 1;
  await off();
}

async function kills() {
  ensureBuilt();
  const { killed } = await import("./kills.mjs");
  const found = await killed(100, ensureChromium());
  say(
    `- 100 kills during writes: ${found.acknowledged} changes acknowledged, ${found.lost} of them lost, ${found.half} gardens half written, ${found.unreadable} that did not open.`,
  );
}

if (only === undefined || only === "files") await files();
if (only === undefined || only === "merges") await merges();
if (only === undefined || only === "kills") await kills();
if (only === undefined)
  writeFileSync(
    join(root, "docs/fuzz.md"),
    `# Broken on purpose\n\nMade by \`npm run fuzz\`: broken files from one seed, pairs of gardens from another one each time.\n\n${lines.join("\n")}\n`,
  );
