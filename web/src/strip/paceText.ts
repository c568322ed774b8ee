/** How far a year runs ahead, in words. */
export const paceText = (days: number, say: (n: number) => string): string => {
  const whole = Math.round(days);
  if (whole === 0) return "as usual";
  return whole > 0 ? `${say(whole)} ahead` : `${say(-whole)} behind`;
};
