// Node built-ins only: this runs before node_modules exists.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
/** What was done already, by the hash of what it was done to: a second start is quick. */
const stamps = join(root, "node_modules", ".wren");

export const bin = (path) => join(root, "node_modules", path);

const tell = (cmd, args, began) => {
  const shown = [cmd.split("/").pop(), ...args.map((a) => a.replace(`${root}/`, ""))].join(" ").slice(0, 90);
  console.log(`> ${shown}  (${((Date.now() - began) / 1000).toFixed(1)} s)`);
};
export function run(cmd, args, opts = {}) {
  const began = Date.now();
  const r = spawnSync(cmd, args, { cwd: root, stdio: "inherit", ...opts });
  if (r.error) throw r.error;
  tell(cmd, args, began);
  return r.status ?? 1;
}
/** The same beside what goes on; what it prints comes in one piece when it ends. */
export function start(cmd, args) {
  const began = Date.now();
  const child = spawn(cmd, args, { cwd: root, stdio: ["ignore", "pipe", "pipe"] });
  const parts = [];
  for (const stream of [child.stdout, child.stderr]) stream.on("data", (d) => parts.push(d));
  return new Promise((resolve, reject) => {
    child.on("error", reject);
    child.on("close", (code) => {
      process.stdout.write(Buffer.concat(parts));
      tell(cmd, args, began);
      resolve(code ?? 1);
    });
  });
}
export function must(cmd, args, opts) {
  const code = run(cmd, args, opts);
  if (code !== 0) process.exit(code);
}
const npm = (args, opts) =>
  process.env.npm_execpath ? run(process.execPath, [process.env.npm_execpath, ...args], opts) : run("npm", args, opts);

function hashOf(paths) {
  const h = createHash("sha256");
  const walk = (p) => {
    if (statSync(p).isDirectory()) {
      for (const f of readdirSync(p).sort()) if (f !== "node_modules" && f !== "dist") walk(join(p, f));
    } else h.update(p.slice(root.length)).update("\0").update(readFileSync(p));
  };
  for (const p of paths) if (existsSync(join(root, p))) walk(join(root, p));
  return h.digest("hex");
}
const fresh = (name, hash) => {
  const f = join(stamps, name);
  return existsSync(f) && readFileSync(f, "utf8") === hash;
};
function mark(name, hash) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), hash);
}

/** npm packages by the lock file. */
export function ensureModules() {
  const hash = hashOf(["package-lock.json"]) + process.version;
  if (fresh("install", hash)) return;
  const env = { ...process.env };
  delete env.NODE_ENV;
  delete env.npm_config_omit;
  if (npm(["ci", "--no-audit", "--no-fund", "--prefer-offline", "--loglevel=error"], { env }) !== 0) process.exit(1);
  mark("install", hash);
}

/** The web application, built when its sources changed. */
export function ensureBuilt() {
  const hash = hashOf([
    "core/src",
    "core/package.json",
    "web/src",
    "web/public",
    "web/index.html",
    "web/vite.config.ts",
    "package-lock.json",
  ]);
  if (fresh("build", hash) && existsSync(join(root, "web/dist/index.html"))) return;
  must(process.execPath, [bin("vite/bin/vite.js"), "build", "--logLevel", "warn"], {
    cwd: join(root, "web"),
  });
  mark("build", hash);
}

/** Path of a headless Chromium; Debian's is installed when there is none. */
export function ensureChromium() {
  const found = () => ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find((p) => existsSync(p));
  if (process.env.WREN_CHROMIUM) return process.env.WREN_CHROMIUM;
  if (!found()) {
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    const apt = (args) =>
      run("apt-get", ["-qq", "-o", "Dpkg::Use-Pty=0", ...args], {
        env,
        stdio: ["ignore", "ignore", "inherit"],
      });
    apt(["update"]);
    if (apt(["install", "-y", "--no-install-recommends", "chromium-headless-shell"]) !== 0)
      apt(["install", "-y", "--no-install-recommends", "chromium"]);
  }
  const path = found();
  if (!path) {
    console.error("No Chromium: install Debian's chromium-headless-shell, or set WREN_CHROMIUM to one.");
    process.exit(1);
  }
  return path;
}

/** Flags that keep Chromium from asking anything of the outside. */
export const QUIET_CHROMIUM = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
];

/** Starts the application's server in this process on a free port; returns its address and a way to stop it. */
export async function startServer(port = 0) {
  const { register } = await import("tsx/esm/api");
  const off = register();
  const { serve } = await import("../server/src/main.ts");
  const server = await serve({ port });
  return {
    ...server,
    stop: async () => {
      await server.close();
      await off();
    },
  };
}
