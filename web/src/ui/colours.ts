/** The colours of the house: mist, ink and the colours of plant parts, in the light and in the dark. */

export const LIGHT = {
  mist: "#e9f0ef",
  paper: "#f7faf9",
  line: "#bfcdcb",
  ink: "#14232a",
  soft: "#42545a",
  sapwood: "#8f5206",
  heart: "#e2a545",
  plum: "#7b285b",
  leaf: "#0a645d",
  leafPale: "#9fc7bf",
  umber: "#5a3d2b",
  alarm: "#a02c14",
  bright: "#b3342a",
  frost: "#3f6f95",
} as const;
export const DARK: Record<keyof typeof LIGHT, string> = {
  mist: "#0f191c",
  paper: "#172429",
  line: "#3a4d53",
  ink: "#e8f0ee",
  soft: "#adbebe",
  sapwood: "#f0b45a",
  heart: "#b9761b",
  plum: "#e6a3cb",
  leaf: "#66cfc3",
  leafPale: "#2c5d58",
  umber: "#c49b7e",
  alarm: "#ff9d84",
  bright: "#e5675a",
  frost: "#8fbbdc",
};

/** A rule of a style sheet. */
export const cssRule = (of: string, said: object): string =>
  `${of}{${Object.entries(said)
    .map(([k, v]) => `${k}:${String(v)}`)
    .join(";")}}`;

/** The colours as CSS variables, so that drawings follow the scheme without re-rendering; laid down before anything is drawn. */
export function layColours(): void {
  const sheet = document.createElement("style");
  // The browser's own parts, scroll bars and calendars, follow as well.
  const scheme = (of: string, name: string, c: Record<string, string>): string =>
    cssRule(of, {
      "color-scheme": name,
      ...Object.fromEntries(Object.entries(c).map(([k, v]) => [`--${k}`, v])),
    });
  sheet.textContent = scheme(":root", "light", LIGHT) + scheme('[data-scheme="dark"]', "dark", DARK);
  document.head.prepend(sheet);
}
