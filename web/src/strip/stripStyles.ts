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
  ".strip-track": { position: "relative", cursor: "ew-resize", touchAction: "pan-y", userSelect: "none" },
  ".strip-at": {
    position: "absolute",
    top: -3,
    bottom: 15,
    width: 3,
    marginLeft: "-1.5px",
    backgroundColor: "var(--plum)",
    pointerEvents: "none",
    "&::before": {
      content: '""',
      position: "absolute",
      top: -4,
      left: -8,
      width: 19,
      height: 12,
      borderRadius: 2,
      backgroundColor: "var(--plum)",
    },
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
