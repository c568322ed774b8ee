/** The theme around what is fetched: the first screen is drawn without MUI, everything else stands in this. */
import { ThemeProvider } from "@mui/material";
import type { CssVarsTheme } from "@mui/material/styles";
import type { ComponentType } from "react";
import { theme } from "./theme.ts";

// With its two schemes MUI would choose between them itself, and once more for each part.
const { colorSchemes: _, ...plain } = theme as unknown as CssVarsTheme;

/** MUI's colours as CSS variables, laid down once; the scheme is chosen by the page's root. */
function layDown(): void {
  const sheet = document.createElement("style");
  const rule = ([of, said]: readonly [string, object]): string =>
    `${of}{${Object.entries(said)
      .map(([k, v]) => `${k}:${String(v)}`)
      .join(";")}}`;
  sheet.textContent = plain
    .generateStyleSheets()
    .flatMap((rules) => Object.entries(rules as Readonly<Record<string, object>>).map(rule))
    .join("");
  document.head.prepend(sheet);
}
layDown();

export function themed<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  return function Themed(props: P) {
    return (
      <ThemeProvider theme={plain}>
        <Part {...props} />
      </ThemeProvider>
    );
  };
}
