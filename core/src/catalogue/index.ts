export * from "./catalogue.ts";
export * from "./lookup.ts";
export { INVASIVE, invasiveIn, REGIONS } from "./invasive.ts";
export { genusOf, oftenGrafted } from "./grafting.ts";
export { OTHER_NAMES } from "./otherNames.ts";
export * from "./schema.ts";
export * from "./schools.ts";
export * from "./schoolChoice.ts";
export * from "./sources.ts";
