/** What is set apart of the garden: kept, shown with why, and let go only when asked. */
import { Box, Button, Typography } from "@mui/material";
import { CATALOGUE, triedAgain } from "@wren/core";
import { today } from "../../data/clock.ts";
import { useGarden } from "../../state/garden.tsx";
import { ApartTable } from "../../ui/ApartTable.tsx";

export function ApartScreen() {
  const { garden, apart, change } = useGarden();
  const letGo = (): Promise<boolean> => change(`${apart.length} set apart let go`, (g) => g, { apart: [] });
  const tryAgain = (): Promise<boolean> => {
    const ground = { catalogue: CATALOGUE, today: today() };
    const { apart: stays } = triedAgain(garden, apart, ground);
    const back = apart.length - stays.length;
    return change(`${back} put back`, (g) => triedAgain(g, apart, ground).garden, { apart: stays });
  };
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Set apart
      </Typography>
      <Typography sx={{ mb: 2 }}>
        {apart.length === 0
          ? "Nothing is set apart: everything that is kept can be read."
          : "These rows cannot be part of the garden as things stand. They are kept as they are, and go along in every file you export. A newer version may be able to read them: try them again then."}
      </Typography>
      <ApartTable apart={apart} />
      {apart.length > 0 && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button variant="contained" onClick={() => void tryAgain()}>
            Try them again
          </Button>
          <Button variant="outlined" color="error" onClick={() => void letGo()}>
            Let them go
          </Button>
        </Box>
      )}
    </Box>
  );
}
