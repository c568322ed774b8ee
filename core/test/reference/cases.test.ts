/** Cases a careful professional would agree on, written before the engine was asked: the share that is accepted, and none that hurts. */
import { expect, test } from "@jest/globals";
import { TASKS, VERDICTS } from "@wren/core";
import { answerOf, CASES, isAccepted, isDangerous } from "./cases.ts";

const told = CASES.map((c) => {
  const a = answerOf(c);
  const said = a.reasons.slice(0, 3).map((r) => r.code);
  const text = `${c.line}: ${c.place}, ${c.kind}, ${c.on}, ${c.task} (${c.circumstances}): ${a.verdict}, ${said.join(" ")}; expected ${c.accepted.join("/")} ${c.says}`;
  return { c, a, text };
});

test("at least 98 in 100 are accepted, with the reason that must be said; those in dispute are the ones marked so", () => {
  const wrong = told.filter(({ c, a }) => !isAccepted(c, a));
  expect(wrong.length / CASES.length).toBeLessThanOrEqual(0.02);
  expect(wrong.filter(({ c }) => !c.disputed).map((x) => x.text)).toEqual([]);
});

test("none of them hurts: no open day where the case says professional, never or wait", () => {
  expect(told.filter(({ c, a }) => isDangerous(c, a)).map((x) => x.text)).toEqual([]);
});

test("they reach over every task and every verdict", () => {
  expect(CASES.length).toBeGreaterThanOrEqual(300);
  expect(TASKS.filter((t) => t !== "leave" && !CASES.some((c) => c.task === t))).toEqual([]);
  expect(VERDICTS.filter((v) => !CASES.some((c) => c.accepted.includes(v)))).toEqual([]);
});
