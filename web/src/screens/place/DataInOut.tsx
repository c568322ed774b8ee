/** The whole garden in one file, out and in. An import shows what it would change, and is all or nothing. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import {
  demoGarden,
  emptyGarden,
  gardenChange,
  mergeGardens,
  RECORD_TABLES,
  recordTable,
  sameData,
  withRecords,
  type Prefer,
  type RecordTable,
} from "@wren/core";
import { useState } from "react";
import { today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { fileName, fileOf } from "../../data/fileOut.ts";
import { MOST_AS_TEXT, picturesBytes } from "../../data/pictures.ts";
import type { HeldApart } from "../../data/stored.ts";
import { useGarden } from "../../state/garden.tsx";
import { noteExport } from "../../state/exported.ts";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { db } from "../../state/keeper.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { OneOf } from "../../ui/Chips.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Section } from "../../ui/Section.tsx";
import { ChangePreview } from "./ChangePreview.tsx";
import { EarlierDays } from "./EarlierDays.tsx";
import { alongWith, readImport, type Import } from "./importFile.ts";

const MOST_SHOWN = 30;
const TABLE_LABELS: Readonly<Record<RecordTable, string>> = {
  visits: "Visits (CSV)",
  cuts: "Cuts (CSV)",
  observations: "What was seen (CSV)",
};

function Preview({ found }: { readonly found: Import }) {
  if (!found.ok)
    return (
      <>
        <Typography sx={{ mb: 1 }}>{found.file} is refused. Nothing has been changed.</Typography>
        <Box component="ul" sx={{ pl: 2.5, m: 0, "& li": { overflowWrap: "anywhere" } }}>
          {found.problems.slice(0, MOST_SHOWN).map((p, i) => (
            <li key={i}>{p}</li>
          ))}
        </Box>
        {found.problems.length > MOST_SHOWN && <Typography>and {found.problems.length - MOST_SHOWN} more.</Typography>}
      </>
    );
  const { apart } = found.read;
  return (
    <>
      <ChangePreview of={`The garden in ${found.file}`} change={found.change} />
      {apart.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          {apart.length} {apart.length === 1 ? "row" : "rows"} in it cannot be read and{" "}
          {apart.length === 1 ? "is" : "are"} kept set apart.
        </Typography>
      )}
    </>
  );
}

/** What is set apart in a file and not here yet. */
const newApart = (theirs: readonly HeldApart[], own: readonly HeldApart[]): readonly HeldApart[] =>
  theirs.filter((t) => !own.some((o) => o.list === t.list && sameData(o.row, t.row)));

export function DataInOut() {
  const { garden, model, apart, change } = useGarden();
  const say = useVoice();
  const [found, setFound] = useState<Import | null>(null);
  const [way, setWay] = useState<"replace" | "together">("replace");
  const [prefer, setPrefer] = useState<Prefer>("own");
  const open = async (files: readonly File[]): Promise<void> => {
    setWay("replace");
    setFound(await readImport(files, garden));
  };
  // The same garden from another device: the two are brought together, or one stands in the other's place.
  const twin =
    found?.ok === true && found.records === null && found.read.garden.id === garden.id && !found.change.nothing;
  const merged = twin && way === "together" ? mergeGardens(garden, found.read.garden, prefer) : null;
  const take = async (): Promise<void> => {
    if (!found?.ok) return;
    const { read, records } = found;
    const along = alongWith(found);
    const kept = records
      ? await change("Records read in", (g) => withRecords(g, records))
      : merged
        ? await change("Two copies brought together", (g) => mergeGardens(g, read.garden, prefer).garden, {
            pictures: along.pictures ?? [],
            apart: [...apart, ...newApart(along.apart ?? [], apart)],
          })
        : await change("Garden imported", () => read.garden, along);
    if (kept) setFound(null);
  };
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
    download(archiveName(garden), await archiveOf(db, garden, apart, calendarOf(model, say)));
    noteExport();
  };
  const save = async (): Promise<void> => {
    // With so many pictures one text would be too long to be read again.
    const ids = garden.photos.map((p) => p.id);
    if ((await picturesBytes(db, ids).catch(() => 0)) > MOST_AS_TEXT) return pack();
    download(fileName(garden), await fileOf(db, garden, apart));
    noteExport();
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
        <Button variant="contained" onClick={() => void save()}>
          Export the garden
        </Button>
        <Button variant="outlined" onClick={() => void pack()}>
          Everything in one archive
        </Button>
        <FileButton
          variant="outlined"
          label="Garden file"
          accept=".json,application/json,.zip,application/zip,.csv,text/csv"
          onFiles={(files) => void open(files)}
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
      {found && (
        <Dialog open onClose={() => setFound(null)} fullWidth maxWidth="md" aria-labelledby="import-title">
          <DialogTitle id="import-title">
            {found.ok ? "What the import will change" : "This file cannot be imported"}
          </DialogTitle>
          <Scroller component={DialogContent} label={found.ok ? "Changes" : "Problems"}>
            {twin && (
              <OneOf
                label="It is this very garden, from another day or device"
                value={way}
                options={[
                  { value: "together", label: "Bring the two together" },
                  { value: "replace", label: "Put the file’s in the place of this one" },
                ]}
                onChange={setWay}
              />
            )}
            {merged && merged.differing.length > 0 && (
              <OneOf
                label={`${merged.differing.length} ${merged.differing.length === 1 ? "row differs" : "rows differ"}: which stay?`}
                value={prefer}
                options={[
                  { value: "own", label: "Those here" },
                  { value: "theirs", label: "Those of the file" },
                ]}
                onChange={setPrefer}
                hint="What only one of the two removed comes back."
              />
            )}
            {merged ? (
              <ChangePreview of="The two together" change={gardenChange(garden, merged.garden)} />
            ) : (
              <Preview found={found} />
            )}
          </Scroller>
          <DialogActions>
            <Button onClick={() => setFound(null)}>{found.ok ? "Leave it" : "Close"}</Button>
            {found.ok && !found.change.nothing && (
              <Button variant="contained" onClick={() => void take()}>
                Import
              </Button>
            )}
          </DialogActions>
        </Dialog>
      )}
    </Section>
  );
}
