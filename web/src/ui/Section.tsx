import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  readonly title: string;
  readonly children: ReactNode;
  /** Right of the title. */
  readonly aside?: ReactNode;
  readonly id?: string;
}

/** A titled part of a page: a rule above, a serif title, no box. */
export function Section({ title, children, aside, id }: Props) {
  return (
    <Box component="section" aria-label={title} id={id} sx={{ borderTop: "2px solid var(--ink)", pt: 1, mb: 3 }}>
      <Box
        sx={{
          display: "flex",
          alignItems: "baseline",
          justifyContent: "space-between",
          gap: 2,
          mb: 1,
          flexWrap: "wrap",
        }}
      >
        <Typography variant="h2">{title}</Typography>
        {aside}
      </Box>
      {children}
    </Box>
  );
}
