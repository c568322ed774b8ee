/** The keys that ship, parsed once. */
import * as z from "zod";
import { EVERGREEN_KEY } from "./keys/evergreens.ts";
import { HYDRANGEA_KEY } from "./keys/hydrangeas.ts";
import { CLEMATIS_KEY, ROSE_KEY } from "./keys/rosesAndClematis.ts";
import { UNKNOWN_SHRUB_KEY } from "./keys/unknownShrub.ts";
import { KeySchema, type Key } from "./schema.ts";

/** The keys to tell kinds apart, held to their schema. */
export const KEYS: readonly Key[] = z
  .array(KeySchema)
  .parse([HYDRANGEA_KEY, EVERGREEN_KEY, ROSE_KEY, CLEMATIS_KEY, UNKNOWN_SHRUB_KEY]);

/** null when there is no such key. */
export const keyById = (id: string): Key | null => KEYS.find((k) => k.id === id) ?? null;

/** The key in which a kind is a candidate; null for most kinds. */
export const keyWith = (taxonId: string): Key | null => KEYS.find((k) => taxonId in k.candidates) ?? null;
