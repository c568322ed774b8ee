/** The solver's WebAssembly, from where the build put it. */
import loadHighs, { type Highs } from "highs";
import wasmUrl from "highs/runtime?url";

export const loadSolver = (): Promise<Highs> => loadHighs({ locateFile: () => wasmUrl });
