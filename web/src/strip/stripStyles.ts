/** The strip's look as plain classes. */
const PHONE = "@media (max-width: 599.95px)";

export const stripStyles = {
  ".strip": { borderBlock: "1px solid var(--line)", padding: "6px 0" },
  ".strip-head": {
    display: "flex",
    alignItems: "center",
    columnGap: 8,
    marginBottom: 4,
    flexWrap: "wrap",
    [PHONE]: { columnGap: 2 },
  },
  ".strip-day": {
    fontSize: "1.25rem",
    fontWeight: 600,
    whiteSpace: "nowrap",
    minWidth: 235,
    textAlign: "center",
    margin: 0,
    [PHONE]: { fontSize: "1.05rem", minWidth: 0 },
  },
  // The day's mark is a layer that is moved, so that the curves under it are not painted with every day.
  ".strip-track": {
    position: "relative",
    cursor: "ew-resize",
    touchAction: "pan-y",
    userSelect: "none",
    overflowX: "clip",
    overflowClipMargin: 12,
  },
  ".strip-at": {
    position: "absolute",
    inset: "-3px 0 15px",
    pointerEvents: "none",
    willChange: "transform",
    "&::before, &::after": { content: '""', position: "absolute", backgroundColor: "var(--plum)" },
    "&::before": { top: 0, bottom: 0, left: "-1.5px", width: 3 },
    "&::after": { top: -4, left: "-9.5px", width: 19, height: 12, borderRadius: 2 },
  },
  ".strip-months": {
    display: "flex",
    height: 18,
    fontSize: "0.78rem",
    color: "var(--soft)",
    "& > span": { flex: 1, paddingLeft: 4, overflow: "hidden" },
    "& > span > span": { [PHONE]: { display: "none" } },
  },
} as const;
