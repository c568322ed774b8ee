/** What a plant may be: its kind, or the likely kinds while that is not settled. */
import type { Taxon } from "../catalogue/index.ts";
import { LIMITS } from "../model/index.ts";
import { perPlant } from "./gardenModel.ts";

/** The likely kinds, likeliest first; one when the plant's kind is settled. Kinds below the limit of doubt do not count. */
export const likelyTaxa = perPlant((model, plant): readonly Taxon[] => {
  const candidates = plant.identity?.candidates ?? [];
  const likely = candidates
    .filter((c) => c.share >= LIMITS.doubt)
    .toSorted((a, b) => b.share - a.share)
    .flatMap((c) => model.catalogue.byId(c.taxonId) ?? []);
  return likely.length > 0 ? likely : [model.taxonOf(plant)];
});
