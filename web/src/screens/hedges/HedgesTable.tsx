/** The garden's hedges as a table, out and in: all of it, or what is wrong with it line by line and nothing. */
import { Box, Button, Typography } from "@mui/material";
import { CATALOGUE, hedgeTable, issueText, readHedges, UNSURVEYED_BED, type HedgesRead } from "@wren/core";
import Papa from "papaparse";
import { useState } from "react";
import { today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";
import { withHedges } from "./hedgeEdits.ts";

const MOST_SHOWN = 50;
/** A bed for hedges where the garden has none. */
const BED_M = 20;

type Told =
  { readonly ok: true; readonly read: HedgesRead } | { readonly ok: false; readonly problems: readonly string[] };

export function HedgesTable() {
  const { garden, change } = useGarden();
  const [told, setTold] = useState<Told | null>(null);
  const [bedId] = useState(newId);
  const bed =
    garden.beds.length > 0
      ? null
      : { ...UNSURVEYED_BED, id: bedId, name: "Hedges", lengthM: BED_M, order: 0, note: "" };
  const open = async (file: File): Promise<void> => {
    const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
    const read = readHedges(data, {
      garden,
      catalogue: CATALOGUE,
      today: today(),
      bedId: garden.beds[0]?.id ?? bedId,
      newId,
    });
    setTold(
      read.ok
        ? { ok: true, read: read.value }
        : { ok: false, problems: read.issues.map((i) => [...i.path, issueText(i)].join(": ")) },
    );
  };
  const take = async (read: HedgesRead): Promise<void> => {
    if (await change(`${read.hedges.length} hedges from a table`, (g) => withHedges(g, read, bed))) setTold(null);
  };
  const save = (): void => {
    const csv = Papa.unparse(hedgeTable(garden, CATALOGUE).map((r) => [...r]));
    // Spreadsheets need the mark to read accents.
    download(`hedges-${today()}.csv`, `\uFEFF${csv}\r\n`, "text/csv");
  };
  return (
    <Section title="As a table">
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="outlined" onClick={save}>
          Export the hedges
        </Button>
        <FileButton variant="outlined" label="Table of hedges" accept=".csv,text/csv" onFile={(f) => void open(f)}>
          Open a table of hedges
        </FileButton>
      </Box>
      {told?.ok === true && (
        <Box sx={{ mt: 1 }} role="status">
          <Typography>
            {told.read.hedges.length} hedges, {told.read.plants.length} of them new.
          </Typography>
          <Button variant="contained" onClick={() => void take(told.read)}>
            Take them
          </Button>
        </Box>
      )}
      {told?.ok === false && (
        <Box role="alert" sx={{ mt: 1 }}>
          <Typography>Nothing was taken:</Typography>
          <ul>
            {told.problems.slice(0, MOST_SHOWN).map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
        </Box>
      )}
    </Section>
  );
}
