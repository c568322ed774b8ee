/** The whole garden in one file, out and in. An import shows what it would change, and is all or nothing. */
import { Box, Button, Typography } from "@mui/material";
import { demoGarden, emptyGarden, RECORD_TABLES, recordTable, type RecordTable } from "@wren/core";
import { useState } from "react";
import { today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { markLeaving } from "../../data/exchange.ts";
import { fileName, fileOf } from "../../data/fileOut.ts";
import { MOST_AS_TEXT, picturesBytes } from "../../data/pictures.ts";
import { useGarden } from "../../state/garden.tsx";
import { noteExport } from "../../state/exported.ts";
import { newId } from "../../state/ids.ts";
import { useNotices } from "../../state/notices.tsx";
import { useVoice } from "../../state/voice.ts";
import { db } from "../../state/keeper.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";
import { ImportDialog } from "./ImportDialog.tsx";
import { EarlierDays } from "./EarlierDays.tsx";

const TABLE_LABELS: Readonly<Record<RecordTable, string>> = {
  visits: "Visits (CSV)",
  cuts: "Cuts (CSV)",
  observations: "What was seen (CSV)",
};

export function DataInOut() {
  const { garden, model, apart, change } = useGarden();
  const say = useVoice();
  const { say: notify } = useNotices();
  const [chosen, setChosen] = useState<readonly File[] | null>(null);
  const clear = () =>
    change("Garden cleared", (g) => ({ ...emptyGarden(newId(), g.place), name: g.name, rules: g.rules, beds: [] }), {
      demo: false,
      apart: [],
      replaces: true,
    });
  const pack = async (): Promise<void> => {
    const [{ archiveName, archiveOf }, { calendarOf }] = await Promise.all([
      import("../../data/archive.ts"),
      import("./calendarText.ts"),
    ]);
    const lineage = await markLeaving(db, garden);
    download(archiveName(garden), await archiveOf(db, garden, apart, calendarOf(model, say), lineage));
    noteExport();
  };
  const save = async (): Promise<void> => {
    // With so many pictures one text would be too long to be read again.
    const ids = garden.photos.map((p) => p.id);
    if ((await picturesBytes(db, ids).catch(() => 0)) > MOST_AS_TEXT) return pack();
    download(fileName(garden), await fileOf(db, garden, apart, await markLeaving(db, garden)));
    noteExport();
  };
  const out = (write: () => Promise<void>): void => {
    write().catch((e: unknown) =>
      notify({ text: `The file could not be written: ${e instanceof Error ? e.message : String(e)}`, trouble: true }),
    );
  };
  const table = async (t: RecordTable): Promise<void> => {
    const { default: Papa } = await import("papaparse");
    const csv = Papa.unparse(
      recordTable(model, t).map((r) => [...r]),
      { newline: "\r\n" },
    );
    download(`${t}-${today()}.csv`, `\uFEFF${csv}`, "text/csv");
  };
  return (
    <Section title="Your data">
      <Typography sx={{ mb: 1.5 }}>
        Everything stays in this browser. Nothing is sent anywhere. Export now and then, and keep the file.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={() => out(save)}>
          Export the garden
        </Button>
        <Button variant="outlined" onClick={() => out(pack)}>
          Everything in one archive
        </Button>
        <FileButton
          variant="outlined"
          label="Garden file"
          accept=".json,application/json,.zip,application/zip,.csv,text/csv"
          onFiles={setChosen}
        >
          Import a garden
        </FileButton>
        <Button
          variant="outlined"
          onClick={() =>
            void change("Demo garden opened", () => demoGarden(today()), { demo: true, apart: [], replaces: true })
          }
        >
          Open the demo garden
        </Button>
        <Button variant="outlined" color="error" onClick={() => void clear()}>
          Clear everything
        </Button>
        {apart.length > 0 && (
          <Button component={DayLink} to="/apart" variant="outlined">
            What is set apart
          </Button>
        )}
      </Box>
      <Typography component="h3" sx={{ fontWeight: 700, mt: 2 }}>
        Records as tables
      </Typography>
      <Typography sx={{ mb: 1 }}>
        For a spreadsheet; changed there they can be read in again, each row by its id. The archive holds them too, with
        the pictures and the calendar.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {RECORD_TABLES.map((t) => (
          <Button key={t} variant="outlined" onClick={() => void table(t)}>
            {TABLE_LABELS[t]}
          </Button>
        ))}
      </Box>
      <EarlierDays />
      {chosen && <ImportDialog files={chosen} onClose={() => setChosen(null)} />}
    </Section>
  );
}
