/** Property tests try the same cases on every machine; another seed tries others: WREN_SEED=7 npm run jest. */
import fc from "fast-check";

fc.configureGlobal({ seed: Number(process.env["WREN_SEED"] ?? 1) });
