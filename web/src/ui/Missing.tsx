/** What an address pointed at is not there: said, with the way on. */
import { Box, Button, Typography } from "@mui/material";
import { DayLink } from "./DayLink.tsx";

interface Props {
  readonly what: string;
  readonly hint?: string;
  readonly to: string;
  readonly way: string;
}

export function Missing({ what, hint, to, way }: Props) {
  return (
    <Box sx={{ py: 6, textAlign: "center" }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        {what}
      </Typography>
      {hint && <Typography sx={{ mb: 2 }}>{hint}</Typography>}
      <Button component={DayLink} to={to} variant="contained">
        {way}
      </Button>
    </Box>
  );
}
