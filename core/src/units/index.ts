export * from "./units.ts";
export * from "./result.ts";
export * from "./parseLength.ts";
export * from "./grouped.ts";
export { shortNumber } from "./shortNumber.ts";
export { textMark } from "./textMark.ts";
export { lettersOff } from "./spelling.ts";
