// npm run bench: speeds as ratios within one run, so that they hold on any machine.
import { join } from "node:path";
import { build } from "vite";
import { ensureBuilt, ensureChromium, ensureModules, QUIET_CHROMIUM, root, startServer } from "./lib.mjs";

ensureModules();
ensureBuilt();

/** A module as the browser gets it: translated on the fly it would run a sixth slower. */
async function built(name, entry) {
  const outDir = join(root, "node_modules/.wren", name);
  await build({
    configFile: false,
    logLevel: "warn",
    build: { outDir, target: "es2022", lib: { entry: join(root, entry), formats: ["es"], fileName: name } },
  });
  return import(join(outDir, `${name}.js`));
}
const core = await built("core", "core/src/index.ts");

const median = (xs) => xs.toSorted((a, b) => a - b)[Math.floor(xs.length / 2)];
const timed = (f) => {
  const began = performance.now();
  f();
  return performance.now() - began;
};
const count = (n) => Math.round(n).toLocaleString("en");

async function verdicts() {
  const {
    addDays,
    CATALOGUE,
    date,
    demoGarden,
    kindCache,
    openGarden,
    seasonScanner,
    taskForGoal,
    verdictFor,
    adviseAll,
  } = core;
  const demo = demoGarden(date("2026-11-25"));
  const plants = Array.from({ length: 200 }, (_, i) => ({
    ...demo.plants[i % demo.plants.length],
    id: `p-${i}`,
  }));
  const garden = { ...demo, plants, visits: [], observations: [] };
  const cache = kindCache(garden);
  const model = openGarden(garden, CATALOGUE, cache);
  const days = Array.from({ length: 365 }, (_, d) => addDays(date("2026-01-01"), d));
  const tasks = plants.map((p) => taskForGoal(model, p));
  const asked = plants.length * days.length;

  const first = timed(() => plants.forEach((p, i) => verdictFor(model, p.id, days[0], tasks[i])));
  let sink = 0;
  const full = () => {
    for (const on of days)
      for (let i = 0; i < plants.length; i++) sink += verdictFor(model, plants[i].id, on, tasks[i]).length;
  };
  // The same year's arrays read and nothing else: the floor under any answer.
  const arrays = plants.map((p, i) => model.kindYear(model.taxonOf(p), tasks[i]).verdicts);
  const seasonDay = seasonScanner(days[0], "north");
  const bare = () => {
    for (let d = 0; d < days.length; d++) for (let i = 0; i < plants.length; i++) sink += arrays[i][seasonDay(d)];
  };
  full();
  bare();
  const a = median([1, 2, 3, 4, 5].map(() => timed(full)));
  const b = median([1, 2, 3, 4, 5].map(() => timed(bare)));
  const small = openGarden(demo, CATALOGUE, cache);
  days.forEach((on) => adviseAll(small, on));
  const advice = median(days.slice(0, 60).map((on) => timed(() => adviseAll(small, on))));
  console.log(`verdicts, 365 days × 200 plants: ${count((asked / a) * 1000)} a second`);
  console.log(
    `bare loop over the same arrays:  ${count((asked / b) * 1000)} a second (a verdict costs ${(a / b).toFixed(0)} array reads)`,
  );
  console.log(`kinds worked out the first time: ${first.toFixed(0)} ms, then kept`);
  console.log(
    `full answers for the ${demo.plants.length} plants of the demo garden on one day: ${advice.toFixed(1)} ms`,
  );
  if (sink < 0) console.log(sink);
}

/** A table of 500 plants: the parser alone, beside parsing, checking every line and building the new garden. */
async function tables() {
  const { CATALOGUE, date, demoGarden, headingIssues, matchColumns, plantTable, tableReader, withTable } = core;
  const { default: Papa } = await import("papaparse");
  const demo = demoGarden(date("2026-11-25"));
  const plants = Array.from({ length: 500 }, (_, i) => ({ ...demo.plants[i % demo.plants.length], id: `p-${i}` }));
  const text = Papa.unparse(plantTable({ ...demo, plants }, CATALOGUE).map((r) => [...r]));
  const parse = () => Papa.parse(text).data;
  const whole = () => {
    const [headings, ...rows] = parse();
    const mapping = matchColumns(headings);
    if (headingIssues(headings, mapping, rows.length).length > 0) throw new Error("the bench's table is wrong");
    const ctx = { garden: demo, catalogue: CATALOGUE, today: date("2026-11-25"), newId: () => "never" };
    const reader = tableReader(ctx, headings, mapping);
    rows.forEach((cells, i) => reader.row(i + 2, cells));
    const read = reader.finish();
    if (!read.ok) throw new Error("the bench's table is refused");
    return withTable(demo, read.value);
  };
  const runs = [1, 2, 3, 4, 5, 6, 7];
  runs.forEach(() => (parse(), whole()));
  const [a, b] = [median(runs.map(() => timed(parse))), median(runs.map(() => timed(whole)))];
  console.log(
    `table of 500 plants: read and checked in ${(b / a).toFixed(1)} times the parsing alone (${b.toFixed(0)} against ${a.toFixed(0)} ms)`,
  );
}

