/** Lists are counted before any of their rows is read: a file of a million rows is refused as fast as it was parsed. */
import type * as z from "zod";
import { issue, type Issues, type Path } from "./issues.ts";

/** What this walk asks of a schema; Zod keeps more. */
interface Node {
  readonly def: {
    readonly type: string;
    readonly element?: Node;
    readonly innerType?: Node;
    readonly shape?: Readonly<Record<string, Node>>;
    readonly options?: readonly Node[];
    readonly checks?: readonly { readonly _zod: { readonly def: { readonly maximum?: number } } }[];
  };
}

const isRecord = (x: unknown): x is Readonly<Record<string, unknown>> =>
  typeof x === "object" && x !== null && !Array.isArray(x);

function walk(node: Node, x: unknown, path: Path, out: Issues): void {
  const { def } = node;
  if (def.innerType) walk(def.innerType, x, path, out);
  else if (def.element && Array.isArray(x)) {
    const limit = def.checks?.find((c) => c._zod.def.maximum !== undefined)?._zod.def.maximum ?? Infinity;
    if (x.length > limit) out.add(issue("field-many", path, { got: x.length, limit }));
    // Only what can hold a list itself is looked into.
    else if (def.element.def.type !== "number" && def.element.def.type !== "nullable")
      for (let i = 0; i < x.length; i++) walk(def.element, x[i], [...path, i], out);
  } else if (def.shape && isRecord(x)) {
    for (const [key, field] of Object.entries(def.shape)) if (key in x) walk(field, x[key], [...path, key], out);
  } else for (const option of def.options ?? []) walk(option, x, path, out);
}

/** Names every list of a value that is longer than its schema allows. */
export const countLists = (schema: z.ZodType, x: unknown, path: Path, out: Issues): void =>
  walk(schema as unknown as Node, x, path, out);
