/** The server: hands out the built application and answers a health check. It holds no garden: data stay in the browser. */
import helmet from "@fastify/helmet";
import fastifyStatic from "@fastify/static";
import Fastify, { type FastifyInstance } from "fastify";
import { openStation } from "./station.ts";

const SELF = "'self'";
/** Nothing may be asked of another host. Emotion writes its styles inline. */
const POLICY = {
  defaultSrc: [SELF],
  baseUri: [SELF],
  objectSrc: ["'none'"],
  frameAncestors: ["'none'"],
  formAction: [SELF],
  // The solver that fits work into days is WebAssembly; nothing else is evaluated.
  scriptSrc: [SELF, "'wasm-unsafe-eval'"],
  workerSrc: [SELF],
  connectSrc: [SELF],
  styleSrc: [SELF, "'unsafe-inline'"],
  imgSrc: [SELF, "data:", "blob:"],
  fontSrc: [SELF],
};

/** What the browser may not ask the gardener for; the camera and the place are asked for by what needs them. */
const PERMISSIONS =
  "accelerometer=(), autoplay=(), browsing-topics=(), camera=(self), display-capture=(), geolocation=(self), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=()";

/** Names under which this server is reached; another name in the request is another site's that points here. */
const HOSTS = ["127.0.0.1", "localhost", "[::1]"] as const;
const hostOf = (header: string | undefined): string => (header ?? "").toLowerCase().replace(/:\d+$/, "");

/** A request that is not finished by then is closed: nobody may hold a line open for nothing. */
const UNFINISHED_MS = 15_000;

export interface AppOptions {
  readonly webRoot: string;
  readonly logger?: boolean;
  readonly unfinishedMs?: number;
  /** Host names that are answered. */
  readonly hosts?: readonly string[];
}

const UNREADABLE = "/api/unreadable";
const isReadable = (url: string): boolean => {
  try {
    decodeURI(url);
    return true;
  } catch {
    return false;
  }
};

/** Builds the server without listening, so that a test can ask it directly. */
export async function buildApp({
  webRoot,
  logger = false,
  unfinishedMs = UNFINISHED_MS,
  hosts = HOSTS,
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger,
    forceCloseConnections: true,
    requestTimeout: unfinishedMs,
    http: { headersTimeout: unfinishedMs, connectionsCheckingInterval: Math.ceil(unfinishedMs / 3) },
    // An address that cannot be read is answered as everything else is, with the same headers.
    rewriteUrl: ({ url = "/" }) => (isReadable(url) ? url : UNREADABLE),
  });
  await app.register(helmet, {
    contentSecurityPolicy: { useDefaults: false, directives: POLICY },
    // Plain http on one's own machine is the usual case.
    strictTransportSecurity: false,
  });
  app.addHook("onRequest", async (req, reply) => {
    reply.header("permissions-policy", PERMISSIONS);
    if (!hosts.includes(hostOf(req.headers.host)))
      return reply.code(421).send({ error: `this server answers for ${hosts.join(", ")} only` });
  });
  app.get("/api/health", () => ({ ok: true }));
  app.get(UNREADABLE, (_, reply) => reply.code(400).send({ error: "this address cannot be read" }));
  const station = openStation();
  app.addHook("onClose", () => station.close());
  app.get("/api/weather", async (req, reply) => {
    const answer = await station.ask(req.query);
    if (answer === null) return reply.code(503).send({ error: "too many ask at once: try again in a moment" });
    return answer.ok ? answer.value : reply.code(400).send({ error: answer.issues.map((i) => i.values["detail"]) });
  });
  await app.register(fastifyStatic, {
    root: webRoot,
    cacheControl: false,
    setHeaders(res, path) {
      const hashed = /[\\/]assets[\\/]/.test(path);
      res.header("cache-control", hashed ? "public, max-age=31536000, immutable" : "no-cache");
    },
  });
  // Deep links are the application's own routes.
  app.setNotFoundHandler((req, reply) => {
    const accepts = req.headers.accept ?? "";
    const asks =
      (req.method === "GET" && accepts.includes("text/html")) ||
      (req.method === "HEAD" &&
        !/\.\w+$/.test(req.url.split("?")[0]!) &&
        (accepts === "" || /text\/html|\*\/\*/.test(accepts)));
    return asks && !req.url.startsWith("/api/")
      ? reply.sendFile("index.html")
      : reply.code(404).send({ error: "not found" });
  });
  return app;
}