/** A year of prices for 500 plants of 60 kinds in 300 synthetic years, beside a bare loop over as many numbers. */
async function years() {
  const { CATALOGUE, date, demoGarden, workYears, YEARS_COUNT } = core;
  const step = Math.floor(CATALOGUE.taxa.length / 60);
  const kinds = CATALOGUE.taxa
    .filter((_, i) => i % step === 0)
    .slice(0, 60)
    .map((t) => ({ taxonId: t.id, tasks: [t.routineTask === "deadhead" ? "shape" : t.routineTask] }));
  const plants = 500;
  const { place } = demoGarden(date("2026-11-25"));
  const run = () => {
    let steps = 0;
    const work = workYears({ place, kinds, years: YEARS_COUNT, seed: 1 }, CATALOGUE);
    while (!work.next().done) steps++;
    return steps;
  };
  const numbers = Float32Array.from({ length: plants * 365 }, (_, i) => i % 7);
  let sink = 0;
  const bare = () => {
    let sum = 0;
    for (let y = 0; y < YEARS_COUNT; y++) for (let i = 0; i < numbers.length; i++) sum += numbers[i];
    sink += sum;
  };
  run();
  bare();
  const [a, b] = [run, bare].map((f) => median([1, 2, 3].map(() => timed(f))));
  const days = plants * YEARS_COUNT * 365;
  console.log(
    `years: ${plants} plants of ${kinds.length} kinds × ${YEARS_COUNT} years in ${(a / 1000).toFixed(1)} s on one thread, ${count((days / a) * 1000)} plant-days a second; ${(a / b).toFixed(1)} times a bare loop over as many numbers`,
  );
  if (sink < 0) console.log(sink);
}

/** A garden file of so many plants of the demo garden's kinds. */
async function gardenOf(n) {
  const { date, demoGarden, writeGardenFile } = core;
  const demo = demoGarden(date("2026-11-25"));
  const plants = Array.from({ length: n }, (_, i) => ({
    ...demo.plants[i % demo.plants.length],
    id: `p-${i}`,
    label: `Plant ${i}`,
    views: [],
  }));
  const text = writeGardenFile({
    ...demo,
    plants,
    visits: [],
    observations: [],
    plans: [],
    photos: [],
    programmes: [],
    hedges: [],
    stands: [],
  });
  return text;
}

/** A garden of a hundred plants, bare or with many years' records: 5,000 visits, 20,000 observations, 2,000 photos. */
function recorded(many) {
  const { addDays, CATALOGUE, date, demoGarden, openGarden, PLAIN_SIGHT, plantsYear, seasonDate, writeGardenFile } =
    core;
  const demo = demoGarden(date("2026-11-25"));
  const plants = Array.from({ length: 100 }, (_, i) => ({
    ...demo.plants[i % demo.plants.length],
    id: `p-${i}`,
    label: `Plant ${i}`,
    plantedOn: date("2000-04-01"),
    views: [],
  }));
  const day = (i, of) => addDays(date("2006-02-01"), Math.floor((i / of) * 7500));
  // What was seen fell about when it should, and plants grew as their kinds do: a few days off, as it is.
  const model = openGarden(
    { ...demo, plants, visits: [], observations: [], plans: [], programmes: [], hedges: [], stands: [] },
    CATALOGUE,
  );
  const yearOf = new Map(plants.map((p) => [p.id, plantsYear(model, p, date("2026-01-15"))]));
  const stages = {
    "first-flower": (y) => y.displays[0]?.opens.day,
    "last-flower": (y) => y.displays[0]?.ends.day,
    "first-leaf": (y) => y.wakes.day,
    "flush-hardened": (y) => y.hardens.day,
    "leaf-fall": (y) => y.dormant.day,
    height: () => 320,
    "not-yet": (y) => y.wakes.day - 10,
    "berries-ripe": (y) => y.displays[0]?.ends.day,
  };
  const kinds = Object.keys(stages);
  const observation = (i) => {
    const plant = plants[i % 100];
    const kind = kinds[Math.floor(i / 100) % kinds.length];
    const years = Math.floor(i / 1000);
    const at = stages[kind](yearOf.get(plant.id)) ?? 150;
    const [, growth] = model.taxonOf(plant).growthM;
    return {
      ...PLAIN_SIGHT,
      id: `o-${i}`,
      plantId: plant.id,
      on: seasonDate(2006 + years, Math.max(1, Math.min(362, Math.round(at + ((i * 37) % 9) - 4))), "north"),
      kind,
      heightM: kind === "height" ? Math.min(30, Math.round((0.5 + growth * years) * 100) / 100) : null,
      lookedFor: kind === "not-yet" ? "growth-seen" : null,
      note: `Seen ${i}`,
    };
  };
  const [visits, observations, photos] = many
    ? [
        Array.from({ length: 5000 }, (_, i) => ({
          ...demo.visits[i % demo.visits.length],
          id: `v-${i}`,
          plantId: `p-${i % 100}`,
          on: day(i, 5000),
          cuts: [{ by: "share", share: 0.1 }],
          note: `Visit ${i}`,
        })),
        Array.from({ length: 20000 }, (_, i) => observation(i)),
        Array.from({ length: 2000 }, (_, i) => ({
          id: `f-${i}`,
          plantId: `p-${i % 100}`,
          on: day(i, 2000),
          caption: `Photo ${i}`,
        })),
      ]
    : [[], [], []];
  // A picture of a camera's size, whatever it shows.
  const jpeg = Buffer.alloc(20_000, 0x5a).toString("base64");
  return writeGardenFile(
    { ...demo, plants, visits, observations, photos, plans: [], programmes: [], hedges: [], stands: [] },
    { pictures: photos.map((p) => ({ id: p.id, jpeg })) },
  );
}

