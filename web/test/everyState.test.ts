/** Whatever the screens can make of a garden goes out as a file and comes in again unchanged: random walks over their edits. */
import { expect, test } from "@jest/globals";
import {
  addDays,
  CATALOGUE,
  date,
  demoGarden,
  gate,
  issueText,
  namedBy,
  openGardenFile,
  PLAIN_SIGHT,
  KEYS,
  stemsFromTally,
  NO_STEMS,
  UNSURVEYED_BED,
  withWeather,
  writeGardenFile,
  type Garden,
  type PlainDate,
  type WeatherYear,
  buildOf,
} from "@wren/core";
import fc from "fast-check";
import { plantFrom, plantInput, plantSchema } from "../src/forms/plantForm.ts";
import { visitFrom, visitInput, visitSchema } from "../src/screens/record/visitForm.ts";
import { newStand, withCuts, withoutStem, withStand } from "../src/screens/bench/standEdits.ts";
import { withPressed } from "../src/screens/walk/walk.ts";
import {
  copyOf,
  seenDay,
  withoutBed,
  withoutPlant,
  withoutViewpoint,
  withPatch,
  withProgramme,
  withYoung,
  withRow,
  withVisit,
} from "../src/state/edits.ts";
import { Refused } from "../src/data/refused.ts";
import { withSeen } from "../src/state/seen.ts";

const today = date("2026-07-01");
const ground = { catalogue: CATALOGUE, today };

/** One edit as a screen makes it; numbers choose among what is there. */
type Act = (g: Garden, n: number, id: string) => Garden;
const at = <T>(xs: readonly T[], n: number): T | undefined => xs[n % Math.max(1, xs.length)];
const day = (n: number): PlainDate => addDays(today, -(n % 1500));
const onPlant =
  (act: (g: Garden, p: Garden["plants"][number], n: number, id: string) => Garden): Act =>
  (g, n, id) => {
    const p = at(g.plants, n);
    return p ? act(g, p, n, id) : g;
  };
const year = (n: number): WeatherYear => ({
  id: `weather-${2020 + (n % 6)}`,
  year: 2020 + (n % 6),
  source: "own",
  tminC: [n % 3 === 0 ? null : (n % 30) - 10],
  tmaxC: [n % 3 === 1 ? null : (n % 30) - 6],
  rainMm: [null],
});

