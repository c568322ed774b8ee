// The station's days are worked out beside the server's own thread: a hundred questions at once keep nobody else waiting.
import { parentPort } from "node:worker_threads";
import { register } from "tsx/esm/api";

register();
const { weatherAnswer } = await import("./routes/weather.ts");
parentPort.on("message", ({ no, query }) => parentPort.postMessage({ no, answer: weatherAnswer(query) }));