/** Many years' records beside none: the first answer, the list of all of it drawn along, and a search in it. */
async function records() {
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const first = async (many) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" });
    const page = await context.newPage();
    await importGarden(page, url, recorded(many));
    // The page stays open for a while, as it does with a gardener: many records are then kept in one piece as well.
    await page.waitForTimeout(12_000);
    await context.addInitScript(() => {
      const look = () => {
        if (document.querySelector(".row-verdict")) window.__answered = performance.now();
        else requestAnimationFrame(look);
      };
      look();
    });
    const times = [];
    for (let i = 0; i < 7; i++) {
      await page.goto(`${url}/today?on=2026-05-01`);
      await page.waitForFunction(() => window.__answered !== undefined);
      times.push(await page.evaluate(() => window.__answered));
    }
    return { page, context, first: median(times) };
  };
  const none = await first(false);
  await none.context.close();
  const full = await first(true);
  console.log(
    `5,000 visits, 20,000 observations, 2,000 photos: first answer ${full.first.toFixed(0)} ms, with none ${none.first.toFixed(0)} ms (${(full.first / none.first).toFixed(2)} ×)`,
  );
  const { page } = full;
  await page.goto(`${url}/record`);
  await page.getByText("27,000 entries").or(page.getByText("27000 entries")).waitFor();
  const scrolled = await page.evaluate(async () => {
    const frame = () => new Promise((done) => requestAnimationFrame(done));
    const times = async (move) => {
      const out = [];
      for (let i = 0; i < 200; i++) {
        const t = performance.now();
        if (move) window.scrollBy(0, 400);
        await frame();
        await frame();
        out.push((performance.now() - t) / 2);
      }
      return out.sort((a, b) => a - b)[Math.floor(out.length * 0.95)];
    };
    return { still: await times(false), moved: await times(true) };
  });
  const searched = await page.evaluate(async () => {
    window.scrollTo(0, 0);
    const field = document.querySelector('input[type="search"]');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
    const status = () => [...document.querySelectorAll('[role="status"]')].map((s) => s.textContent).join(" ");
    const out = [];
    // Nobody types into a field that was not pressed.
    field.focus();
    await new Promise((done) => setTimeout(done, 200));
    // Each of them finds another number of entries than the one before.
    for (const word of ["4", "47", "479", "4791", "9", "91", "917", "9174"]) {
      const before = status();
      const t = performance.now();
      set.call(field, word);
      field.dispatchEvent(new Event("input", { bubbles: true }));
      while (status() === before && performance.now() - t < 2000) await new Promise((done) => setTimeout(done));
      out.push(performance.now() - t);
    }
    return out;
  });
  console.log(
    `27,000 entries drawn along: frame to frame within ${scrolled.moved.toFixed(0)} ms, an empty frame ${scrolled.still.toFixed(0)} ms; a letter of a search is answered in ${searched.map((x) => x.toFixed(0)).join(", ")} ms`,
  );
  await browser.close();
  await stop();
}

/** A garden file taken in as a gardener does it. */
async function importGarden(page, url, text) {
  const { mkdtempSync, rmSync, writeFileSync } = await import("node:fs");
  const { tmpdir } = await import("node:os");
  const dir = mkdtempSync(join(tmpdir(), "wren-bench-"));
  writeFileSync(join(dir, "garden.json"), text);
  await page.goto(`${url}/place`);
  await page.getByLabel("Garden file").setInputFiles(join(dir, "garden.json"));
  await page.getByRole("button", { name: "Import", exact: true }).click({ timeout: 120_000 });
  await page.getByRole("dialog").waitFor({ state: "hidden", timeout: 120_000 });
  rmSync(dir, { recursive: true });
}

/** How long 95 of 100 plain sums take in a page of which half take so many ms: what the machine alone adds. */
const plainSums = (page, half) =>
  page.evaluate(async (ms) => {
    const sum = (n) => {
      let s = 0;
      for (let i = 0; i < n; i++) s += Math.sqrt(i) * Math.sin(i);
      return s;
    };
    const frame = () => new Promise((done) => requestAnimationFrame(done));
    const took = async (n, count) => {
      const times = [];
      for (let i = 0; i < count; i++) {
        await frame();
        const t = performance.now();
        if (sum(n) === Infinity) throw new Error("never");
        times.push(performance.now() - t);
      }
      return times.sort((a, b) => a - b);
    };
    const tried = await took(2e5, 40);
    const times = await took(Math.round((2e5 * ms) / tried[20]), 200);
    return times[Math.floor(times.length * 0.95)];
  }, half);

/** The strip stepped day by day over 100 plants beside frames on which nothing happens; and what blocks while years are worked through. */
async function dragging() {
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await importGarden(page, url, await gardenOf(100));
  await page.addInitScript(() => {
    window.__long = [];
    new PerformanceObserver((l) =>
      l.getEntries().forEach((e) => window.__long.push([e.startTime, e.duration])),
    ).observe({
      type: "longtask",
      buffered: true,
    });
  });
  await page.goto(`${url}/today?on=2026-05-01`);
  await page.getByText(/ranges: \d+ %/).waitFor({ timeout: 20_000 });
  const began = await page.evaluate(() => performance.now());
  await page.getByText(/ranges: 300 years/).waitFor({ timeout: 120_000 });
  const ended = await page.evaluate(() => performance.now());
  const long = await page.evaluate(
    ([a, b]) => window.__long.filter(([t]) => t > a && t < b - 100).map(([, d]) => d),
    [began, ended],
  );
  /** Steps the day (or, below 0, only waits for frames): how long until the day's answers are laid out, and frame to frame. */
  const frames = (steps) =>
    page.evaluate(async (n) => {
      const slider = document.querySelector('[role="slider"][aria-label="Day of the year"]');
      slider.focus();
      const answers = document.querySelector("[data-answers]");
      const frame = () => new Promise((done) => requestAnimationFrame(done));
      const answered = () =>
        new Promise((done) => {
          const seen = new MutationObserver(() => {
            seen.disconnect();
            done(answers.offsetHeight);
          });
          seen.observe(answers, { attributes: true, attributeFilter: ["data-answers"] });
        });
      const within95 = (xs) => xs.sort((a, b) => a - b)[Math.floor(xs.length * 0.95)];
      const [until, between] = [[], []];
      await frame();
      for (let i = 0; i < Math.abs(n); i++) {
        const t = performance.now();
        if (n > 0) {
          const laidOut = answered();
          slider.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowRight", bubbles: true }));
          await laidOut;
          until.push(performance.now() - t);
        }
        await frame();
        between.push(performance.now() - t);
      }
      return { until: within95(until), median: until[until.length >> 1], between: within95(between) };
    }, steps);
  const empty = await frames(-120);
  // The engine compiles while the first days pass: a season later it is warm.
  await frames(90);
  const moved = await frames(365);
  await page.addStyleTag({ content: "body { visibility: hidden }" });
  await frames(30);
  const unpainted = await frames(365);
  const sums = await plainSums(page, moved.median);
  await browser.close();
  await stop();
  const ms = (n) => `${n.toFixed(0)} ms`;
  console.log(
    `the day stepped over 100 plants through a year: 95 % of its answers stand in the page within ${ms(moved.until)} (median ${ms(moved.median)}), an empty frame takes ${ms(empty.between)} (${(moved.until / empty.between).toFixed(1)} ×); frame to frame within ${ms(moved.between)}`,
  );
  console.log(
    `the same unpainted (this browser paints with the processor that answers): within ${ms(unpainted.until)}; frame to frame within ${ms(unpainted.between)}; plain sums of that median: within ${ms(sums)}`,
  );
  console.log(
    `while 300 years were worked through (${((ended - began) / 1000).toFixed(1)} s): ${long.length} tasks of the screen over 50 ms${long.length ? `, the longest ${Math.max(...long).toFixed(0)} ms` : ""}`,
  );
}

