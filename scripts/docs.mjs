// npm run docs: writes the pages of docs/ that are read off the code, so that they cannot drift. A test compares them.
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { register } from "tsx/esm/api";
import { root } from "./lib.mjs";
register();
const { generatedCode, generatedDocs } = await import("./generated.ts");
for (const [name, text] of Object.entries(generatedDocs())) {
  writeFileSync(join(root, "docs", name), text);
  console.log(`docs/${name}`);
}
for (const [name, text] of Object.entries(generatedCode())) {
  writeFileSync(join(root, name), text);
  console.log(name);
}
