/** The theme around what is fetched: the first screen is drawn without MUI, everything else stands in this. */
import { ThemeProvider } from "@mui/material";
import type { CssVarsTheme } from "@mui/material/styles";
import type { ComponentType } from "react";
import { cssRule } from "./colours.ts";
import { theme } from "./theme.ts";

// With its two schemes MUI would choose between them itself, and once more for each part.
const { colorSchemes: _, ...plain } = theme as unknown as CssVarsTheme;

/** MUI's colours as CSS variables, laid down once; the scheme is chosen by the page's root. */
function layDown(): void {
  const sheet = document.createElement("style");
  sheet.textContent = plain
    .generateStyleSheets()
    .flatMap((rules) =>
      Object.entries(rules as Readonly<Record<string, object>>).map(([of, said]) => cssRule(of, said)),
    )
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
