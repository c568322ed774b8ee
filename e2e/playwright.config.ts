import { defineConfig } from "@playwright/test";

const port = Number(process.env["WREN_E2E_PORT"] ?? 4317);
export default defineConfig({
  testDir: "./journeys",
  outputDir: "./.out/results",
  fullyParallel: true,
  workers: 2,
  // One more try on a slow machine; a journey that needed it is named in the last lines.
  retries: 1,
  forbidOnly: !!process.env["CI"],
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: ".out/results.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/London",
    // Each journey is a browser of its own, and each would fetch every file to keep it; the journeys that ask for that say so.
    serviceWorkers: "block",
    contextOptions: { reducedMotion: "reduce" },
    trace: process.env["WREN_TRACE"] === "1" ? "on" : "off",
    launchOptions: {
      executablePath: process.env["WREN_CHROMIUM"] ?? "/usr/bin/chromium-headless-shell",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
      ],
    },
  },
  webServer: {
    command: "node ../scripts/start.mjs",
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: String(port) },
    reuseExistingServer: false,
    timeout: 120_000,
    gracefulShutdown: { signal: "SIGTERM", timeout: 3000 },
  },
});
