import react from "@vitejs/plugin-react";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { defineConfig } from "vite";
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
    globPatterns: ["index.html", "icon*", "assets/*.{js,css}", "assets/*-latin-*.woff2"],
    globIgnores: ["assets/blank-*"],
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/api\//, /^\/blank\.html/],
    runtimeCaching: [{ urlPattern: /\/assets\/.*\.woff2$/, handler: "CacheFirst", options: { cacheName: "letters" } }],
  },
});

export default defineConfig({
  plugins: [react(), pwa],
  define: { __CORE__: JSON.stringify(coreHash()) },
  worker: { format: "es" },
  build: {
    target: "es2022",
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      input: { index: "index.html", blank: "blank.html" },
    },
  },
});
