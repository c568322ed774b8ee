// npm run mutants: small changes over core, one at a time, always the same ones; each should be noticed by a test.
// A change that no test notices is a test that is missing. Takes about an hour; not part of npm test.
//   npm run mutants -- 12      only the first twelve
//   npm run mutants -- 3,17    only those by number
//   npm run mutants -- list    which they are
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative, sep } from "node:path";
import { bin, ensureModules, root } from "./lib.mjs";

ensureModules();
// On a fresh machine it is there only from here on.
const { default: ts } = await import("typescript");
const SEED = 20261128;
const WANTED = 0.85;
/** Rooms whose lines decide something; data, texts and the demo have tests of their own. */
const ROOMS = {
  calendar: 4,
  climate: 7,
  phenology: 8,
  stems: 5,
  amount: 6,
  price: 5,
  garden: 1,
  jobsite: 1,
  advice: 5,
  craft: 1,
  plans: 3,
  bench: 5,
  regrowth: 2,
  outlook: 5,
  identify: 3,
  views: 2,
  gardenfile: 2,
  planttable: 1,
  weather: 1,
  towns: 3,
};

const SWAPS = {
  "<": "<=",
  "<=": "<",
  ">": ">=",
  ">=": ">",
  "+": "-",
  "-": "+",
  "*": "/",
  "/": "*",
  "&&": "||",
  "||": "&&",
  "===": "!==",
  "!==": "===",
};
const CALLS = { min: "max", max: "min", floor: "ceil", ceil: "floor", some: "every", every: "some" };

/** Every place of a file where one small change can be made: [from, to, text]. */
function places(file) {
  const text = readFileSync(file, "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2023, true);
  const out = [];
  const inFunction = (node) => {
    for (let p = node.parent; p; p = p.parent) if (ts.isFunctionLike(p)) return true;
    return false;
  };
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node) && inFunction(node)) {
      const op = node.operatorToken;
      const words = [node.left, node.right].some((x) => ts.isStringLiteralLike(x) || ts.isTemplateExpression(x));
      const swap = SWAPS[op.getText()];
      if (swap && !(words && /[+]/.test(op.getText()))) out.push([op.getStart(), op.getEnd(), swap]);
    } else if (ts.isPropertyAccessExpression(node) && CALLS[node.name.text] && ts.isCallExpression(node.parent))
      out.push([node.name.getStart(), node.name.getEnd(), CALLS[node.name.text]]);
    else if (ts.isNumericLiteral(node) && inFunction(node) && !ts.isElementAccessExpression(node.parent)) {
      const n = Number(node.text);
      out.push([node.getStart(), node.getEnd(), String(n === 0 ? 1 : Number.isInteger(n) ? n + 1 : n * 1.25)]);
    } else if (ts.isNumericLiteral(node) && ts.isPropertyAssignment(node.parent)) {
      const n = Number(node.text);
      if (n !== 0) out.push([node.getStart(), node.getEnd(), String(n * 1.5)]);
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken && inFunction(node))
      out.push([node.getStart(), node.operand.getStart(), ""]);
    else if (ts.isConditionalExpression(node) && inFunction(node))
      out.push([node.condition.getStart(), node.condition.getEnd(), `!(${node.condition.getText()})`]);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out.map(([from, to, put]) => ({ file, from, to, put, was: text.slice(from, to) }));
}

const filesIn = (dir) =>
  readdirSync(dir, { recursive: true, encoding: "utf8" })
    .filter((f) => f.endsWith(".ts") && !f.endsWith("index.ts") && !/keys\/|sources|Texts/.test(f))
    .sort()
    .map((f) => join(dir, f));

/**
 * So many places of each room, drawn by a hash of the line and of what is changed in it: the list stays the same while
 * those lines do, whatever else is written around them.
 */
function chosen() {
  const texts = new Map();
  const drawn = (m) => {
    if (!texts.has(m.file)) texts.set(m.file, readFileSync(m.file, "utf8"));
    const text = texts.get(m.file);
    const from = text.lastIndexOf("\n", m.from - 1) + 1;
    const to = text.indexOf("\n", m.from);
    const line = text.slice(from, to);
    const at = m.from - from - (line.length - line.trimStart().length);
    const place = [SEED, relative(root, m.file), line.trim(), at, m.was, m.put];
    return createHash("sha1").update(place.join("\0")).digest("hex");
  };
  return Object.entries(ROOMS).flatMap(([room, n]) =>
    filesIn(join(root, "core/src", room))
      .flatMap(places)
      .map((m) => ({ m, hash: drawn(m) }))
      .toSorted((a, b) => (a.hash < b.hash ? -1 : 1))
      .slice(0, n)
      .map(({ m }) => m),
  );
}

