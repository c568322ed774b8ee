/** Did a write fail because the storage is full? The database wraps what the browser said. */
export function isFull(e: unknown): boolean {
  for (let x: unknown = e; x instanceof Error; x = "inner" in x ? x.inner : x.cause)
    if (x.name.includes("Quota") || x.message.includes("QuotaExceeded")) return true;
  return false;
}
