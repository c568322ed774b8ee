export * from "./adviceJson.ts";
export * from "./issueTexts.ts";
export * from "./reasonTexts.ts";
export * from "./voice.ts";
export * from "./followUpTexts.ts";
export * from "./benchTexts.ts";
export * from "./craftTexts.ts";
export * from "./programmeTexts.ts";
