import { IDBKeyRange, IDBObjectStore, indexedDB } from "fake-indexeddb";
import { TestEnvironment } from "jest-environment-jsdom";

const MISSING = [
  "structuredClone",
  "TransformStream",
  "TextEncoder",
  "TextDecoder",
  "fetch",
  "Request",
  "Response",
  "Headers",
];

/** jsdom leaves out a few globals that Dexie and React Router need, and it has no database. */
export default class extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    for (const k of MISSING) this.global[k] ??= globalThis[k];
    // Pictures lie in the database as files: those of jsdom cannot be kept there.
    this.global.Blob = globalThis.Blob;
    Object.assign(this.global, { indexedDB, IDBKeyRange, IDBObjectStore });
    this.global.scrollTo = () => undefined;
  }
}
