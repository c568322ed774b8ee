// npm run dev: the web application with hot reload.
import { bin, ensureModules, must, root } from "./lib.mjs";
import { join } from "node:path";
ensureModules();
must(process.execPath, [bin("vite/bin/vite.js")], { cwd: join(root, "web") });
