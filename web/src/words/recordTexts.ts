/** Records in short, wherever they are listed. */
import { measuredOn, shareOfVisit, type GardenModel, type Observation, type Visit, type Voice } from "@wren/core";

/** What a visit took, in short. */
export function visitText(model: GardenModel, v: Visit, say: Voice): string {
  const plant = model.plant(v.plantId);
  const share = shareOfVisit(v, measuredOn(model, plant, v.on));
  return [
    share > 0 ? `${say.percent(share)} of its live growth` : "no live growth",
    v.hazardShare > 0 ? `${say.percent(v.hazardShare)} torn or diseased, booked apart` : "",
    v.deadStemsCount > 0
      ? `${v.deadStemsCount} dead ${v.deadStemsCount === 1 ? "stem (does" : "stems (do"} not count)`
      : "",
    v.minutes === null ? "" : `${v.minutes} min`,
    v.by === "" ? "" : `by ${v.by}`,
    v.planned && v.planned.on !== v.on ? `planned for ${say.date(v.planned.on)}` : "",
    v.note,
  ]
    .filter(Boolean)
    .join(" · ");
}
/** What was seen, in short. */
export const seenText = (o: Observation, say: Voice): string =>
  [
    o.heightM === null ? "" : say.length(o.heightM),
    o.count === null ? "" : `${o.count} shoots`,
    o.lengthM === null ? "" : say.length(o.lengthM),
    o.where === null ? "" : WHERE[o.where],
    o.note,
  ]
    .filter(Boolean)
    .join(" · ");
const WHERE: Readonly<Record<NonNullable<Observation["where"]>, string>> = {
  base: "at the base",
  "old-stems": "on old stems",
  tips: "near the tips",
  "side-shoots": "on side shoots",
  "new-shoot-ends": "at the ends of new shoots",
};
