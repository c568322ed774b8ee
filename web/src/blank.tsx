import { ThemeProvider, Typography } from "@mui/material";
import { createRoot } from "react-dom/client";
import { theme } from "./ui/theme.ts";

createRoot(document.getElementById("root")!).render(
  <ThemeProvider theme={theme}>
    <Typography component="h1">Nothing here</Typography>
  </ThemeProvider>,
);
