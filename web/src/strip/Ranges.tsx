/** Where the ranges of all dates come from, how far their working out is, and a way to stop it. */
import { Box, Button } from "@mui/material";
import { memo } from "react";
import { useProgress, useYearsControl } from "../state/years.ts";

export const Ranges = memo(function Ranges() {
  const p = useProgress();
  const { stop, start } = useYearsControl();
  const small = { minHeight: 28, py: 0, px: 0.75, fontSize: "0.8rem" } as const;
  return (
    <Box
      component="span"
      sx={{
        display: { xs: "none", lg: "inline-flex" },
        alignItems: "center",
        gap: 0.5,
        whiteSpace: "nowrap",
        fontSize: "0.8rem",
        color: "text.secondary",
      }}
    >
      {p.state === "working" && (
        <>
          ranges: {Math.round(p.done * 100)} %
          <Button size="small" sx={small} onClick={stop}>
            Stop
          </Button>
        </>
      )}
      {p.state === "done" && <>ranges: {p.years} years of weather</>}
      {p.state === "stopped" && (
        <>
          ranges: rule of thumb
          <Button size="small" sx={small} onClick={start}>
            Work them out
          </Button>
        </>
      )}
      {p.state === "waiting" && <>ranges: rule of thumb</>}
    </Box>
  );
});