const ACTS: Readonly<Record<string, Act>> = {
  walk: (g, n, id) => {
    const bed = at(g.beds, n);
    const pressed = {
      kind: at(CATALOGUE.taxa, n)!.id,
      label: "",
      heightM: 0.1 + (n % 300) / 100,
      wantedM: null,
      count: 1 + (n % 3),
    };
    let i = 0;
    return bed
      ? withPressed(
          g,
          { ...pressed, bedId: bed.id, age: "few", look: "healthy", form: null, danger: "none", goal: "routine" },
          today,
          () => `${id}-${i++}`,
        )
      : g;
  },
  changePlant: onPlant((g, p, n) => {
    const records = [...g.visits, ...g.observations, ...g.photos].filter((r) => r.plantId === p.id).map((r) => r.on);
    const form = plantSchema("metric", today, records.sort()[0] ?? null);
    const typed = {
      ...plantInput(p, "metric"),
      height: String(1 + (n % 4000)),
      width: String(1 + (n % 900)),
      plantedOn: day(n),
      historyKnown: n % 3 ? "yes" : "no",
    } as const;
    const r = form.safeParse(typed);
    return r.success ? withPatch(g, "plants", p, plantFrom(r.data, p, today, p)) : g;
  }),
  move: onPlant((g, p, n) => {
    const bed = at(g.beds, n)!;
    return withRow(g, "plants", p, (x) => ({ ...x, bedId: bed.id, alongM: n % Math.ceil(bed.lengthM) }));
  }),
  copy: onPlant((g, p, _, id) => ({ ...g, plants: [...g.plants, copyOf(p, g, id)] })),
  young: onPlant((g, p, n, id) => withYoung(g, p, seenDay(p, day(n), today), [id])),
  remove: onPlant((g, p) => withoutPlant(g, p.id)),
  visit: onPlant((g, p, n, id) => {
    const start = {
      task: "shape",
      on: seenDay(p, day(n), today),
      heightM: p.heightM,
      percent: n % 101,
      units: "metric",
    } as const;
    const more = n % 2 ? {} : ({ measure: "stems", live: String(1 + (n % 40)), removed: String(n % 40) } as const);
    const r = visitSchema("metric", today, p.plantedOn).safeParse({ ...visitInput(start), ...more });
    return r.success ? withVisit(g, visitFrom(r.data, { id, plantId: p.id, regime: "upkeep" })) : g;
  }),
  seen: onPlant((g, p, n, id) =>
    withSeen(g, {
      id,
      plantId: p.id,
      on: seenDay(p, day(n), today),
      kind: n % 2 ? "first-flower" : "growth-seen",
      ...PLAIN_SIGHT,
    }),
  ),
  photo: onPlant((g, p, n, id) => ({
    ...g,
    photos: [...g.photos, { id, plantId: p.id, on: seenDay(p, day(n), today), caption: "" }],
  })),
  plan: onPlant((g, p, n, id) => ({
    ...g,
    plans: [
      ...g.plans,
      {
        id,
        plantId: p.id,
        on: addDays(today, n % 400),
        task: "shape",
        madeOn: today,
        half: null,
        fixed: false,
        note: "",
      },
    ],
  })),
  begin: onPlant((g, p, n, id) => withProgramme(g, { id, plantId: p.id, on: day(n), way: "thirds", aimM: null })),
  count: onPlant((g, p, n, id) => {
    const stems = stemsFromTally(
      { ...NO_STEMS, thick: 1 + (n % 9), thin: n % 5 },
      p,
      buildOf(CATALOGUE.byId(p.taxonId)!, p.form),
    );
    return withStand(g, newStand(id, p.id, seenDay(p, day(n), today), stems));
  }),
  cut: (g, n) => {
    const s = at(g.stands, n);
    const stem = s && at(s.stems, n);
    return stem ? withStand(g, withCuts(s, "t1", "thin", [{ cut: "remove", stemId: stem.id }])) : g;
  },
  stemGone: (g, n) => {
    const s = at(g.stands, n);
    const stem = s && at(s.stems, n);
    return stem ? withStand(g, withoutStem(s, stem.id)) : g;
  },
  bed: (g, n, id) => ({
    ...g,
    beds: [
      ...g.beds,
      { ...UNSURVEYED_BED, id, name: `Bed ${n}`, lengthM: 0.1 + (n % 199), order: g.beds.length, note: "" },
    ],
  }),
  bedGone: (g, n) => {
    const b = at(g.beds, n);
    return b ? withoutBed(g, b.id) : g;
  },
  viewpoint: (g, n, id) => {
    const b = at(g.beds, n);
    return b
      ? {
          ...g,
          viewpoints: [...g.viewpoints, { id, name: "Seat", bedId: b.id, eyeHeightM: 1.2, distanceM: 3, alongM: 0 }],
        }
      : g;
  },
  view: onPlant((g, p, n) => {
    const v = at(g.viewpoints, n);
    return v
      ? withPatch(g, "plants", p, { ...p, views: [{ viewpointId: v.id, want: "hide", targetM: 1, beyondM: 2 }] })
      : g;
  }),
  viewpointGone: (g, n) => {
    const v = at(g.viewpoints, n);
    return v ? withoutViewpoint(g, v.id) : g;
  },
  name: onPlant((g, p, n) => {
    const key = at(KEYS, n)!;
    return withPatch(g, "plants", p, { ...p, ...namedBy(key, {}, today) });
  }),
  weather: (g, n) => withWeather(g, [year(n)]),
};

test("a walk of edits, each written as a file and read again: the same garden, to the letter", () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom(...Object.keys(ACTS)), fc.nat(20_000)), { minLength: 4, maxLength: 14 }),
      (steps) => {
        let g = demoGarden(today);
        steps.forEach(([name, n], i) => {
          let next: Garden;
          try {
            next = ACTS[name]!(g, n, `new-${i}`);
          } catch (e) {
            if (e instanceof Refused) return;
            throw e;
          }
          const through = gate(g, next, ground);
          // What a screen makes is let through, or refused; nothing else becomes of it.
          if (!through.ok) return;
          g = through.value;
          const text = writeGardenFile(g);
          const back = openGardenFile(text, CATALOGUE, today);
          if (!back.ok) throw new Error(`${name}: ${back.issues.map(issueText).join(" ")}`);
          expect(back.value.garden).toEqual(g);
          expect(writeGardenFile(back.value.garden)).toBe(text);
        });
      },
    ),
    { numRuns: 15 },
  );
});

test("every kind of edit is let through where nothing stands against it", () => {
  const passed = Object.entries(ACTS).filter(([, act]) =>
    [1, 2, 5, 12].some((n) => {
      const g = demoGarden(today);
      try {
        const next = act(act(g, n, "one"), n + 1, "two");
        return next !== g && gate(g, next, ground).ok;
      } catch {
        return false;
      }
    }),
  );
  expect(Object.keys(ACTS).filter((a) => !passed.some(([b]) => a === b))).toEqual(["bedGone"]);
});
