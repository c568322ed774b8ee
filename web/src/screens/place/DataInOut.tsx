/** The whole garden in one file, out and in. An import shows what it would change, and is all or nothing. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import {
  CATALOGUE,
  demoGarden,
  emptyGarden,
  gardenChange,
  issueText,
  pathText,
  readGardenFile,
  writeGardenFile,
  type Garden,
  type GardenChange,
} from "@wren/core";
import { useState } from "react";
import { today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";

type Import =
  | { readonly ok: true; readonly garden: Garden; readonly change: GardenChange; readonly file: string }
  | { readonly ok: false; readonly problems: readonly string[]; readonly file: string };

/** Files are read as text in one go; a far larger one would only fill the memory to be refused. */
const MOST_BYTES = 200_000_000;

async function readImport(file: File, current: Garden): Promise<Import> {
  if (file.size > MOST_BYTES)
    return {
      ok: false,
      file: file.name,
      problems: [`The file has ${Math.round(file.size / 1e6)} MB: expected at most 100 MB.`],
    };
  const read = readGardenFile(await file.text(), CATALOGUE, today());
  return read.ok
    ? { ok: true, file: file.name, garden: read.value, change: gardenChange(current, read.value) }
    : {
        ok: false,
        file: file.name,
        problems: read.issues.map((i) => `${pathText(i.path) || "File"}: ${issueText(i)}`),
      };
}

const save = (garden: Garden): void =>
  download(`${garden.name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}-${today()}.json`, writeGardenFile(garden));

const some = (names: readonly string[]): string =>
  names.length === 0 ? "none" : `${names.length} (${names.slice(0, 4).join(", ")}${names.length > 4 ? ", …" : ""})`;

function Preview({ found }: { readonly found: Import }) {
  if (!found.ok)
    return (
      <>
        <Typography sx={{ mb: 1 }}>{found.file} is refused. Nothing has been changed.</Typography>
        <Box component="ul" sx={{ pl: 2.5, m: 0, "& li": { overflowWrap: "anywhere" } }}>
          {found.problems.slice(0, 30).map((p) => (
            <li key={p}>{p}</li>
          ))}
        </Box>
        {found.problems.length > 30 && <Typography>and {found.problems.length - 30} more.</Typography>}
      </>
    );
  const { change } = found;
  if (change.nothing)
    return <Typography>This file holds exactly the garden you have: nothing would change.</Typography>;
  const [removed, added] = [
    change.lists.reduce((n, l) => n + l.removed.length, 0),
    change.lists.reduce((n, l) => n + l.added.length, 0),
  ];
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        The garden in {found.file} would replace this one: {added} rows come, {removed} go. You can undo it.
      </Typography>
      <Table
        head={["", "added", "changed", "removed", "same"]}
        rows={change.lists.map((l) => ({
          key: l.list,
          cells: [l.list, some(l.added), some(l.changed), some(l.removed), l.same],
        }))}
      />
      <Typography sx={{ mt: 1 }}>
        {change.name && `The name changes from “${change.name.from}” to “${change.name.to}”. `}
        {change.placeChanges && "The place changes. "}
        {change.rulesChange && "Units or schools change."}
      </Typography>
    </>
  );
}

export function DataInOut() {
  const { garden, change } = useGarden();
  const [found, setFound] = useState<Import | null>(null);
  const take = async (): Promise<void> => {
    if (!found?.ok) return;
    const { garden: next } = found;
    if (await change("Garden imported", () => next, false)) setFound(null);
  };
  const clear = () =>
    change(
      "Garden cleared",
      (g) => ({ ...emptyGarden(newId(), g.place), name: g.name, rules: g.rules, beds: [] }),
      false,
    );
  return (
    <Section title="Your data">
      <Typography sx={{ mb: 1.5 }}>
        Everything stays in this browser. Nothing is sent anywhere. Export now and then, and keep the file.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={() => save(garden)}>
          Export the garden
        </Button>
        <FileButton
          variant="outlined"
          label="Garden file"
          accept=".json,application/json"
          onFile={(file) => void readImport(file, garden).then(setFound)}
        >
          Import a garden
        </FileButton>
        <Button variant="outlined" onClick={() => void change("Demo garden opened", () => demoGarden(today()), true)}>
          Open the demo garden
        </Button>
        <Button variant="outlined" color="error" onClick={() => void clear()}>
          Clear everything
        </Button>
      </Box>
      {found && (
        <Dialog open onClose={() => setFound(null)} fullWidth maxWidth="md" aria-labelledby="import-title">
          <DialogTitle id="import-title">
            {found.ok ? "What the import will change" : "This file cannot be imported"}
          </DialogTitle>
          <DialogContent>
            <Preview found={found} />
          </DialogContent>
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
