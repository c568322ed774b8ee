import { GlobalStyles as MuiGlobalStyles } from "@mui/material";
import { schemeVariables } from "./theme.ts";

const styles = { ...schemeVariables, body: { backgroundColor: "var(--mist)", color: "var(--ink)" } };

/** The colours; everything else that is said once for the whole page stands in styles/. */
export const GlobalStyles = () => <MuiGlobalStyles styles={styles} />;
