/**
 * The nouns. One Zod schema each; the types are read off the schemas, so that every rim (form, database
 * row, file) parses into exactly what the core works with.
 *
 *   Garden ─ place (climate input), rules (units, schools)
 *          ├ beds ─ plants stand in one, at a place along it
 *          ├ plants ─ taxon, size, condition, goal
 *          ├ visits ─ what was cut at a plant on a day (cuts; dead and hazard apart)
 *          ├ observations ─ what was seen
 *          ├ viewpoints ─ where somebody stands or sits and looks at a bed
 *          ├ stands ─ the stems of a plant as recorded on a day, with the cuts that are tried on them
 *          ├ hedges ─ the line, the section and the sides of a plant that is a hedge
 *          ├ photos ─ of a plant on a day; their pictures lie apart, by the same id
 *          ├ plans ─ a task meant for a plant on a day
 *          ├ programmes ─ what a plant is brought to over years
 *          ├ works ─ work under way at a plant
 *          ├ corrections ─ what a record said before it was changed or taken out
 *          ├ weather ─ a calendar year's observed days
 *          └ seasons ─ how far the gardener finds a year ahead or behind
 */
import * as z from "zod";
import { MOST } from "./bounds.ts";
import { id, name, rows } from "./pieces.ts";
import { BedSchema, PlaceSchema, RulesSchema } from "./place.ts";
import { PlantSchema } from "./plant.ts";
import {
  CorrectionSchema,
  ObservationSchema,
  PhotoSchema,
  PlannedCutSchema,
  ProgrammeSchema,
  SeasonNoteSchema,
  ViewpointSchema,
  VisitSchema,
  WeatherYearSchema,
} from "./records.ts";
import { HedgeSchema } from "./hedge.ts";
import { WorkSchema } from "./worktime.ts";
import { StandSchema } from "./stand.ts";

/** The lists of a garden, each with its schema; every rim (database, file, diff) walks this table. */
export const LIST_SCHEMAS = {
  beds: BedSchema,
  plants: PlantSchema,
  visits: VisitSchema,
  observations: ObservationSchema,
  viewpoints: ViewpointSchema,
  photos: PhotoSchema,
  plans: PlannedCutSchema,
  programmes: ProgrammeSchema,
  stands: StandSchema,
  hedges: HedgeSchema,
  works: WorkSchema,
  corrections: CorrectionSchema,
  weather: WeatherYearSchema,
  seasons: SeasonNoteSchema,
} as const;
/** Name of one of the garden's lists. */
export type ListName = keyof typeof LIST_SCHEMAS;
/** The garden's lists, in the order of its file. */
export const GARDEN_LISTS = Object.keys(LIST_SCHEMAS) as ListName[];

/** Everything of a garden that is not a list. */
export const HeadSchema = z.strictObject({ id, name, place: PlaceSchema, rules: RulesSchema });

/** The whole garden as a file holds it; anything else is refused. */
export const GardenSchema = z.strictObject({
  ...HeadSchema.shape,
  beds: rows(BedSchema, MOST.beds),
  plants: rows(PlantSchema, MOST.plants),
  visits: rows(VisitSchema, MOST.visits),
  observations: rows(ObservationSchema, MOST.observations),
  viewpoints: rows(ViewpointSchema, MOST.viewpoints),
  photos: rows(PhotoSchema, MOST.photos),
  plans: rows(PlannedCutSchema, MOST.plans),
  programmes: rows(ProgrammeSchema, MOST.programmes),
  stands: rows(StandSchema, MOST.stands),
  hedges: rows(HedgeSchema, MOST.hedges),
  works: rows(WorkSchema, MOST.works),
  corrections: rows(CorrectionSchema, MOST.corrections),
  weather: rows(WeatherYearSchema, MOST.weather),
  seasons: rows(SeasonNoteSchema, MOST.seasons),
});
/** A garden with everything that is kept of it. */
export type Garden = Readonly<z.infer<typeof GardenSchema>>;
