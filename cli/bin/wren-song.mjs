#!/usr/bin/env node
// TypeScript is run as it stands; no build step for the command line.
import { register } from "tsx/esm/api";
register();
const { main } = await import("../src/main.ts");
process.exitCode = await main(process.argv.slice(2));
