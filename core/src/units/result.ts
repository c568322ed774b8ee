/** Refused input: what was wrong, where, and with which values; the text is looked up from the code. */
export interface Issue<Code extends string = string> {
  readonly code: Code;
  /** Path into the input, e.g. ["plants", 3, "heightM"]. */
  readonly path: readonly (string | number)[];
  /** What was met and what was expected, ready for a text. */
  readonly values: Readonly<Record<string, string | number>>;
}

/** Either a value or every issue found; never both. */
export type Result<T, Code extends string = string> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly Issue<Code>[] };

/** A value that came out well. */
export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });
/** A refusal with what was wrong, as codes and values. */
export const refused = <Code extends string>(
  issues: readonly Issue<Code>[],
): { readonly ok: false; readonly issues: readonly Issue<Code>[] } => ({ ok: false, issues });
