import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { FastifyInstance } from "fastify";
import { mkdtempSync, writeFileSync } from "node:fs";
import { connect, type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { UNSAID_PLACE } from "@wren/core";
import { buildApp } from "../src/app.ts";

let app: FastifyInstance;
beforeAll(async () => {
  const webRoot = mkdtempSync(join(tmpdir(), "web-"));
  writeFileSync(join(webRoot, "index.html"), "<title>page</title>");
  app = await buildApp({ webRoot });
});
afterAll(() => app.close());

test.each([
  ["/api/health", "application/json", 200, '"ok":true'],
  ["/plant/lilac?on=2026-06-10", "text/html", 200, "<title>page</title>"],
  ["/api/none", "text/html", 404, "not found"],
  ["/missing.js", "*/*", 404, "not found"],
])("GET %s (%s) answers %d", async (url, accept, status, text) => {
  const r = await app.inject({ url, headers: { accept } });
  expect(r.statusCode).toBe(status);
  expect(r.body).toContain(text);
});

test.each([
  ["/plant/lilac", 200],
  ["/missing.js", 404],
  ["/api/none", 404],
])("HEAD %s answers %d as GET does", async (url, status) => {
  const r = await app.inject({ method: "HEAD", url, headers: { accept: "*/*" } });
  expect([r.statusCode, r.body]).toEqual([status, ""]);
});

test.each([
  ["127.0.0.1:4173", 200],
  ["localhost", 200],
  ["[::1]:80", 200],
  ["elsewhere.example", 421],
  ["127.0.0.1.elsewhere.example:4173", 421],
])("asked as %s it answers %d", async (host, status) => {
  const r = await app.inject({ url: "/api/health", headers: { host } });
  expect(r.statusCode).toBe(status);
  expect(r.headers["permissions-policy"]).toContain("microphone=()");
});

const PLACE = { ...UNSAID_PLACE, latitudeDeg: 41.2, zone: "6b", lastFrost: "04-20", firstFrost: "10-20" };
const weather = (place: unknown, to = "2026-06-10") =>
  app.inject({ url: `/api/weather?${new URLSearchParams({ to, place: JSON.stringify(place) }).toString()}` });

test("the simulated station: days of the year up to a week past the date, marked as simulated, the same twice", async () => {
  const [a, b] = [await weather(PLACE), await weather(PLACE)];
  expect(a.statusCode).toBe(200);
  expect(a.body).toBe(b.body);
  const { simulated, years } = a.json<{ simulated: boolean; years: { source: string; tminC: (number | null)[] }[] }>();
  expect([simulated, years.length, years[0]!.source]).toEqual([true, 1, "simulated"]);
  expect(years[0]!.tminC.filter((t) => t !== null)).toHaveLength(168);
});

test.each([
  ["a day that does not exist", () => weather(PLACE, "2026-02-30"), "to"],
  ["a year no weather is kept of", () => weather(PLACE, "9999-06-10"), "1850 to 2200"],
  ["no such zone", () => weather({ ...PLACE, zone: "6c" }), "place.zone"],
  [
    "frost dates the wrong way round",
    () => weather({ ...PLACE, lastFrost: "10-20", firstFrost: "04-20" }),
    "place.lastFrost",
  ],
  ["a place that is none", () => weather("here"), "place"],
  ["nothing", () => app.inject({ url: "/api/weather" }), "place"],
])("the station refuses %s and names it", async (_, ask, field) => {
  const r = await ask();
  expect(r.statusCode).toBe(400);
  expect(r.body).toContain(field);
});

test("no page may load anything from another host", async () => {
  const r = await app.inject({ url: "/", headers: { accept: "text/html" } });
  expect(r.headers["content-security-policy"]).toContain("default-src 'self'");
  expect(String(r.headers["content-security-policy"])).not.toMatch(/https?:/);
});

test("an address that cannot be read is refused with the same headers as every page", async () => {
  const r = await app.inject({ url: "/%E0%A4%A", headers: { accept: "text/html" } });
  expect(r.statusCode).toBe(400);
  expect(r.headers["content-security-policy"]).toContain("default-src 'self'");
  expect(r.headers["x-content-type-options"]).toBe("nosniff");
});

test("while a hundred places are asked about the server goes on answering others", async () => {
  const answered: string[] = [];
  const many = Array.from({ length: 60 }, (_, i) =>
    weather({ ...PLACE, latitudeDeg: 30 + i / 4 }).then((r) => answered.push(`weather ${r.statusCode}`)),
  );
  const health = app.inject({ url: "/api/health" }).then(() => answered.push("health"));
  await Promise.all([...many, health]);
  expect(answered[0]).toBe("health");
  expect(answered.filter((a) => a === "weather 200")).toHaveLength(60);
});

test("a request that is never finished is closed", async () => {
  const impatient = await buildApp({ webRoot: mkdtempSync(join(tmpdir(), "web-")), unfinishedMs: 300 });
  await impatient.listen({ port: 0, host: "127.0.0.1" });
  const { port } = impatient.server.address() as AddressInfo;
  const socket = connect(port, "127.0.0.1");
  socket.write("GET /api/health HTTP/1.1\r\nHost: here\r\n");
  const closed = await new Promise<string>((resolve) => {
    socket.on("data", () => undefined);
    socket.on("close", () => resolve("closed"));
    socket.on("error", () => resolve("closed"));
  });
  expect(closed).toBe("closed");
  await impatient.close();
});