/** A copy of what the tests of core need, so that the work tree is left alone. */
function copyOfCore() {
  const dir = mkdtempSync(join(tmpdir(), "mutants-"));
  for (const f of ["core", "docs", "scripts", "package.json", "jest.config.mjs", "tsconfig.base.json"])
    cpSync(join(root, f), join(dir, f), { recursive: true });
  mkdirSync(join(dir, "node_modules/@wren"), { recursive: true });
  for (const f of readdirSync(join(root, "node_modules")))
    if (f !== "@wren") symlinkSync(join(root, "node_modules", f), join(dir, "node_modules", f));
  symlinkSync(join(dir, "core"), join(dir, "node_modules/@wren/core"));
  writeFileSync(
    join(dir, "core.jest.mjs"),
    'import all from "./jest.config.mjs";\nexport default { ...all, testSequencer: "./quickFirst.mjs", projects: all.projects.filter((p) => p.displayName === "core") };\n',
  );
  writeFileSync(
    join(dir, "quickFirst.mjs"),
    'import Sequencer from "@jest/test-sequencer";\nconst Base = Sequencer.default ?? Sequencer;\nexport default class extends Base {\n  async sort(tests) { return [...(await super.sort(tests))].reverse(); }\n}\n',
  );
  return dir;
}

/** Where a room's own lines are looked at first; what is not noticed there goes through all quick suites. */
const OWN = {
  calendar: "calendar",
  climate: "reference/climate|reference/months|phenology",
  phenology: "phenology|timing|ledger|schools",
  stems: "built|bench|reference/amount|reference/solids",
  amount: "reference/amount|reference/solids|ledger|planning|oneRoad|outlook|built",
  price: "price|window|timing",
  garden: "timing|schools|seen|advice|built",
  jobsite: "price|advice|timing",
  advice: "price|advice|window|timing|schools|seen|causes|grown",
  craft: "causes|planning",
  plans: "planning|timing|bench|finePrint",
  bench: "bench|built",
  regrowth: "built|bench|outlook",
  outlook: "outlook|built",
  identify: "identify",
  views: "survey",
  gardenfile: "gardenfile",
  planttable: "planttable|finePrint",
  weather: "weather",
  // What is learned of the towns is compared with what lies in the repository by the test of the docs.
  towns: "reference/towns|docs",
};
/** Minutes long, or about something else: they are left to npm test. */
const SLOW = "reference/years|reference/towns|yearShapes|words|docs|layers|fuzz";
function jest(dir, args) {
  const r = spawnSync(
    process.execPath,
    [bin("jest/bin/jest.js"), "--config", "core.jest.mjs", "--bail", "--silent", "--maxWorkers", "1", ...args],
    {
      cwd: dir,
      encoding: "utf8",
      // A loop that never ends is found too; a slow machine is not one.
      timeout: 1_800_000,
      killSignal: "SIGKILL",
      env: { ...process.env, NODE_OPTIONS: "--experimental-vm-modules --disable-warning=ExperimentalWarning" },
    },
  );
  return r.status === 0 ? null : (/● (.*)/.exec(`${r.stdout}${r.stderr}`)?.[1] ?? "crashed").slice(0, 90);
}
/** Values worked out by hand, of all rooms. */
const BY_HAND = "byHand";
const noticed = (dir, room) =>
  jest(dir, ["--testPathPatterns", `core/test/(${OWN[room]}|${BY_HAND})`]) ??
  jest(dir, ["--testPathIgnorePatterns", `core/test/(${SLOW}|${OWN[room]}|${BY_HAND})`]);

const asked = process.argv[2] ?? "";
const numbers = asked.includes(",") || /^#/.test(asked) ? asked.replace("#", "").split(",").map(Number) : null;
const mutants = chosen().map((m, i) => ({ ...m, no: i + 1 }));
const picked = numbers
  ? mutants.filter((m) => numbers.includes(m.no))
  : mutants.slice(0, asked === "" ? mutants.length : Number(asked));
if (asked === "list") {
  for (const m of mutants) {
    const text = readFileSync(m.file, "utf8");
    const line = text.slice(0, m.from).split("\n").length;
    const shown = text.split("\n")[line - 1].trim().slice(0, 100);
    console.log(
      `${String(m.no).padStart(2)} ${relative(root, m.file)}:${line}  ${m.was} → ${m.put || "(gone)"}   ${shown}`,
    );
  }
  process.exit(0);
}
const dir = copyOfCore();
let killed = 0;
// A suite that is red without any change would notice everything.
const red = jest(dir, ["--testPathIgnorePatterns", `core/test/(${SLOW})`]);
if (red !== null) throw new Error(`the tests fail as they stand: ${red}`);
for (const m of picked) {
  const at = join(dir, relative(root, m.file));
  const text = readFileSync(m.file, "utf8");
  writeFileSync(at, text.slice(0, m.from) + m.put + text.slice(m.to));
  const line = text.slice(0, m.from).split("\n").length;
  const by = noticed(dir, relative(join(root, "core/src"), m.file).split(sep)[0]);
  writeFileSync(at, text);
  if (by !== null) killed++;
  const shown = text.split("\n")[line - 1].trim().slice(0, 90);
  console.log(
    `${String(m.no).padStart(2)} ${by === null ? "SURVIVED" : "noticed "} ${relative(root, m.file)}:${line}  ${m.was} → ${m.put || "(gone)"}   ${by === null ? shown : by}`,
  );
}
rmSync(dir, { recursive: true, force: true });
const share = killed / picked.length;
console.log(`${killed} of ${picked.length} small changes were noticed (${Math.round(share * 100)} %)`);
process.exit(share >= WANTED ? 0 : 1);
