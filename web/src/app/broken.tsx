/** What is shown where something broke: the rest of the page stands, and the garden can be kept as a file. */
import { Box, Button, Typography } from "@mui/material";
import { Component, useEffect, type ReactNode } from "react";
import { useLocation, useNavigate, useRouteError } from "react-router";

const messageOf = (e: unknown): string => (e instanceof Error ? e.message : "unknown trouble");

const keepAsFile = async (): Promise<void> => {
  const [{ db, tab }, { loadStored }, { exportFound }] = await Promise.all([
    import("../state/keeper.ts"),
    import("../data/changes.ts"),
    import("../data/fileOut.ts"),
  ]);
  const found = await loadStored(db, tab);
  if (found.is !== "nothing") await exportFound(db, found);
};

/** A screen that broke, inside the shell. */
export function BrokenScreen() {
  const error = useRouteError();
  const navigate = useNavigate();
  const here = useLocation();
  return (
    <Box role="alert" sx={{ py: 4 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        This screen broke
      </Typography>
      <Typography sx={{ mb: 2, overflowWrap: "anywhere" }}>
        Your garden is kept, and the other screens work on. What went wrong: {messageOf(error)}.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button
          variant="contained"
          onClick={() => void navigate({ pathname: here.pathname, search: here.search }, { replace: true })}
        >
          Try again
        </Button>
        <Button variant="outlined" onClick={() => void keepAsFile()}>
          Keep the garden as a file
        </Button>
      </Box>
    </Box>
  );
}

/** The whole page broke: even then the garden comes out as a file. */
export function BrokenPage() {
  const error = useRouteError();
  useEffect(() => {
    document.title = "Something broke · Wren Song";
  }, []);
  return (
    <Box component="main" role="alert" sx={{ p: 3, maxWidth: 720 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Something broke
      </Typography>
      <Typography sx={{ mb: 2, overflowWrap: "anywhere" }}>
        Your garden is kept in this browser. What went wrong: {messageOf(error)}.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={() => window.location.reload()}>
          Reload the page
        </Button>
        <Button variant="outlined" onClick={() => void keepAsFile()}>
          Keep the garden as a file
        </Button>
      </Box>
    </Box>
  );
}

interface PartProps {
  readonly name: string;
  readonly children: ReactNode;
}
/** A part of the shell that breaks alone. */
export class Part extends Component<PartProps, { readonly error: unknown }> {
  override state: { readonly error: unknown } = { error: null };
  static getDerivedStateFromError(error: unknown) {
    return { error };
  }
  override render(): ReactNode {
    return this.state.error === null ? (
      this.props.children
    ) : (
      <Typography role="alert">
        {this.props.name} broke: {messageOf(this.state.error)}.{" "}
        <Button size="small" onClick={() => this.setState({ error: null })}>
          Try again
        </Button>
      </Typography>
    );
  }
}
