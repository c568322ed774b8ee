/** What the main axes of a drawing are called, at the bench and at the plant: Stem 1, Arm 2, Trunk 1. */
import { ARCHITECTURE_TABLE, type Build, type Stem } from "@wren/core";
import { capital } from "./capital.ts";

/** Names by id, in the order in which they are drawn. */
export function namesOf(
  stems: readonly Stem[],
  { architecture }: Pick<Build, "architecture">,
): ReadonlyMap<string, string> {
  const [one] = ARCHITECTURE_TABLE[architecture].mains;
  return new Map(stems.map((s, i) => [s.id, `${capital(one)} ${i + 1}`]));
}
