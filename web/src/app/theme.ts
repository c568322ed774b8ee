/** MUI is the machinery; the look is ours: mist, ink and the colours of plant parts, no ripple, no card shadows. */
import { createTheme } from "@mui/material";

const SANS = "'Atkinson Hyperlegible Next Variable', 'Segoe UI', sans-serif";
export const SERIF = "'Alegreya Variable', Georgia, serif";

const LIGHT = {
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
const DARK: Record<keyof typeof LIGHT, string> = {
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

const vars = (c: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(c).map(([k, v]) => [`--${k}`, v]));

/** The colours as CSS variables, so that drawings follow the scheme without re-rendering; laid down before anything is drawn. */
export function layColours(): void {
  const sheet = document.createElement("style");
  const rule = (of: string, c: Record<string, string>): string =>
    `${of}{${Object.entries(vars(c))
      .map(([k, v]) => `${k}:${v}`)
      .join(";")}}`;
  sheet.textContent = rule(":root", LIGHT) + rule('[data-scheme="dark"]', DARK);
  document.head.prepend(sheet);
}

const palette = (c: Record<keyof typeof LIGHT, string>, contrast: string) => ({
  primary: { main: c.leaf, contrastText: contrast },
  secondary: { main: c.plum, contrastText: contrast },
  error: { main: c.alarm },
  warning: { main: c.sapwood },
  background: { default: c.mist, paper: c.paper },
  text: { primary: c.ink, secondary: c.soft },
  divider: c.line,
});

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "data-scheme" },
  colorSchemes: {
    light: { palette: palette(LIGHT, "#ffffff") },
    dark: { palette: palette(DARK, "#0f191c") },
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: SANS,
    fontSize: 15,
    htmlFontSize: 16,
    h1: { fontFamily: SERIF, fontSize: "1.9rem", fontWeight: 600, lineHeight: 1.15 },
    h2: { fontFamily: SERIF, fontSize: "1.4rem", fontWeight: 600, lineHeight: 1.2 },
    h3: { fontFamily: SERIF, fontSize: "1.15rem", fontWeight: 600, lineHeight: 1.25 },
    button: { textTransform: "none", fontWeight: 600 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 44,
          paddingInline: 16,
          "&.Mui-focusVisible": { outline: "3px solid var(--plum)", outlineOffset: 2 },
        },
        outlined: { borderColor: "var(--line)", color: "var(--ink)" },
      },
    },
    MuiIconButton: {
      styleOverrides: {
        root: {
          width: 44,
          height: 44,
          borderRadius: 3,
          color: "var(--ink)",
          "&.Mui-focusVisible": { outline: "3px solid var(--plum)" },
        },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: "none" } } },
    // In line with the fields above them.
    MuiDialogActions: { styleOverrides: { root: { padding: "8px 24px 20px" } } },
    MuiDialog: { styleOverrides: { paper: { border: "1px solid var(--line)", boxShadow: "none" } } },
    MuiPopover: { styleOverrides: { paper: { border: "1px solid var(--ink)", boxShadow: "none" } } },
    MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
    MuiFormHelperText: { styleOverrides: { root: { marginInline: 0, fontSize: "0.85rem" } } },
    MuiInputBase: { styleOverrides: { root: { backgroundColor: "var(--paper)", minHeight: 44 } } },
    // Some sliders follow what is dragged elsewhere: sixty of them easing after it would cost a frame each time.
    MuiSlider: { styleOverrides: { thumb: { transition: "none" }, track: { transition: "none" } } },
    MuiLink: { defaultProps: { underline: "always", color: "inherit" } },
  },
});
