export * from "./demoGarden.ts";
