/** Reads the small reference tables that lie beside the tests. */
import { readFileSync } from "node:fs";
import { join } from "node:path";

export function table(name: string): Record<string, string>[] {
  const text = readFileSync(join(import.meta.dirname, "data", name), "utf8")
    .replace(/\r/g, "")
    .trim();
  const [head, ...rows] = text
    .split("\n")
    .map((line) => line.match(/("[^"]*"|[^,]*)(,|$)/g)!.map((c) => c.replace(/,$/, "").replace(/^"|"$/g, "")));
  return rows.map((r) => Object.fromEntries(head!.map((h, i) => [h, r[i] ?? ""])));
}
