/** Screens that are fetched when they are opened. One that cannot be fetched says so where it would stand, and is tried again. */
import { Box, Button, Typography } from "@mui/material";
import { useEffect, useState, type ComponentType } from "react";

interface FailedProps {
  readonly onAgain: () => void;
}
function Failed({ onAgain }: FailedProps) {
  useEffect(() => {
    window.addEventListener("online", onAgain);
    return () => window.removeEventListener("online", onAgain);
  }, [onAgain]);
  return (
    <Box role="alert" sx={{ py: 4 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        This screen could not be fetched
      </Typography>
      <Typography sx={{ mb: 2 }}>
        There seems to be no connection, or the program was renewed meanwhile. Everything you wrote down is kept. It is
        tried again as soon as there is a connection.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={onAgain}>
          Try again
        </Button>
        <Button variant="outlined" onClick={() => window.location.reload()}>
          Reload the page
        </Button>
      </Box>
    </Box>
  );
}

/** @param fetch gives the screen; asked again after it failed */
export function later(fetch: () => Promise<ComponentType>): ComponentType {
  let ready: ComponentType | null = null;
  return function Later() {
    const [state, setState] = useState<"waiting" | "failed" | "ready">(ready ? "ready" : "waiting");
    useEffect(() => {
      if (state !== "waiting") return;
      let live = true;
      fetch().then(
        (screen) => {
          ready = screen;
          if (live) setState("ready");
        },
        () => live && setState("failed"),
      );
      return () => {
        live = false;
      };
    }, [state]);
    if (state === "failed") return <Failed onAgain={() => setState("waiting")} />;
    const Screen = ready;
    return Screen ? <Screen /> : <Typography role="status">Fetching this screen…</Typography>;
  };
}
