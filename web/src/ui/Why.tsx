/** Any number on screen can be asked why: what went in, the formula in words, where it comes from. */
import { Box, Popover, Typography } from "@mui/material";
import { SOURCES, type SourceId } from "@wren/core";
import { useId, useState, type ReactNode } from "react";

export interface Explanation {
  /** The formula in words. */
  readonly formula: string;
  readonly inputs: readonly (readonly [string, string])[];
  readonly sources: readonly SourceId[];
}

interface Props {
  /** What the number is. */
  readonly title: string;
  readonly children: ReactNode;
  /** Worked out when it is asked for: an answer has half a dozen numbers, and the day is dragged past them all. */
  readonly of: () => Explanation;
}

export function Why({ title, children, of }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        className="why"
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        aria-label={`Why? ${title}`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {children}
      </button>
      {anchor !== null && <Answer anchor={anchor} title={title} of={of()} onClose={() => setAnchor(null)} />}
    </>
  );
}

interface AnswerProps {
  readonly anchor: HTMLElement;
  readonly title: string;
  readonly of: Explanation;
  readonly onClose: () => void;
}
function Answer({ anchor, title, of, onClose }: AnswerProps) {
  const id = useId();
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      slotProps={{ paper: { "aria-labelledby": id, role: "dialog", sx: { p: 2, maxWidth: 380 } } }}
    >
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
    </Popover>
  );
}