/** The largest shrub the drawing is made for: 60 stems of 10 side branches of 3 shoots. */
const sixtyStems = (plainStem) =>
  Array.from({ length: 60 }, (_, i) => ({
    ...plainStem(`s${i}`, 8 + (i % 30), 2 + (i % 7) / 10),
    turnDeg: (i * 137) % 360,
    leanDeg: i % 30,
    branches: Array.from({ length: 10 }, (_x, b) => ({
      at: 0.3 + b * 0.06,
      diameterMm: 4,
      lengthM: 0.4,
      turnDeg: b * 36,
      riseDeg: 45,
      dead: false,
      leafFrom: null,
      shoots: Array.from({ length: 3 }, (_y, c) => ({
        at: 0.4 + c * 0.2,
        diameterMm: 2,
        lengthM: 0.15,
        turnDeg: (b * 36 + c * 120) % 360,
        riseDeg: 60,
        dead: false,
      })),
    })),
  }));

/** One try on all of it, with what follows, beside a bare pass over as many points. */
async function tries() {
  const { CATALOGUE, date, demoGarden, openGarden, plainStem, shootsAt, tryOut, whatFollows } = core;
  const garden = demoGarden(date("2026-11-25"));
  const model = openGarden(garden, CATALOGUE);
  const plant = garden.plants.find((p) => p.id === "lilac-corner");
  const stems = sixtyStems(plainStem);
  const on = date("2027-06-01");
  const cutsOf = (n) =>
    stems
      .slice(0, n)
      .map((s, i) => (i % 2 ? { cut: "remove", stemId: s.id } : { cut: "head", stemId: s.id, keptM: s.lengthM * 0.6 }));
  const one = (n) => {
    const t = tryOut(model, { plant, stems, task: "shape", cuts: cutsOf(n) }, on);
    const follows = whatFollows(model, plant.id, t, on, 0);
    return shootsAt(model, plant.id, t, on, "three").length + follows.futures.length;
  };
  let sink = 0;
  // The points a drawing of all of it has, each turned once.
  const bare = () => {
    for (let i = 0; i < 60 * (13 + 10 * 4); i++) sink += Math.hypot(Math.cos(i), Math.sin(i) * i);
  };
  for (let n = 0; n < 40; n++) ((sink += one(n)), bare());
  const ns = Array.from({ length: 30 }, (_, i) => i + 5);
  const a = median(ns.map((n) => timed(() => (sink += one(n)))));
  const b = median(ns.map(() => timed(bare)));
  console.log(
    `a try on 60 stems of 10 side branches of 3 shoots, with what follows: ${a.toFixed(1)} ms of a frame's 16.7 (${(a / b).toFixed(0)} bare passes over its points)`,
  );
  if (sink < 0) console.log(sink);
}

/** Script that a page brings before it stands, zipped, kB: what its HTML names and nothing that comes later. */
async function scriptOf(page) {
  const { readFileSync } = await import("node:fs");
  const { gzipSync } = await import("node:zlib");
  const dist = join(root, "web/dist");
  const named = [...readFileSync(join(dist, page), "utf8").matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)];
  return (
    [...new Set(named.map((m) => m[1]))].reduce((n, f) => n + gzipSync(readFileSync(join(dist, f))).length, 0) / 1000
  );
}

/** The empty page, built by itself as any page would be, beside the application; gives what takes it away again. */
async function withEmptyPage() {
  const { readdirSync, rmSync } = await import("node:fs");
  const dist = join(root, "web/dist");
  const before = new Set(readdirSync(dist, { recursive: true }));
  await build({
    configFile: false,
    root: join(root, "web"),
    publicDir: false,
    logLevel: "error",
    build: {
      target: "es2022",
      emptyOutDir: false,
      rolldownOptions: { input: { blank: join(root, "web/blank.html") } },
    },
  });
  return () => {
    for (const f of readdirSync(dist, { recursive: true }))
      if (!before.has(f)) rmSync(join(dist, f), { recursive: true, force: true });
  };
}

