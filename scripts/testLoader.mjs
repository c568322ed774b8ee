// Preloaded where tests run in plain Node instead of Jest's sandbox: TypeScript as it stands, and "@jest/globals" as the
// globals that the runner sets. Jest's own processes load it too and take no notice.
import { register } from "node:module";
import { register as typescript } from "tsx/esm/api";

typescript();
const names = ["afterAll", "afterEach", "beforeAll", "beforeEach", "describe", "expect", "it", "jest", "test"];
const globals = `data:text/javascript,${encodeURIComponent(names.map((n) => `export const ${n} = globalThis.${n};`).join("\n"))}`;
const hook = `export const resolve = (name, context, next) =>
  name === "@jest/globals" ? { url: ${JSON.stringify(globals)}, shortCircuit: true } : next(name, context);`;
register(`data:text/javascript,${encodeURIComponent(hook)}`);
