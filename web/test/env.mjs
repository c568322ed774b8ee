import { IDBKeyRange, IDBObjectStore, indexedDB } from "fake-indexeddb";
import { TestEnvironment } from "jest-environment-jsdom";

const MISSING = ["structuredClone", "TextEncoder", "TextDecoder", "fetch", "Request", "Response", "Headers"];

/** jsdom leaves out a few globals that Dexie and React Router need, and it has no database. */
export default class extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    for (const k of MISSING) this.global[k] ??= globalThis[k];
    Object.assign(this.global, { indexedDB, IDBKeyRange, IDBObjectStore });
    this.global.scrollTo = () => undefined;
  }
}
