import { CATALOGUE } from "../catalogue/index.ts";
import type { PlainDate } from "../calendar/index.ts";
import type { Garden } from "../model/index.ts";
import { demoGardenBy } from "./demoGarden.ts";

export * from "./demoGarden.ts";
export { DEMO_KINDS } from "./kinds.ts";

/** The demo garden as of a day, by the catalogue that ships. */
export const demoGarden = (today: PlainDate): Garden => demoGardenBy(CATALOGUE, today);
