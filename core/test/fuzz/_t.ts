import { pairsTried } from "./pairs.ts";
console.log(pairsTried(Number(process.argv[2]), Number(process.argv[3])).join("\n"));