/** The first answer of a first visit beside the paint of an empty page of the same framework, also four times slowed. */
async function paint() {
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const takeAway = await withEmptyPage();
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const measure = async (page, path) => {
    await page.goto(url + path);
    const painted = () => performance.getEntriesByName("first-contentful-paint")[0]?.startTime;
    await page.waitForFunction(
      () => window.__answered !== undefined && performance.getEntriesByName("first-contentful-paint").length > 0,
    );
    const [paint, inPage] = [await page.evaluate(painted), await page.evaluate(() => window.__answered)];
    // What stands in the page before anything was painted is seen with the first paint.
    return { paint, answer: Math.max(paint, inPage) };
  };
  for (const slowed of [1, 4]) {
    const rows = { empty: [], first: [], again: [] };
    for (let i = 0; i < 7; i++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" });
      await context.addInitScript(() => {
        // An answer is a verdict on screen; on the empty page its heading.
        const look = () => {
          if (
            document.querySelector(".row-verdict") ??
            (location.pathname === "/blank.html" && document.querySelector("h1"))
          )
            window.__answered = performance.now();
          else requestAnimationFrame(look);
        };
        look();
      });
      const page = await context.newPage();
      const devtools = await context.newCDPSession(page);
      await devtools.send("Emulation.setCPUThrottlingRate", { rate: slowed });
      rows.empty.push(await measure(page, "/blank.html"));
      rows.first.push(await measure(page, "/today"));
      rows.again.push(await measure(page, "/today"));
      await context.close();
    }
    const of = (list, key) => median(list.map((r) => r[key]));
    const base = of(rows.empty, "paint");
    const line = (name, list) =>
      console.log(
        `${slowed === 1 ? "" : `${slowed} times slowed, `}${name}: first paint ${of(list, "paint").toFixed(0)} ms, first answer ${of(list, "answer").toFixed(0)} ms (${(of(list, "answer") / base).toFixed(1)} × the empty page's paint of ${base.toFixed(0)} ms)`,
      );
    line("demo garden, first visit", rows.first);
    line("demo garden, later visit", rows.again);
  }
  await browser.close();
  await stop();
  const [first, empty] = [await scriptOf("index.html"), await scriptOf("blank.html")];
  takeAway();
  console.log(
    `script of the first screen: ${first.toFixed(0)} kB zipped, of the empty page ${empty.toFixed(0)} kB (${(first / empty).toFixed(2)} ×)`,
  );
}

/** The Garden with so many plants, from the press to what stands in the page; and an edit beside many photos. */
async function large() {
  const { date, demoGarden, writeGardenFile } = core;
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const demo = demoGarden(date("2026-11-25"));
  const bare = { visits: [], observations: [], plans: [], programmes: [], stands: [], hedges: [], viewpoints: [] };
  const withPlants = (n) => {
    const beds = demo.beds.map((b) => ({ ...b, lengthM: 200 }));
    const plants = Array.from({ length: n }, (_, i) => ({
      ...demo.plants[i % demo.plants.length],
      id: `p-${i}`,
      label: `Plant ${i}`,
      views: [],
      bedId: beds[i % beds.length].id,
      alongM: Math.min(200, (Math.floor(i / beds.length) * 200 * beds.length) / n),
    }));
    return writeGardenFile({ ...demo, ...bare, beds, plants });
  };
  const fresh = async (text) => {
    const page = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" })
    ).newPage();
    await importGarden(page, url, text);
    return page;
  };
  const opened = async (page) => {
    const took = [];
    for (let i = 0; i < 5; i++) {
      await page.getByRole("link", { name: "Today", exact: true }).click();
      await page.getByRole("heading", { level: 1, name: "What may I cut?" }).waitFor();
      await page.waitForTimeout(300);
      took.push(
        await page.evaluate(async () => {
          const t = performance.now();
          [...document.querySelectorAll("nav a")].find((a) => a.textContent === "Garden").click();
          const frame = () => new Promise((done) => requestAnimationFrame(done));
          while (![...document.querySelectorAll("main a")].some((a) => a.textContent === "Plant 0")) await frame();
          await frame();
          return performance.now() - t;
        }),
      );
    }
    return median(took.slice(1));
  };
  const times = [];
  for (const n of [100, 5000]) {
    const page = await fresh(withPlants(n));
    times.push(await opened(page));
    await page.context().close();
  }
  console.log(
    `the Garden opened: 100 plants ${times[0].toFixed(0)} ms, 5,000 plants ${times[1].toFixed(0)} ms (${(times[1] / times[0]).toFixed(1)} ×)`,
  );

  const edits = [];
  for (const n of [0, 500]) {
    const photos = Array.from({ length: n }, (_, i) => ({
      id: `f-${i}`,
      plantId: demo.plants[0].id,
      on: "2026-05-01",
      caption: "",
    }));
    const jpeg = "A".repeat(80_000);
    const page = await fresh(
      writeGardenFile(
        { ...demo, ...bare, plants: demo.plants.map((p) => ({ ...p, views: [] })), photos },
        { pictures: photos.map(({ id }) => ({ id, jpeg })) },
      ),
    );
    await page.getByRole("link", { name: "Garden", exact: true }).click();
    await page
      .getByRole("button", { name: /^Move .* down$/ })
      .first()
      .waitFor();
    edits.push(
      median(
        await page.evaluate(async () => {
          const took = [];
          for (let i = 0; i < 15; i++) {
            const t = performance.now();
            await new Promise((done) => {
              const last = document.querySelector(".notice");
              const seen = new MutationObserver(() => {
                const now = document.querySelector(".notice");
                if (now === null || now === last) return;
                seen.disconnect();
                done();
              });
              seen.observe(document.body, { subtree: true, childList: true });
              [...document.querySelectorAll("button[aria-label]")]
                .find((b) => /^Move .* down$/.test(b.ariaLabel))
                .click();
            });
            took.push(performance.now() - t);
            await new Promise((done) => setTimeout(done, 30));
          }
          return took.slice(3);
        }),
      ),
    );
    await page.context().close();
  }
  console.log(
    `an edit, from the press until it is acknowledged: ${edits[0].toFixed(0)} ms without photos, ${edits[1].toFixed(0)} ms with 500 of 60 kB (${(edits[1] / edits[0]).toFixed(2)} ×)`,
  );
  await browser.close();
  await stop();
}

