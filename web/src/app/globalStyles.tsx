import { GlobalStyles as MuiGlobalStyles } from "@mui/material";
import { answerStyles } from "../answer/answerStyles.ts";
import { stripStyles } from "../strip/stripStyles.ts";
import { schemeVariables } from "./theme.ts";

/** What is said once for the whole page. */
export const GlobalStyles = () => (
  <MuiGlobalStyles
    styles={{
      ...schemeVariables,
      ...answerStyles,
      ...stripStyles,
      body: { backgroundColor: "var(--mist)", color: "var(--ink)" },
      "a, button, [role=slider], [tabindex]": {
        "&:focus-visible": { outline: "3px solid var(--plum)", outlineOffset: 2 },
      },
      ".numeral": { fontFamily: "'Alegreya Variable', Georgia, serif", fontFeatureSettings: '"lnum"' },
      ".mark": { display: "inline-flex", alignItems: "center", gap: 6, fontWeight: 700, whiteSpace: "nowrap" },
      ".row": {
        display: "flex",
        alignItems: "center",
        paddingRight: 4,
        borderBottom: "1px solid var(--line)",
        borderLeft: "5px solid transparent",
        // Rows out of sight cost nothing while the day is dragged.
        contentVisibility: "auto",
        containIntrinsicSize: "auto 96px",
      },
      ".row-chosen": { borderLeftColor: "var(--plum)", backgroundColor: "var(--paper)" },
      ".row-look": { flexWrap: "wrap" },
      ".row-main": {
        display: "flex",
        flex: 1,
        minWidth: 0,
        gap: 10,
        padding: 6,
        alignItems: "flex-start",
        textAlign: "left",
        font: "inherit",
        color: "inherit",
        background: "none",
        border: 0,
        cursor: "pointer",
      },
      ".row-look .row-main": { flex: "1 1 100%" },
      ".row-text": { flex: 1, minWidth: 0 },
      ".row-head": {
        display: "flex",
        justifyContent: "space-between",
        gap: 8,
        alignItems: "baseline",
        flexWrap: "wrap",
      },
      ".row-label": { fontWeight: 700, fontSize: "1.05rem" },
      ".row-verdict": { display: "inline-flex", gap: 8, alignItems: "center" },
      ".row-when, .row-price": { color: "var(--soft)" },
      ".row-line, .row-price": { display: "block" },
      ".row-price": { fontSize: "0.9rem" },
      ".row-seen": { paddingLeft: 76, paddingBottom: 8 },
      ".row-start": { fontWeight: 700 },
      ".sr-only": {
        position: "absolute",
        width: 1,
        height: 1,
        overflow: "hidden",
        clipPath: "inset(50%)",
        whiteSpace: "nowrap",
      },
      "@media (prefers-reduced-motion: reduce)": {
        "*": { transition: "none !important", animation: "none !important" },
      },
      "@media print": {
        "nav, .no-print": { display: "none !important" },
        ".row": { contentVisibility: "visible" },
      },
    }}
  />
);
