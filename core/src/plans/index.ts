export * from "./row.ts";
export { CHAIN_IDS, type ChainId } from "./chains.ts";
export * from "./followUps.ts";
export * from "./looks.ts";
export * from "./meanings.ts";
