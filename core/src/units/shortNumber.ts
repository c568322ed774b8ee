const DECIMALS = 1000;
/** A number as messages tell it, to the millimetre of a metre. // => shortNumber(1.23456789) is "1.235" */
export const shortNumber = (x: number): string =>
  Number.isInteger(x) || Math.abs(x) < 1 / DECIMALS ? String(x) : String(Math.round(x * DECIMALS) / DECIMALS);
