/** The plant form: what is typed in, and how it becomes a plant. */
import {
  aboutYear,
  BOUNDS,
  CONDITIONS,
  FORMS,
  GOALS,
  goalHasHeight,
  lengthInField,
  LETTERS,
  UNSURVEYED_PLANT,
  VIGOURS,
  wish,
  type Bed,
  type Plant,
  type PlainDate,
  type Rules,
  type Taxon,
} from "@wren/core";
import * as z from "zod";
import { bareUnit, lengthText, nameText, noteText, numberText, pastDate, pastYear, readField } from "./fields.ts";

/** @param firstRecord the plant's earliest record, after which it cannot have been planted; null when it has none */
export function plantSchema(units: Rules["units"], today: PlainDate, firstRecord: PlainDate | null = null) {
  const bare = bareUnit(units);
  return z
    .strictObject({
      taxonId: z.string(),
      label: z.string(),
      bedId: z.string(),
      height: z.string(),
      width: z.string(),
      historyKnown: z.enum(["yes", "about", "no"]),
      plantedOn: z.string(),
      plantedYear: z.string(),
      condition: z.enum(CONDITIONS),
      form: z.enum(["", ...FORMS]),
      vigour: z.enum(VIGOURS),
      goal: z.enum(GOALS),
      goalHeight: z.string(),
      powerLine: z.string(),
      thickest: z.string(),
      note: z.string(),
    })
    .transform((v, ctx) => {
      const read = <T>(path: keyof typeof v, schema: z.ZodType<T, string>): T | null =>
        readField(ctx, path, schema, v[path]);
      const filled = <T>(path: keyof typeof v, schema: z.ZodType<T, string>): T | null =>
        v[path].trim() === "" ? null : read(path, schema);
      const label = read("label", nameText("Give it a name"));
      const height = read("height", lengthText(bare, BOUNDS.heightM));
      const width = read("width", lengthText(bare, BOUNDS.widthM));
      // A record tells that it stood there by then, whatever is known of the year.
      const latest = firstRecord !== null && firstRecord < today ? firstRecord : today;
      const plantedOn =
        v.historyKnown === "yes"
          ? read("plantedOn", pastDate(today))
          : v.historyKnown === "about"
            ? read(
                "plantedYear",
                pastYear(today).transform((y) => aboutYear(y, latest)),
              )
            : null;
      if (plantedOn !== null && firstRecord !== null && plantedOn > firstRecord)
        ctx.addIssue({
          code: "custom",
          path: [v.historyKnown === "yes" ? "plantedOn" : "plantedYear"],
          message: `It has a record of ${firstRecord}: expected that day or earlier`,
        });
      const needsHeight = goalHasHeight(v.goal);
      const goalHeight = needsHeight ? read("goalHeight", lengthText(bare, BOUNDS.heightM)) : null;
      const powerLine = filled("powerLine", lengthText(bare, BOUNDS.powerLineM));
      const thickest = filled("thickest", numberText(BOUNDS.millimetres));
      const note = read("note", noteText(LETTERS.note));
      read("taxonId", z.string().min(1, "Choose a kind"));
      read("bedId", z.string().min(1, "Choose a bed"));
      if (label === null || height === null || width === null || note === null || ctx.issues.length > 0) return z.NEVER;
      return { ...v, label, height, width, plantedOn, goalHeight, powerLine, thickest, note };
    });
}
type Schema = ReturnType<typeof plantSchema>;
export type PlantInput = z.input<Schema>;
export type PlantValues = z.output<Schema>;

/** What the form shows for a plant. */
export function plantInput(p: Plant, units: Rules["units"]): PlantInput {
  const bare = bareUnit(units);
  const length = (m: number | null): string => (m === null ? "" : lengthInField(m, bare));
  return {
    taxonId: p.taxonId,
    label: p.label,
    bedId: p.bedId,
    height: length(p.heightM),
    width: length(p.widthM),
    historyKnown: p.plantedOn === null ? "no" : p.plantedAbout ? "about" : "yes",
    plantedOn: p.plantedOn ?? "",
    plantedYear: p.plantedOn?.slice(0, 4) ?? "",
    condition: p.condition,
    form: p.form ?? "",
    vigour: p.vigour,
    goal: p.goal.kind,
    goalHeight: length(p.goal.heightM),
    powerLine: length(p.powerLineM),
    thickest: p.thickestStemMm === null ? "" : String(p.thickestStemMm),
    note: p.note,
  };
}

/** What the form starts with for a new plant of a kind; sizes are a middling young plant's. */
export function newPlantInput(taxon: Taxon | null, bed: Bed | undefined, units: Rules["units"]): PlantInput {
  const bare = bareUnit(units);
  const part = (m: number | undefined): string => (m === undefined ? "" : lengthInField(Math.round(m * 6) / 10, bare));
  return {
    taxonId: taxon?.id ?? "",
    label: taxon?.common[0] ?? "",
    bedId: bed?.id ?? "",
    height: part(taxon?.matureHeightM[0]),
    width: part(taxon?.matureWidthM[0]),
    historyKnown: "yes",
    plantedOn: "",
    plantedYear: "",
    condition: "healthy",
    form: "",
    vigour: "usual",
    goal: "routine",
    goalHeight: "",
    powerLine: "",
    thickest: "",
    note: "",
  };
}

/** A plant from the form. Height counts as measured today when it is new or was changed. */
export function plantFrom(
  v: PlantValues,
  before: Plant | null,
  today: PlainDate,
  place: Pick<Plant, "id" | "alongM">,
): Plant {
  const goal: Plant["goal"] = {
    ...(before?.goal ?? wish("routine")),
    kind: v.goal,
    heightM: goalHasHeight(v.goal) ? v.goalHeight : null,
  };
  const sameHeight = before !== null && Math.abs(before.heightM - v.height) < 0.001;
  const sameYear =
    v.historyKnown === "about" &&
    before !== null &&
    before.plantedAbout &&
    before.plantedOn?.slice(0, 4) === v.plantedYear.trim();
  const sameCondition = before?.condition === v.condition;
  return {
    ...UNSURVEYED_PLANT,
    ...before,
    ...place,
    // A kind chosen by hand is settled.
    identity: before?.taxonId === v.taxonId ? before.identity : null,
    bedId: v.bedId,
    taxonId: v.taxonId,
    label: v.label,
    heightM: v.height,
    heightOn: sameHeight ? before.heightOn : today,
    widthM: v.width,
    // The same year, guessed before: its day stays.
    plantedOn: sameYear ? before.plantedOn : v.plantedOn,
    plantedAbout: v.historyKnown === "about",
    condition: v.condition,
    conditionOn: sameCondition ? before.conditionOn : v.condition === "healthy" ? null : today,
    form: v.form === "" ? null : v.form,
    vigour: v.vigour,
    goal,
    powerLineM: v.powerLine,
    thickestStemMm: v.thickest,
    note: v.note,
  };
}
