/** Each piece of work by its name, a step at a time: it yields how far it is. */
import { CATALOGUE, workLight, workYears } from "@wren/core";
import type { WorkName, Works } from "./port.ts";

export const WORKS: { readonly [N in WorkName]: (asked: Works[N]["asked"]) => Generator<number, Works[N]["shown"]> } = {
  years: (asked) => workYears(asked, CATALOGUE),
  light: workLight,
};
