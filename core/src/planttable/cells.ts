/**
 * Cells that a spreadsheet would run as a formula, or whose spaces a reader would drop: they get a leading apostrophe on
 * the way out, and lose it on the way in exactly where the way out put it (OWASP, CSV injection; CWE-1236).
 */
const GUARDED = /^['’]?[=+\-@\s＝＋－＠]|\s$/;

/** A text cell as it is written. // => safeCell("=1+1") is "'=1+1" */
export const safeCell = (text: string): string => (GUARDED.test(text) ? `'${text}` : text);

/** A cell as it was meant; what stands behind an apostrophe of ours keeps its spaces. // => plainCell("'=1+1") is "=1+1" */
export const plainCell = (text: string): string =>
  text.startsWith("'") && GUARDED.test(text.slice(1)) ? text.slice(1) : text.trim();
