import react from "@vitejs/plugin-react";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { build, defineConfig, type Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** What the core is, in a few letters: what was worked out by another one is worked out anew. */
function coreHash(): string {
  const root = join(import.meta.dirname, "../core/src");
  const hash = createHash("sha256");
  for (const f of readdirSync(root, { recursive: true, encoding: "utf8" }).sort())
    if (f.endsWith(".ts")) hash.update(f).update(readFileSync(join(root, f)));
  return hash.digest("hex").slice(0, 16);
}

const pwa = VitePWA({
  // A new version is offered, and taken when the gardener says so.
  registerType: "prompt",
  injectRegister: null,
  manifest: {
    name: "Wren Song",
    short_name: "Wren Song",
    description: "When to prune, how much, and what it costs in flowers.",
    start_url: "/today",
    display: "standalone",
    background_color: "#e9f0ef",
    theme_color: "#e9f0ef",
    icons: [
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  },
  workbox: {
    // Every screen, and the letters of western Europe; other scripts are kept once they were needed.
    globPatterns: ["index.html", "icon*", "assets/*.{js,css,wasm}", "assets/*-latin-*.woff2"],
    // The solver is larger than what is kept by default.
    maximumFileSizeToCacheInBytes: 6_000_000,
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/api\//],
    runtimeCaching: [{ urlPattern: /\/assets\/.*\.woff2$/, handler: "CacheFirst", options: { cacheName: "letters" } }],
  },
});

const shared = {
  plugins: [react()],
  resolve: { alias: { "node:module": join(import.meta.dirname, "src/worker/noNode.ts") } },
  define: { __CORE__: JSON.stringify(coreHash()) },
  worker: { format: "es" as const },
};
const target = "es2022";

/**
 * The modules that the first screen needs at once, found by building without keeping: in two files they are there after
 * one fetch of each; cut apart by what other screens share, they were thirty-five.
 */
async function modulesOfTheFirstScreen(): Promise<ReadonlySet<string>> {
  const built = await build({
    ...shared,
    configFile: false,
    root: import.meta.dirname,
    logLevel: "error",
    build: { write: false, minify: false, target },
  });
  if (!("output" in built)) throw new Error("one output was expected of the build");
  const chunks = new Map(built.output.flatMap((o) => (o.type === "chunk" ? [[o.fileName, o] as const] : [])));
  const found = new Set<string>();
  const asked = [...chunks.values()].filter((c) => c.isEntry).map((c) => c.fileName);
  for (const name of asked) {
    const chunk = chunks.get(name);
    for (const id of Object.keys(chunk?.modules ?? {})) found.add(id);
    asked.push(...(chunk?.imports ?? []).filter((i) => !asked.includes(i)));
  }
  return found;
}

/** React and its router: they stay the same from one version of ours to the next, and are read beside our own. */
const FRAME = /node_modules\/(react|react-dom|react-router|scheduler)\//;

/**
 * V8 reads a file while it arrives, beside the page's own thread, but leaves each function until it is called, on that
 * thread: a third of its work up to the first answer of a first visit. These two files ask to be read whole; other browsers
 * pass over the line.
 * Source: "Explicit compile hints", V8 blog, 2025 (from memory).
 */
const READ_WHOLE: Plugin = {
  name: "read-whole",
  generateBundle: {
    order: "post",
    handler(_, bundle) {
      for (const o of Object.values(bundle))
        if (o.type === "chunk" && (o.isEntry || o.name === "frame")) o.code = `//# allFunctionsCalledOnLoad\n${o.code}`;
    },
  },
};

export default defineConfig(async ({ command }) => {
  const first = command === "build" ? await modulesOfTheFirstScreen() : new Set<string>();
  return {
    ...shared,
    plugins: [...shared.plugins, READ_WHOLE, pwa],
    build: {
      target,
      sourcemap: false,
      chunkSizeWarningLimit: 900,
      rolldownOptions: {
        output: {
          codeSplitting: {
            includeDependenciesRecursively: false,
            groups: [
              {
                debugName: "first",
                name: (id: string) => (first.has(id) ? (FRAME.test(id) ? "frame" : "first") : null),
              },
            ],
          },
        },
      },
    },
  };
});
