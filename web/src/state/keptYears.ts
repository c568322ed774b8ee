/** Ranges that were worked out before, read back from the database: whatever else lies there is worked out anew. */
import type { YearsShown } from "@wren/core";
import * as z from "zod";
import { db } from "./keeper.ts";

const lists = z.custom<ArrayLike<number>>((x) => ArrayBuffer.isView(x) || Array.isArray(x));
const KeptSchema = z.object({
  shown: z.object({
    years: z.number(),
    ranges: z.record(z.string(), z.record(z.string(), z.tuple([z.number(), z.number()]))),
    days: z.record(z.string(), z.object({ open: lists, leastLoss: lists, mostLoss: lists })),
  }),
});

/** What was worked out before, when it is that. */
export async function keptYears(key: string): Promise<YearsShown | null> {
  const read = KeptSchema.safeParse(await db.derived.get(key).catch(() => undefined));
  return read.success ? read.data.shown : null;
}

/** Only the newest is kept: it is worked out anew in seconds. */
export async function keepYears(key: string, shown: YearsShown): Promise<void> {
  const row = { key, shown };
  await db
    .transaction("rw", db.derived, async () => {
      await db.derived.filter((r) => r.key.startsWith("[")).delete();
      await db.derived.put(row);
    })
    .catch(() => undefined);
}
