import { expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { generatedCode, generatedDocs } from "../../scripts/generated.ts";

test.each(Object.entries(generatedDocs()))("docs/%s is what the code says (npm run docs writes it)", (name, text) => {
  expect(readFileSync(join(import.meta.dirname, "../../docs", name), "utf8")).toBe(text);
  expect(text).not.toMatch(/NaN|undefined/);
});

test.each(Object.entries(generatedCode()))("%s is what the catalogue says (npm run docs writes it)", (name, text) => {
  expect(readFileSync(join(import.meta.dirname, "../..", name), "utf8")).toBe(text);
});