/** The line of the shears dragged over the drawing of 60 × 10: how long until ring, flowers and silhouette answer. */
async function shearing() {
  const { date, demoGarden, plainStem, writeGardenFile } = core;
  const demo = demoGarden(date("2026-11-25"));
  const stand = {
    id: "sixty",
    plantId: "lilac-corner",
    on: "2026-05-01",
    stems: sixtyStems(plainStem),
    tries: [{ id: "t1", task: "shape", cuts: [{ cut: "shear", heightM: 2, widthM: 2 }] }],
    chosen: null,
    note: "",
  };
  const text = writeGardenFile({ ...demo, stands: [stand], programmes: [] });
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await importGarden(page, url, text);
  await page.goto(`${url}/plant/lilac-corner/bench?on=2026-06-10`);
  await page.getByRole("button", { name: "The year", exact: true }).click();
  await page.getByText(/ranges: 300 years/).waitFor({ timeout: 120_000 });
  await page.locator("[data-shear-line]").waitFor();
  /** Moves a thing of the drawing up and down under the pointer, and waits for each answer. */
  const drag = (what, n) =>
    page.evaluate(
      async ([selector, count]) => {
        const outcome = document.querySelector('[aria-label="What this try amounts to"]');
        const sheet = document.querySelector("[data-sheet]").getBoundingClientRect();
        const frame = () => new Promise((done) => requestAnimationFrame(done));
        const times = [];
        for (let i = 0; i < count; i++) {
          await frame();
          const thing = document.querySelector(selector);
          const box = thing.getBoundingClientRect();
          const answered = new Promise((done) => {
            const seen = new MutationObserver(() => {
              seen.disconnect();
              done(outcome.offsetHeight);
            });
            seen.observe(outcome, { subtree: true, childList: true, characterData: true, attributes: true });
            setTimeout(() => done(null), 200);
          });
          const clientY = sheet.y + sheet.height * (0.35 + 0.25 * Math.abs(((i * 3) % 40) / 20 - 1));
          const clientX = box.x + box.width / 2;
          const t = performance.now();
          thing.dispatchEvent(
            new PointerEvent("pointermove", { bubbles: true, pointerId: 1, buttons: 1, clientX, clientY }),
          );
          if ((await answered) !== null) times.push(performance.now() - t);
        }
        times.sort((x, y) => x - y);
        return [times[Math.floor(times.length / 2)], times[Math.floor(times.length * 0.95)]];
      },
      [what, n],
    );
  await drag("[data-shear-line]", 40);
  const outline = await drag("[data-shear-line]", 120);
  await page.getByRole("button", { name: "Put all back" }).click();
  await page.getByRole("button", { name: /^Stem 30 / }).click();
  await page.locator("[data-sheet]").scrollIntoViewIfNeeded();
  await page.locator("[data-handle]").scrollIntoViewIfNeeded();
  const end = await page.locator("[data-handle]").boundingBox();
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2);
  await page.mouse.down();
  await drag("[data-handle]", 40);
  const stem = await drag("[data-handle]", 120);
  const sums = await plainSums(page, outline[0]);
  await browser.close();
  await stop();
  const ms = ([half, most]) => `after ${half.toFixed(0)} ms, 95 % within ${most.toFixed(0)} ms`;
  console.log(
    `tries dragged over 60 stems of 10 side branches of 3 shoots, of a frame's 16.7 ms: one stem answers ${ms(stem)}; all of them sheared answer ${ms(outline)}; plain sums of that median take within ${sums.toFixed(0)} ms`,
  );
}

/** Each town's months from the others, in degrees, and how long a town takes to answer against one that has its months. */
async function towns() {
  const { TOWN_ROWS, townsFrom, climateNear, climateOf, meansOf, monthsKnown } = core;
  const all = townsFrom(TOWN_ROWS);
  const none = { zone: null, lastFrost: null, firstFrost: null };
  const said = (t) => ({
    latitudeDeg: t.latitudeDeg,
    zone: t.zone,
    lastFrost: t.lastFrost,
    firstFrost: t.firstFrost,
    noFrost: t.lastFrost === null,
  });
  const without = (t) =>
    climateNear(
      all.filter((x) => x !== t),
      t,
    );
  const ways = {
    "by place alone": (t) => ({ latitudeDeg: t.latitudeDeg, ...none, near: without(t) }),
    "with zone and frost dates": (t) => ({ ...said(t), near: without(t) }),
    "zone, frost dates, latitude": said,
  };
  for (const [name, of] of Object.entries(ways)) {
    const off = all.flatMap((t) => {
      const truth = meansOf(t);
      return [...monthsKnown(of(t)).mean].map((m, i) => Math.abs(m - truth[i]));
    });
    const sorted = off.toSorted((a, b) => a - b);
    const at = (p) => sorted[Math.floor(p * sorted.length)].toFixed(2);
    console.log(`towns left out in turn, ${name}: ${at(0.5)} °C at the median, ${at(0.9)} in nine of ten`);
  }
  const named = timed(() => all.forEach((t) => climateOf({ ...said(t), near: climateNear(all, t) })));
  const own = timed(() =>
    all.forEach((t) =>
      climateOf({
        ...none,
        latitudeDeg: t.latitudeDeg,
        monthly: { tminC: t.tminC, tmaxC: t.tmaxC, sdMinC: null, sdMeanC: null },
      }),
    ),
  );
  console.log(
    `a town named: ${(named / all.length).toFixed(1)} ms with its doubt, ${(named / own).toFixed(1)} × a place with its own months`,
  );
}

