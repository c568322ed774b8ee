/** What the user says of the place, checked. */
import { hemisphereOf, monthDayToSeasonDay, YEAR_DAYS, type Hemisphere, type MonthDay } from "../calendar/index.ts";
import { BOUNDS } from "../model/index.ts";
import { ok, refused, type Issue, type Result } from "../units/index.ts";
import { isZone, zoneMinimumC, ZONES, type Zone } from "./zones.ts";

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

export interface PlaceClimateInput {
  /** −66 to 66; the sign gives the hemisphere. */
  readonly latitudeDeg: number;
  readonly zone: Zone;
  /** Average (50 %) date of the last 0 °C frost of spring; null where none is expected. */
  readonly lastFrost: MonthDay | null;
  /** Average (50 %) date of the first 0 °C frost of autumn; null where none is expected. */
  readonly firstFrost: MonthDay | null;
  /** null: the climate is worked out from the zone and the frost dates. */
  readonly monthly?: MonthlyClimate | null | undefined;
}

export type PlaceIssueCode =
  | "latitude-range"
  | "latitude-polar"
  | "zone-unknown"
  | "frost-pair"
  | "frost-order"
  | "frost-hemisphere"
  | "frost-season-short"
  | "frost-needed"
  | "frost-unlikely"
  | "months-twelve"
  | "months-range"
  | "months-order"
  | "months-hemisphere";

/** Warmest half-zone in which frost dates are needed: its mean yearly minimum is below 0 °C. */
const frostFree = (zone: Zone): boolean => zoneMinimumC(zone) > 0;
/** Past this mean yearly minimum a 0 °C night is not expected in half of the years. */
const NEVER_FREEZES_C = 3;
const LEAST_FROST_FREE_DAYS = 30;
const POLAR_DEG = 66;

const inOrder = (last: MonthDay, first: MonthDay, h: Hemisphere): boolean =>
  monthDayToSeasonDay(last, h) < monthDayToSeasonDay(first, h);

/** The growing season must hold the hemisphere's midsummer, else the dates belong to the other side. */
const holdsSummer = (last: MonthDay, first: MonthDay, h: Hemisphere): boolean =>
  monthDayToSeasonDay(last, h) < YEAR_DAYS / 2 && monthDayToSeasonDay(first, h) > YEAR_DAYS / 2;

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
  const { lastFrost, firstFrost, zone } = p;
  if ((lastFrost === null) !== (firstFrost === null))
    return at("frost-pair", lastFrost === null ? "lastFrost" : "firstFrost");
  if (lastFrost === null || firstFrost === null)
    return frostFree(zone) ? [] : at("frost-needed", "lastFrost", { zone });
  if (zoneMinimumC(zone) > NEVER_FREEZES_C) return at("frost-unlikely", "lastFrost", { zone });
  const h = hemisphereOf(p.latitudeDeg);
  const other: Hemisphere = h === "north" ? "south" : "north";
  if (!holdsSummer(lastFrost, firstFrost, h) && holdsSummer(lastFrost, firstFrost, other))
    return at("frost-hemisphere", "lastFrost", { hemisphere: h, lastFrost, firstFrost });
  if (!inOrder(lastFrost, firstFrost, h) || !holdsSummer(lastFrost, firstFrost, h))
    return at("frost-order", "lastFrost", { hemisphere: h, lastFrost, firstFrost });
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
  if (!isZone(p.zone))
    issues.push({
      code: "zone-unknown",
      path: ["zone"],
      values: { got: p.zone, first: ZONES[0]!, last: ZONES.at(-1)! },
    });
  else if (issues.length === 0)
    issues.push(...(p.monthly ? monthlyIssues(p.monthly, hemisphereOf(p.latitudeDeg)) : frostIssues(p)));
  return issues.length > 0 ? refused(issues) : ok(p);
}
