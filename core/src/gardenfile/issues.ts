/** What can be wrong with a garden's rows or its file, each with its place and with what was met and expected. */
import type * as z from "zod";
import type { PlaceIssueCode } from "../climate/index.ts";
import { refused, shortNumber, type Issue } from "../units/index.ts";

export type FileIssueCode =
  | "file-empty"
  | "file-not-json"
  | "file-too-large"
  | "file-deep"
  | "file-format"
  | "file-version"
  | "file-newer"
  | "field-missing"
  | "field-unknown"
  | "field-type"
  | "field-small"
  | "field-large"
  | "field-few"
  | "field-many"
  | "field-long"
  | "field-choice"
  | "field-format"
  | "taxon-unknown"
  | "id-twice"
  | "bed-unknown"
  | "plant-unknown"
  | "photo-unknown"
  | "stem-unknown"
  | "viewpoint-unknown"
  | "date-future"
  | "date-before-planting"
  | "height-order"
  | "stems-order"
  | "weather-order"
  | "hedge-twice"
  | "posts-order"
  | "slope-steep"
  | "span-order"
  | "too-many";
/** What is wrong with a file, and where. */
export type FileIssue = Issue<FileIssueCode | PlaceIssueCode>;
export type Path = readonly (string | number)[];

export const issue = (code: FileIssue["code"], path: Path, values: FileIssue["values"] = {}): FileIssue => ({
  code,
  path,
  values,
});

/** Issues as they are found: all are counted, the first of them kept, so that a file full of them costs no more. */
export class Issues {
  static readonly MOST = 200;
  /** With so many found a file is refused without reading on: nobody mends it by their list. */
  static readonly ENOUGH = 2000;
  readonly #kept: FileIssue[] = [];
  #count = 0;

  add(...found: readonly FileIssue[]): void {
    for (const i of found) {
      this.#count++;
      if (this.#kept.length < Issues.MOST) this.#kept.push(i);
    }
  }
  get enough(): boolean {
    return this.#count >= Issues.ENOUGH;
  }
  get count(): number {
    return this.#count;
  }
  get list(): readonly FileIssue[] {
    const more = this.#count - this.#kept.length;
    return more > 0 ? [...this.#kept, issue("too-many", [], { more })] : this.#kept;
  }
  get refusal() {
    return refused(this.list);
  }
}

const typeName = (x: unknown): string => {
  if (x === null) return "nothing";
  if (Array.isArray(x)) return "a list";
  if (typeof x === "number" && !Number.isFinite(x)) return "a number too large to hold";
  return (
    { string: "a text", number: "a number", boolean: "yes or no", object: "an entry" }[typeof x as string] ?? typeof x
  );
};
const EXPECTED: Readonly<Record<string, string>> = {
  string: "a text",
  number: "a number",
  int: "a whole number",
  boolean: "yes or no (true, false)",
  array: "a list",
  object: "an entry",
  record: "an entry",
};
const SHOWN = 40;
/** What was met, short: whatever is not a text or a number is only named, however deep it goes. */
export const shown = (x: unknown): string => {
  if (typeof x === "string") return x.length > SHOWN ? `${x.slice(0, SHOWN)}…` : x;
  if (typeof x === "number") return shortNumber(x);
  if (typeof x === "boolean") return String(x);
  return x === undefined ? "nothing" : typeName(x);
};

export function at(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (x, k) => (typeof x === "object" && x !== null ? (x as Record<PropertyKey, unknown>)[k] : undefined),
    input,
  );
}

const FORMATS: Readonly<Record<string, string>> = {
  "not-a-date": "a day that exists, like 2026-06-10",
  "not-a-month-day": "a day of the year, like 04-22",
  "not-base64": "a picture as base64 text",
  "too-many-schools": "at most 100 schools",
};
const UNKNOWN_KEYS_SHOWN = 20;

function tooSmall(e: z.core.$ZodIssueTooSmall, path: Path, got: unknown): FileIssue {
  const limit = Number(e.minimum);
  if (e.origin === "array") return issue("field-few", path, { got: Array.isArray(got) ? got.length : 0, limit });
  if (e.origin === "string") return issue("field-missing", path);
  return issue("field-small", path, { got: shown(got), limit });
}
function tooBig(e: z.core.$ZodIssueTooBig, path: Path, got: unknown): FileIssue {
  const limit = Number(e.maximum);
  if (e.origin === "array") return issue("field-many", path, { got: Array.isArray(got) ? got.length : 0, limit });
  if (e.origin === "string") return issue("field-long", path, { got: typeof got === "string" ? got.length : 0, limit });
  return issue("field-large", path, { got: shown(got), limit });
}

/** The options of a tagged union, where its tag fits none of them. */
const CUT_WAYS = "height, stems, diameters, share";
const STEM_CUT_WAYS = "remove, head, to-branch, branch-off, shear, tips, candles, dead-heads, lift";

function fromZodIssue(e: z.core.$ZodIssue, path: Path, got: unknown): FileIssue[] {
  switch (e.code) {
    case "unrecognized_keys":
      return e.keys.slice(0, UNKNOWN_KEYS_SHOWN).map((key) => issue("field-unknown", path, { key: shown(key) }));
    case "invalid_type":
      return [
        got === undefined
          ? issue("field-missing", path)
          : issue("field-type", path, { expected: EXPECTED[e.expected] ?? e.expected, got: typeName(got) }),
      ];
    case "too_small":
      return [tooSmall(e, path, got)];
    case "too_big":
      return [tooBig(e, path, got)];
    case "invalid_value":
      return [issue("field-choice", path, { got: shown(got), options: e.values.map(String).join(", ") })];
    case "invalid_union":
      return [
        issue("field-choice", path, { got: shown(got), options: path.at(-1) === "by" ? CUT_WAYS : STEM_CUT_WAYS }),
      ];
    default:
      return [
        issue("field-format", path, { got: shown(got), expected: FORMATS[e.message] ?? "letters, digits, - and _" }),
      ];
  }
}

/**
 * Zod's findings in our codes, each field named once: a text that is no day is not also badly written.
 * @param prefix where the parsed piece stands in the whole
 */
export function fromZod(error: z.ZodError, input: unknown, prefix: Path = []): FileIssue[] {
  const met = new Set<string>();
  return error.issues.flatMap((e) => {
    const inner = e.path.map((p) => (typeof p === "number" ? p : String(p)));
    const key = inner.join("\u0000");
    if (met.has(key) && e.code !== "unrecognized_keys") return [];
    met.add(key);
    return fromZodIssue(e, [...prefix, ...inner], at(input, e.path));
  });
}
