/** MUI is the machinery; the look is ours: no ripple, no card shadows. */
import { createTheme } from "@mui/material";
import { DARK, LIGHT } from "./colours.ts";

const SANS = "'Atkinson Hyperlegible Next Variable', sans-serif";
const SERIF = "'Alegreya Variable', serif";

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
