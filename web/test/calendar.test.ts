import { describe, expect, test } from "@jest/globals";
import { addDays, CATALOGUE, date, demoGarden, openGarden, remindersOf, voiceOf, type PlainDate } from "@wren/core";
import ICAL from "ical.js";
import { calendarFile } from "../src/data/calendarFile.ts";

const on = date("2026-02-20");
const model = openGarden(demoGarden(on), CATALOGUE);
const reminders = remindersOf(model, on);
const now = new Date("2026-02-20T09:30:00Z");
const write = (rs = reminders, day: PlainDate = on): string => calendarFile(rs, model, voiceOf("metric"), day, now);

/** Read back by another package than the one that writes. */
const events = (text: string): ICAL.Component[] =>
  new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents("vevent");
const value = (e: ICAL.Component, name: string): string => String(e.getFirstPropertyValue(name));

describe("the calendar file (RFC 5545, read by another parser)", () => {
  const text = write();

  test("one event per reminder, all day, its end the day after its last, with an alarm and a stamp in UTC", () => {
    const all = events(text);
    expect(all.length).toBe(reminders.length);
    expect(reminders.length).toBeGreaterThan(10);
    for (const [i, r] of reminders.entries()) {
      const e = all.find((x) => value(x, "uid") === `${r.uid}@wren-song`)!;
      expect([i, value(e, "dtstart")]).toEqual([i, r.from]);
      expect(value(e, "dtend")).toBe(addDays(r.until, 1));
      expect(value(e, "dtstamp")).toBe("2026-02-20T09:30:00Z");
      const [alarm] = e.getAllSubcomponents("valarm");
      expect(String(alarm!.getFirstPropertyValue("action"))).toBe("DISPLAY");
      expect(alarm!.getFirstPropertyValue("description")).toBe(e.getFirstPropertyValue("summary"));
    }
  });

  test("lines end in CRLF and none is longer than 75 octets; no method, one version", () => {
    const lines = text.split("\r\n");
    expect(text).not.toMatch(/[^\r]\n/);
    for (const l of lines) expect(new TextEncoder().encode(l).length).toBeLessThanOrEqual(75);
    expect(lines.filter((l) => l.startsWith("METHOD"))).toEqual([]);
    expect(lines.filter((l) => l === "VERSION:2.0").length).toBe(1);
  });

  test("a name with line breaks, control characters and signs is one line of text; the file ends as every line", () => {
    const named = openGarden(
      {
        ...model.garden,
        name: "Mill\r\nX-EVIL:1; \\ a,\u0007b",
        plants: model.garden.plants.map((p) => ({ ...p, label: "Rose\u0000\u001b\nX-MORE:1" })),
      },
      CATALOGUE,
    );
    const text = calendarFile(remindersOf(named, on), named, voiceOf("metric"), on, now);
    expect(text).not.toMatch(/^X-(EVIL|MORE)/m);
    // eslint-disable-next-line no-control-regex
    expect(text).not.toMatch(/[\u0000-\u0009\u000b\u000c\u000e-\u001f\u007f]/);
    expect(text.endsWith("END:VCALENDAR\r\n")).toBe(true);
    const calendar = new ICAL.Component(ICAL.parse(text) as never);
    expect(calendar.getFirstPropertyValue("x-wr-calname")).toBe("Mill X-EVIL:1\\; \\\\ a\\,b");
    expect(value(events(text)[0]!, "summary")).toContain("Rose\nX-MORE:1");
  });

  test("commas, semicolons, backslashes and accents survive", () => {
    const odd = "Rose; \\ the „café“, red";
    const named = openGarden(
      { ...model.garden, plants: model.garden.plants.map((p) => ({ ...p, label: odd })) },
      CATALOGUE,
    );
    const [e] = events(calendarFile(remindersOf(named, on).slice(0, 1), named, voiceOf("metric"), on, now));
    expect(value(e!, "summary")).toContain(odd);
  });

  test("a later export keeps the ids and raises the sequence, so that importing again updates", () => {
    const later = addDays(on, 3);
    const again = remindersOf(model, later);
    const ids = new Set(reminders.map((r) => r.uid));
    expect(again.filter((r) => !ids.has(r.uid)).map((r) => r.uid)).toEqual([]);
    const sequence = (t: string): number => Number(value(events(t)[0]!, "sequence"));
    expect(sequence(write(again, later))).toBe(sequence(text) + 3);
  });
});

test("reminders: planned days, windows that end, what waits to be seen; each id once, none in the past", () => {
  expect(new Set(reminders.map((r) => r.kind))).toEqual(new Set(["planned", "window", "trim", "look-for", "years"]));
  expect(new Set(reminders.map((r) => r.uid)).size).toBe(reminders.length);
  for (const r of reminders) expect([r.from >= on, r.until >= r.from]).toEqual([true, true]);
});
