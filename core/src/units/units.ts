/**
 * Branded quantities. The unit stands in the name and on the type, so that a length in millimetres
 * cannot be handed to something that expects metres. SI inside; conversion only at the edge.
 */
declare const unit: unique symbol;
type Quantity<U extends string> = number & { readonly [unit]?: U };

/** A length in metres. */
export type Metres = Quantity<"m">;
/** A length in millimetres; used for stem diameters and distances at the blade. */
export type Millimetres = Quantity<"mm">;
/** A temperature in degrees Celsius. */
export type Celsius = Quantity<"C">;
/** Accumulated warmth in °C·day above the base it was counted with. */
export type DegreeDays = Quantity<"C.day">;
/** A share of a whole, 0 to 1. */
export type Share = Quantity<"share">;
/** A whole or broken number of days. */
export type Days = Quantity<"day">;
/** An angle in degrees. */
export type Degrees = Quantity<"deg">;
/** Working time in minutes. */
export type Minutes = Quantity<"min">;

const METRES_PER_INCH = 0.0254;

/** Inches to metres. // => inches(27) is 0.6858 */
export const inches = (n: number): Metres => n * METRES_PER_INCH;
/** Metres to inches. // => toInches(0.2286) is 9 */
export const toInches = (m: Metres): number => m / METRES_PER_INCH;
/** Degrees Fahrenheit to °C. // => fahrenheit(50) is 10 */
export const fahrenheit = (f: number): Celsius => ((f - 32) * 5) / 9;
/** °C to degrees Fahrenheit. // => toFahrenheit(10) is 50 */
export const toFahrenheit = (c: Celsius): number => (c * 9) / 5 + 32;
/** °F·day to °C·day. // => degreeDaysF(234) is 130 */
export const degreeDaysF = (f: number): DegreeDays => (f * 5) / 9;
/** Holds a share inside 0 to 1. // => clampShare(1.2) is 1 */
export const clampShare = (x: number): Share => Math.min(1, Math.max(0, x));