/** Hedges: a year's light of both faces beside a reference library at the same places of the sun, and a dragged batter. */
async function hedges() {
  const { CATALOGUE, date, demoGarden, hedgeStands, hedgeTo, openGarden, wantedSection, workLight } = core;
  const { Body, Equator, Horizon, Observer } = await import("astronomy-engine");
  const garden = demoGarden(date("2026-06-10"));
  const model = openGarden(garden, CATALOGUE);
  const [hedge] = garden.hedges;
  const stands = hedgeStands(model, hedge, date("2026-06-10"));
  const wanted = wantedSection(stands);
  const asked = {
    now: stands.now,
    then: wanted,
    screens: { front: hedge.front.screen, back: hedge.back.screen },
    facesDeg: hedge.facesDeg,
    latitudeDeg: garden.place.latitudeDeg,
    hemisphere: "north",
  };
  const ours = median([1, 2, 3, 4, 5].map(() => timed(() => [...workLight(asked)])));
  // The same places of the sun: of each of twelve days one every minute and a half, once for each of 40 heights.
  const observer = new Observer(garden.place.latitudeDeg, 0, 0);
  const positions = (n) => {
    let up = 0;
    for (let i = 0; i < n; i++) {
      const at = new Date(Date.UTC(2026, i % 12, 15, 0, i));
      const e = Equator(Body.Sun, at, observer, true, true);
      if (Horizon(at, observer, e.ra, e.dec, "normal").altitude > 0) up++;
    }
    return up;
  };
  const some = 2000;
  const theirs = (timed(() => positions(some)) / some) * 12 * 960 * 40;
  console.log(
    `hedge: a year's light of both faces at 10 heights, as it stands and as it would: ${ours.toFixed(0)} ms; a reference library takes ${(theirs / 1000).toFixed(1)} s for the same places of the sun (${(ours / theirs).toFixed(3)} ×)`,
  );
  const lean = (deg) => ({ ...wanted, batterDeg: { ...wanted.batterDeg, front: deg } });
  const steps = Array.from({ length: 120 }, (_, i) => i / 10);
  const each = steps.map((deg) => timed(() => hedgeTo(model, stands, lean(deg)))).toSorted((a, b) => a - b);
  console.log(
    `hedge: a batter dragged: section, share, strings, light and way back within ${each[Math.floor(each.length * 0.95)].toFixed(1)} ms (median ${median(each).toFixed(1)})`,
  );
  await leaning();
}
/** The same in the browser: from the step of a key to what stands in the page, beside an empty frame. */
async function leaning() {
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/hedges/hedge-yew?on=2026-06-10`);
  const handle = page.getByRole("slider", { name: "Lean of the front" }).first();
  await handle.waitFor();
  const box = await handle.boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  const told = await page.evaluate(
    async ([x, y]) => {
      const frame = () => new Promise((done) => requestAnimationFrame(done));
      const answer = document.querySelector('[aria-label="What this hedge comes to"]');
      const held = document.elementFromPoint(x, y);
      const [answers, empty] = [[], []];
      for (let i = 0; i < 90; i++) {
        const t = performance.now();
        await frame();
        empty.push(performance.now() - t);
      }
      // The engine compiles while the first moves pass.
      for (let i = -60; i < 90; i++) {
        await frame();
        const t = performance.now();
        const to = { clientX: x + 20 * Math.sin(i / 9), clientY: y, pointerId: 1, buttons: 1, bubbles: true };
        held.dispatchEvent(new PointerEvent("pointermove", to));
        answer.offsetHeight;
        if (i >= 0) answers.push(performance.now() - t);
      }
      const at95 = (xs) => xs.sort((a, b) => a - b)[Math.floor(xs.length * 0.95)];
      return { until: at95(answers), median: answers[answers.length >> 1], empty: at95(empty) };
    },
    [box.x + box.width / 2, box.y + box.height / 2],
  );
  await page.mouse.up();
  await browser.close();
  await stop();
  console.log(
    `hedge: dragged in the browser the answer stands in the page within ${told.until.toFixed(0)} ms (median ${told.median.toFixed(0)}); an empty frame takes ${told.empty.toFixed(0)} ms`,
  );
}

/** A garden of so many kinds, two half-days a week: what is due in twelve weeks makes more than a hundred jobs. */
function dueGarden(on, count = 220) {
  const { CATALOGUE, demoGarden } = core;
  const demo = demoGarden(on);
  const kinds = CATALOGUE.taxa.filter((t) => t.group !== "unknown");
  const plants = Array.from({ length: count }, (_, i) => {
    const kind = kinds[(i * 37) % kinds.length];
    return {
      ...demo.plants[0],
      id: `p-${i}`,
      label: `Plant ${i}`,
      bedId: demo.beds[i % demo.beds.length].id,
      alongM: (i % 30) / 2,
      taxonId: kind.id,
      heightM: Math.min(3, (kind.matureHeightM[0] + kind.matureHeightM[1]) / 2),
      widthM: 1,
      goal: { ...demo.plants[0].goal, kind: "routine", heightM: null, lines: [] },
      views: [],
      pairedWith: null,
    };
  });
  const halves = [
    { weekday: 6, half: "morning", minutes: 150 },
    { weekday: 0, half: "afternoon", minutes: 150 },
  ];
  const bare = { visits: [], observations: [], plans: [], programmes: [], stands: [], hedges: [], viewpoints: [] };
  return { ...demo, ...bare, plants, rules: { ...demo.rules, time: { week: halves, otherwise: [], easy: true } } };
}

/** Work days: 120 jobs into 24 half-days, all that is done for it beside the solver alone on the same matrix; and in the browser. */
async function workdays() {
  const { CATALOGUE, costOf, date, fromColumns, halfDaysOf, jobsOf, openGarden, problemOf, pulledForward } = core;
  const { toProgram, writeGardenFile } = core;
  const { solve } = await built("solver", "web/src/worker/solver.ts");
  const highs = await (await import("highs")).default();
  for (const day of ["2026-03-10", "2026-05-20"]) {
    const on = date(day);
    const model = openGarden(dueGarden(on), CATALOGUE);
    const all = jobsOf(model, on, 84).slice(0, 120);
    const ids = new Set(all.map((j) => j.id));
    const jobs = all.map((j) => ({ ...j, after: j.after.filter((id) => ids.has(id)) }));
    const halves = halfDaysOf(model, on, 84);
    const priced = median(
      [1, 2, 3].map(() => timed(() => problemOf(openGarden(model.garden, CATALOGUE, model.cache), jobs, halves))),
    );
    let gap = 1;
    const whole = [];
    const alone = [];
    for (let i = 0; i < 5; i++) {
      const p = problemOf(model, jobs, halves);
      whole.push(
        timed(() => {
          const program = toProgram(p);
          const solved = solve(highs, program);
          gap = solved.gap;
          costOf(p, pulledForward(p, fromColumns(p, program, solved.values)));
        }),
      );
      const program = toProgram(p);
      alone.push(timed(() => solve(highs, program)));
    }
    console.log(
      `work days, ${day}: ${jobs.length} jobs into ${halves.length} half-days: priced within ${priced.toFixed(0)} ms, fitted within ${median(whole).toFixed(0)}, gap ${gap}; ${(median(whole) / median(alone)).toFixed(2)} × the solver alone on the same matrix`,
    );
  }
  const executablePath = ensureChromium();
  const { chromium } = await import("@playwright/test");
  const { url, stop } = await startServer();
  const browser = await chromium.launch({ executablePath, args: QUIET_CHROMIUM });
  const page = await (await browser.newContext({ serviceWorkers: "block" })).newPage();
  await importGarden(page, url, writeGardenFile(dueGarden(date("2026-03-10"), 158)));
  const began = performance.now();
  await page.goto(`${url}/days?on=2026-03-10&days=84`);
  const plan = page.getByRole("status", { name: "The plan" });
  await plan.waitFor();
  console.log(
    `work days in the browser: the address opened, ${(await plan.textContent()).trim()} ${(performance.now() - began).toFixed(0)} ms`,
  );
  await browser.close();
  await stop();
}

/** A garden of 500 plants and 20,000 records: read from its file, merged and first answered, beside parsing its text alone; an archive beside unzipping alone. */
async function exchange() {
  const {
    CATALOGUE,
    adviseOn,
    date,
    demoGarden,
    kindCache,
    mergeGardens,
    openGarden,
    openGardenFile,
    writeGardenFile,
  } = core;
  const { strToU8, unzipSync, zipSync } = await import("fflate");
  const { openArchive } = await built("openArchive", "web/src/data/openArchive.ts");
  const { digestOf } = await built("archiveFormat", "web/src/data/archiveFormat.ts");
  const today = date("2026-11-25");
  const demo = demoGarden(today);
  const plants = Array.from({ length: 500 }, (_, i) => ({
    ...demo.plants[i % demo.plants.length],
    id: `p-${i}`,
    pairedWith: null,
    parentId: null,
  }));
  const visits = Array.from({ length: 20_000 }, (_, i) => ({
    ...demo.visits[i % demo.visits.length],
    id: `v-${i}`,
    plantId: `p-${i % 500}`,
  }));
  const none = { observations: [], photos: [], plans: [], programmes: [], stands: [], hedges: [], works: [] };
  const base = { ...demo, ...none, plants: plants.map((p) => ({ ...p, plantedOn: null })), visits };
  const noted = (every, note) => ({
    ...base,
    visits: base.visits.map((v, i) => (i % every === 0 ? { ...v, note } : v)),
  });
  const [own, theirs] = [noted(7, "here"), noted(11, "there")];
  const text = writeGardenFile(base);
  const ground = { catalogue: CATALOGUE, today };
  const cache = kindCache(base);
  const of = (f) => (f(), median([1, 2, 3].map(() => timed(f))));
  const parsing = of(() => JSON.parse(text));
  for (const [name, f] of [
    ["read and checked", () => openGardenFile(text, CATALOGUE, today)],
    ["merged", () => mergeGardens({ base, own, theirs, ground })],
    ["opened and its first plant answered", () => adviseOn(openGarden(base, CATALOGUE, cache), "p-0", today)],
  ])
    console.log(
      `garden of 500 plants and 20,000 visits ${name}: ${(of(f) / parsing).toFixed(1)} times parsing its text alone`,
    );
  const files = { "garden.json": strToU8(text) };
  for (let i = 0; i < 100; i++) files[`pictures/f${i}.jpg`] = new Uint8Array(400_000).fill(i);
  const digests = await Promise.all(Object.entries(files).map(async ([n, b]) => [n, await digestOf(b)]));
  const manifest = { format: "wren-song-archive", version: 1, files: Object.fromEntries(digests) };
  const zip = zipSync({
    ...Object.fromEntries(Object.entries(files).map(([n, b]) => [n, [b, { level: n.endsWith(".jpg") ? 0 : 6 }]])),
    "contents.json": strToU8(JSON.stringify(manifest)),
  });
  const unzip = of(() => unzipSync(zip));
  const began = performance.now();
  let step;
  const steps = openArchive(new Blob([zip]));
  do step = await steps.next();
  while (!step.done);
  if (!step.value.ok) throw new Error(step.value.problems.join());
  const whole = performance.now() - began;
  console.log(
    `archive of ${(zip.length / 1e6).toFixed(0)} MB: opened and held against its digests in ${(whole / unzip).toFixed(1)} times unzipping alone`,
  );
}

const PARTS = {
  exchange,
  verdicts,
  years,
  tables,
  tries,
  towns,
  hedges,
  workdays,
  records,
  paint,
  large,
  drag: dragging,
  shear: shearing,
};
const only = process.argv[2];
if (only !== undefined && !(only in PARTS))
  throw new Error(`no part of the bench is called ${only}: expected one of ${Object.keys(PARTS).join(", ")}`);
for (const [name, part] of Object.entries(PARTS)) if (only === undefined || only === name) await part();
