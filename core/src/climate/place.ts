/** What the user says of the place, checked. */
import { hemisphereOf, monthDayToSeasonDay, YEAR_DAYS, type Hemisphere, type MonthDay } from "../calendar/index.ts";
import type { NearClimate } from "./seasonMonths.ts";
import { BOUNDS, type Site } from "../model/index.ts";
import { ok, refused, type Celsius, type Issue, type Result } from "../units/index.ts";
import { isZone, ZONES, type Zone } from "./zones.ts";

/** Twelve numbers, January to December. */
export type Months = readonly number[];

/** A place's own monthly means; with them the frost dates follow and need not be said. */
export interface MonthlyClimate {
  /** Mean daily minimum and maximum, °C. */
  readonly tminC: Months;
  readonly tmaxC: Months;
  /** Day-to-day spread of the minimum and of the daily mean, °C; null where nobody has counted it. */
  readonly sdMinC: Months | null;
  readonly sdMeanC: Months | null;
}

/** Everything but the latitude may be left unsaid. */
export interface PlaceClimateInput {
  /** −66 to 66; the sign gives the hemisphere. */
  readonly latitudeDeg: number;
  readonly zone: Zone | null;
  /** Average (50 %) date of the last 0 °C frost of spring. */
  readonly lastFrost: MonthDay | null;
  /** Average (50 %) date of the first 0 °C frost of autumn. */
  readonly firstFrost: MonthDay | null;
  /** Most years pass without a frost. */
  readonly noFrost?: boolean | undefined;
  /** The coldest night of a usual winter; says more exactly what the zone says. */
  readonly coldestNightC?: Celsius | null | undefined;
  /** Mean maximum of the warmest month, mean minimum of the coldest. */
  readonly warmestC?: Celsius | null | undefined;
  readonly nightsC?: Celsius | null | undefined;
  readonly site?: Site | undefined;
  /** What the towns around say; null: the latitude alone. */
  readonly near?: NearClimate | null | undefined;
  /** The place's own months: with them nothing else is asked. */
  readonly monthly?: MonthlyClimate | null | undefined;
}

export type PlaceIssueCode =
  | "latitude-range"
  | "latitude-polar"
  | "zone-unknown"
  | "frost-order"
  | "frost-hemisphere"
  | "frost-season-short"
  | "frost-none"
  | "months-twelve"
  | "months-range"
  | "months-order"
  | "months-hemisphere";

const LEAST_FROST_FREE_DAYS = 30;
const POLAR_DEG = 66;

/** The growing season must hold the hemisphere's midsummer, else the dates belong to the other side. */
const inSpring = (d: MonthDay, h: Hemisphere): boolean => monthDayToSeasonDay(d, h) < YEAR_DAYS / 2;

/** With less between the warmest and the coldest month, summer cannot be told from winter. */
const LEAST_SWING_C = 3;

function monthlyIssues(m: MonthlyClimate, h: Hemisphere): Issue<PlaceIssueCode>[] {
  const lists = [m.tminC, m.tmaxC, ...(m.sdMinC ? [m.sdMinC] : []), ...(m.sdMeanC ? [m.sdMeanC] : [])];
  if (lists.some((l) => l.length !== 12)) return [{ code: "months-twelve", path: ["monthly"], values: {} }];
  const out: Issue<PlaceIssueCode>[] = [];
  for (let i = 0; i < 12; i++) {
    const [lo, hi] = [m.tminC[i]!, m.tmaxC[i]!];
    const at = { month: i + 1, minC: lo, maxC: hi };
    if (!(lo >= BOUNDS.monthC.from && hi <= BOUNDS.monthC.to))
      out.push({ code: "months-range", path: ["monthly", i], values: at });
    else if (!(hi > lo)) out.push({ code: "months-order", path: ["monthly", i], values: at });
  }
  if (out.length > 0) return out;
  const half = (from: number): number =>
    Array.from({ length: 6 }, (_, i) => (m.tminC[(from + i) % 12]! + m.tmaxC[(from + i) % 12]!) / 12).reduce(
      (a, b) => a + b,
      0,
    );
  const summerLead = (half(4) - half(10)) * (h === "north" ? 1 : -1);
  return summerLead < 0 - LEAST_SWING_C
    ? [{ code: "months-hemisphere", path: ["monthly"], values: { hemisphere: h } }]
    : [];
}

function frostIssues(p: PlaceClimateInput): Issue<PlaceIssueCode>[] {
  const at = (code: PlaceIssueCode, field: string, values = {}): Issue<PlaceIssueCode>[] => [
    { code, path: [field], values },
  ];
  const { lastFrost, firstFrost } = p;
  if (p.noFrost === true)
    return lastFrost === null && firstFrost === null
      ? []
      : at("frost-none", lastFrost === null ? "firstFrost" : "lastFrost");
  const h = hemisphereOf(p.latitudeDeg);
  const wrong = [
    ...(lastFrost !== null && !inSpring(lastFrost, h) ? ["lastFrost"] : []),
    ...(firstFrost !== null && inSpring(firstFrost, h) ? ["firstFrost"] : []),
  ];
  const values = { hemisphere: h, lastFrost: lastFrost ?? "", firstFrost: firstFrost ?? "" };
  if (wrong.length === 2) return at("frost-hemisphere", "lastFrost", values);
  if (wrong.length === 1) return at("frost-order", wrong[0]!, values);
  if (lastFrost === null || firstFrost === null) return [];
  const days = monthDayToSeasonDay(firstFrost, h) - monthDayToSeasonDay(lastFrost, h);
  return days < LEAST_FROST_FREE_DAYS ? at("frost-season-short", "firstFrost", { days }) : [];
}

/**
 * Checks what was entered for a place, field by field.
 * @returns the same input, or issues whose first path element names the field
 */
export function checkPlaceClimate(p: PlaceClimateInput): Result<PlaceClimateInput, PlaceIssueCode> {
  const issues: Issue<PlaceIssueCode>[] = [];
  if (!Number.isFinite(p.latitudeDeg) || Math.abs(p.latitudeDeg) > 90)
    issues.push({ code: "latitude-range", path: ["latitudeDeg"], values: { got: p.latitudeDeg } });
  else if (Math.abs(p.latitudeDeg) > POLAR_DEG)
    issues.push({ code: "latitude-polar", path: ["latitudeDeg"], values: { got: p.latitudeDeg } });
  if (p.zone !== null && !isZone(p.zone))
    issues.push({
      code: "zone-unknown",
      path: ["zone"],
      values: { got: p.zone, first: ZONES[0]!, last: ZONES.at(-1)! },
    });
  else if (issues.length === 0)
    issues.push(...(p.monthly ? monthlyIssues(p.monthly, hemisphereOf(p.latitudeDeg)) : frostIssues(p)));
  return issues.length > 0 ? refused(issues) : ok(p);
}
