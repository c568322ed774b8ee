/**
 * Cells that a spreadsheet would run as a formula: they get a leading apostrophe on the way out, and lose it on the
 * way in exactly where the way out put it (OWASP, CSV injection; CWE-1236).
 */
const RISKY = /^['’]?[=+\-@\t\r\n＝＋－＠]/;
const GUARDED = /^'(?=['’]?[=+\-@\t\r\n＝＋－＠])/;

/** A text cell as it is written. // => safeCell("=1+1") is "'=1+1" */
export const safeCell = (text: string): string => (RISKY.test(text) ? `'${text}` : text);

/** A cell as it was meant. // => plainCell("'=1+1") is "=1+1" */
export const plainCell = (text: string): string => text.replace(GUARDED, "").trim();
