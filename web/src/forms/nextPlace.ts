/** Where a new plant goes: to the right of the last one in its bed. */
import type { Metres, Plant } from "@wren/core";

export function nextPlace(plants: readonly Plant[], bedId: string, lengthM: Metres, widthM: Metres): Metres {
  const right = Math.max(0, ...plants.filter((p) => p.bedId === bedId).map((p) => p.alongM + p.widthM / 2));
  return Math.min(lengthM, Math.round((right + widthM / 2) * 100) / 100);
}
