/** The walk through the garden: from a few presses to plants. Pure, so that a test can walk it. */
import {
  CATALOGUE,
  unnamed,
  UNSURVEYED_PLANT,
  addYears,
  wish,
  type Bed,
  type Condition,
  type Danger,
  type Form,
  type Garden,
  type GoalKind,
  type Metres,
  type Plant,
  type PlainDate,
} from "@wren/core";
import { nextPlace } from "../../forms/nextPlace.ts";

export const UNKNOWN_KIND = "unknown";
export type Age = "this-year" | "last-year" | "few" | "old" | "unknown";
export type Look = "healthy" | "unchecked" | "stressed" | "dieback";

/** What was pressed for one plant, or for a row of them. */
export interface Pressed {
  readonly bedId: string;
  /** Taxon id, or "unknown" for a shrub nobody can name. */
  readonly kind: string;
  readonly label: string;
  readonly heightM: Metres;
  readonly age: Age;
  readonly look: Look;
  /** null: as its kind is usually grown. */
  readonly form: Form | null;
  /** The one danger seen at a glance; the survey asks for more. */
  readonly danger: WalkDanger;
  readonly goal: GoalKind;
  readonly wantedM: Metres | null;
  readonly count: number;
}

/** What is seen from the path: none, a wire within reach of it, or one of the survey's dangers. */
export type WalkDanger = "none" | "wire" | Danger;

/** Years before today that stand for an answer; null when nobody knows. Three years is what "a few" is counted as. */
const AGE_YEARS: Readonly<Record<Age, number | null>> = {
  "this-year": 0,
  "last-year": 1,
  few: 3,
  old: 8,
  unknown: null,
};

const CONDITION: Readonly<Record<Look, Condition>> = {
  healthy: "healthy",
  unchecked: "unchecked",
  stressed: "stressed",
  dieback: "dieback",
};

/** Most shrubs are about as wide as the catalogue's shape says of their height. */
function widthFor(kind: string, heightM: Metres): Metres {
  const taxon = CATALOGUE.byId(kind);
  const ratio = taxon
    ? (taxon.matureWidthM[0] + taxon.matureWidthM[1]) / (taxon.matureHeightM[0] + taxon.matureHeightM[1])
    : 0.9;
  return Math.max(0.1, Math.round(Math.min(heightM * ratio, taxon?.matureWidthM[1] ?? 4) * 20) / 20);
}

export const defaultLabel = (kind: string): string =>
  kind === UNKNOWN_KIND ? "Unknown shrub" : (CATALOGUE.byId(kind)?.common[0] ?? "");

/** A name no plant of the garden carries yet. // => "Yew", then "Yew 2" */
function freeLabel(label: string, taken: ReadonlySet<string>): string {
  if (!taken.has(label)) return label;
  let n = 2;
  while (taken.has(`${label} ${n}`)) n++;
  return `${label} ${n}`;
}

/** The garden with the plants pressed: a row stands side by side, each plant a record of its own. A bed grows when it is full. */
export function withPressed(g: Garden, p: Pressed, today: PlainDate, newId: () => string): Garden {
  const years = AGE_YEARS[p.age];
  const plants: Plant[] = [...g.plants];
  const taken = new Set(plants.map((x) => x.label));
  const widthM = widthFor(p.kind, p.heightM);
  const condition = CONDITION[p.look];
  for (let i = 0; i < p.count; i++) {
    const label = freeLabel(p.label.trim() || defaultLabel(p.kind), taken);
    taken.add(label);
    plants.push({
      ...UNSURVEYED_PLANT,
      ...(p.kind === UNKNOWN_KIND ? unnamed(today) : { taxonId: p.kind, identity: null }),
      id: newId(),
      bedId: p.bedId,
      label,
      alongM: nextPlace(plants, p.bedId, 200, widthM),
      heightM: p.heightM,
      heightOn: today,
      widthM,
      plantedOn: years === null ? null : addYears(today, -years),
      plantedAbout: years !== null && years > 1,
      condition: p.age === "unknown" && condition === "healthy" ? "healthy" : condition,
      conditionOn: condition === "healthy" ? null : today,
      form: p.form,
      dangers: p.danger === "none" || p.danger === "wire" ? [] : [{ what: p.danger, on: today }],
      touches: p.danger === "wire" ? [{ what: "wire", distanceM: 0 }] : [],
      goal: wish(p.goal, p.wantedM),
      powerLineM: null,
      thickestStemMm: null,
      note: "",
    });
  }
  const end = Math.max(...plants.filter((x) => x.bedId === p.bedId).map((x) => x.alongM + x.widthM / 2));
  const beds = g.beds.map((b): Bed =>
    b.id === p.bedId && end > b.lengthM ? { ...b, lengthM: Math.min(200, Math.ceil(end)) } : b,
  );
  return { ...g, beds, plants };
}
