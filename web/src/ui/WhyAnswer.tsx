/** The answer to a "why?": inputs, formula, source. */
import { Box, Popover, Typography } from "@mui/material";
import { SOURCES } from "@wren/core";
import { useId } from "react";
import { Scroller } from "./Scroller.tsx";
import type { Explanation } from "./explanation.ts";

interface AnswerProps {
  readonly anchor: HTMLElement;
  readonly title: string;
  readonly of: Explanation;
  readonly onClose: () => void;
}
export default function WhyAnswer({ anchor, title, of, onClose }: AnswerProps) {
  const id = useId();
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      slotProps={{ paper: { "aria-labelledby": id, role: "dialog", sx: { maxWidth: 380, overflow: "hidden" } } }}
    >
      <Scroller label={title} sx={{ p: 2, maxHeight: "calc(100vh - 40px)", overflowY: "auto" }}>
        <Typography variant="h3" component="h2" id={id} sx={{ mb: 0.5 }}>
          {title}
        </Typography>
        <Typography sx={{ mb: 1 }}>{of.formula}</Typography>
        <Box component="dl" sx={{ m: 0, display: "grid", gridTemplateColumns: "auto 1fr", columnGap: 2, rowGap: 0.25 }}>
          {of.inputs.map(([name, value]) => (
            <Box key={name} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ color: "text.secondary" }}>
                {name}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {value}
              </Box>
            </Box>
          ))}
        </Box>
        <Typography variant="body2" sx={{ mt: 1, color: "text.secondary" }}>
          {of.sources.map((s) => `${SOURCES[s].citation} (${SOURCES[s].standing})`).join("; ")}
        </Typography>
      </Scroller>
    </Popover>
  );
}
