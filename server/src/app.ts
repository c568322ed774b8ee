/** The server: hands out the built application and answers a health check. It holds no garden: data stay in the browser. */
import helmet from "@fastify/helmet";
import fastifyStatic from "@fastify/static";
import Fastify, { type FastifyInstance } from "fastify";
import { weatherAnswer } from "./routes/weather.ts";

const SELF = "'self'";
/** Nothing may be asked of another host. Emotion writes its styles inline. */
const POLICY = {
  defaultSrc: [SELF],
  baseUri: [SELF],
  objectSrc: ["'none'"],
  frameAncestors: ["'none'"],
  formAction: [SELF],
  scriptSrc: [SELF],
  workerSrc: [SELF],
  connectSrc: [SELF],
  styleSrc: [SELF, "'unsafe-inline'"],
  imgSrc: [SELF, "data:", "blob:"],
  fontSrc: [SELF],
};

/** Builds the server without listening, so that a test can ask it directly. */
export async function buildApp(opts: { webRoot: string; logger?: boolean }): Promise<FastifyInstance> {
  const app = Fastify({ logger: opts.logger ?? false, forceCloseConnections: true });
  await app.register(helmet, {
    contentSecurityPolicy: { useDefaults: false, directives: POLICY },
    // Plain http on one's own machine is the usual case.
    strictTransportSecurity: false,
  });
  app.get("/api/health", () => ({ ok: true }));
  app.get("/api/weather", (req, reply) => {
    const answer = weatherAnswer(req.query);
    return answer.ok ? answer.value : reply.code(400).send({ error: answer.issues.map((i) => i.values["detail"]) });
  });
  await app.register(fastifyStatic, {
    root: opts.webRoot,
    cacheControl: false,
    setHeaders(res, path) {
      const hashed = /[\\/]assets[\\/]/.test(path);
      res.header("cache-control", hashed ? "public, max-age=31536000, immutable" : "no-cache");
    },
  });
  // Deep links are the application's own routes.
  app.setNotFoundHandler((req, reply) => {
    const page =
      req.method === "GET" && !req.url.startsWith("/api/") && (req.headers.accept ?? "").includes("text/html");
    return page ? reply.sendFile("index.html") : reply.code(404).send({ error: "not found" });
  });
  return app;
}
