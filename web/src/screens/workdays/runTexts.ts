/** Times and minutes of a run as they are said. */
import type { Job } from "@wren/core";

/** A minute of the day, by the sun. // => clockText(570) is "9:30" */
export const clockText = (minute: number): string => {
  const m = Math.round(minute / 5) * 5;
  return `${Math.floor(m / 60)}:${String(m % 60).padStart(2, "0")}`;
};
/** Minutes are never known to the minute. */
export const rangeText = (job: Job): string => {
  const round = (n: number): number => (n < 20 ? Math.round(n) : Math.round(n / 5) * 5);
  return `${round(job.minutes.low)}–${round(job.minutes.high)} min`;
};
