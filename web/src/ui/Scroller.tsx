/** A part that may be longer than its room: it can be scrolled by keys, and says what it is. */
import { Box, type BoxProps } from "@mui/material";
import type { ElementType } from "react";

type Props = BoxProps & { readonly label: string; readonly component?: ElementType };

export const Scroller = ({ label, ...rest }: Props) => (
  <Box
    {...rest}
    tabIndex={0}
    role="region"
    aria-label={label}
    sx={{ "&:focus-visible": { outline: "3px solid var(--heart)", outlineOffset: "-3px" }, ...(rest.sx as object) }}
  />
);
