/** Many plants at once: a table from a file, its columns matched, a preview, then all of it or nothing. */
import { Box, Button, LinearProgress, TextField, Typography } from "@mui/material";
import { CATALOGUE, COLUMNS, matchColumns, plantTable, withTable, type ColumnId, type Mapping } from "@wren/core";
import Papa from "papaparse";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { today } from "../../data/clock.ts";
import { download } from "../../data/download.ts";
import { useLinkNow } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { openSheet, readSheet, type Outcome, type Sheet } from "./readCsv.ts";

/** The answer lies below the columns: bring it into view. */
const scrollToIt = (el: HTMLElement | null): void => {
  el?.scrollIntoView({ block: "start" });
};

const NONE = "";
const PREVIEW_LINES = 5;

function Matching({
  sheet,
  mapping,
  onMapping,
}: {
  readonly sheet: Sheet;
  readonly mapping: Mapping;
  readonly onMapping: (m: Mapping) => void;
}) {
  const set = (id: ColumnId, value: string): void =>
    onMapping({ ...mapping, [id]: value === NONE ? null : Number(value) });
  return (
    <Section title="Which column is what?">
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 1fr", md: "repeat(4, 1fr)" }, gap: 1.5 }}>
        {COLUMNS.map((c) => (
          <TextField
            key={c.id}
            select
            label={c.required ? `${c.heading} (needed)` : c.heading}
            value={mapping[c.id] === null ? NONE : String(mapping[c.id])}
            onChange={(e) => set(c.id, e.target.value)}
            error={c.required && mapping[c.id] === null}
            slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
          >
            <option value={NONE}>– not in the file –</option>
            {sheet.headings.map((h, i) => (
              <option key={`${i}${h}`} value={String(i)}>
                {h || `column ${i + 1}`}
              </option>
            ))}
          </TextField>
        ))}
      </Box>
      <Box sx={{ overflowX: "auto", mt: 2 }} tabIndex={0} role="group" aria-label="First lines of the file">
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            "& th, & td": {
              border: "1px solid var(--line)",
              px: 1,
              py: 0.5,
              textAlign: "left",
              whiteSpace: "nowrap",
              maxWidth: 220,
              overflow: "hidden",
              textOverflow: "ellipsis",
            },
          }}
        >
          <thead>
            <tr>
              <th scope="col">line</th>
              {sheet.headings.map((h, i) => (
                <th key={`${i}${h}`} scope="col">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.rows.slice(0, PREVIEW_LINES).map((r) => (
              <tr key={r.line}>
                <td>{r.line}</td>
                {r.cells.map((c, i) => (
                  <td key={`${r.line}-${sheet.headings[i] ?? i}`}>{c}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Section>
  );
}

function Found({
  sheet,
  outcome,
  onTake,
}: {
  readonly sheet: Sheet;
  readonly outcome: Outcome;
  readonly onTake: () => void;
}) {
  const say = useVoice();
  if (!outcome.ok)
    return (
      <Section title="This table cannot be taken in">
        <Typography sx={{ mb: 1 }}>
          Nothing has been changed. Mend these lines in {sheet.file} and open it again:
        </Typography>
        <Box component="ul" sx={{ pl: 2.5, m: 0, "& li": { overflowWrap: "anywhere" } }}>
          {outcome.problems.slice(0, 40).map((p) => (
            <li key={p}>{p}</li>
          ))}
        </Box>
        {outcome.problems.length > 40 && (
          <Typography>and {outcome.problems.length - 40 + outcome.more} more.</Typography>
        )}
      </Section>
    );
  const { change } = outcome;
  return (
    <Section title="What it will change">
      <Typography sx={{ mb: 1 }}>
        {change.added} plants come, {change.changed} are changed
        {change.beds.length > 0 && `, ${change.beds.length} new beds: ${change.beds.map((b) => b.name).join(", ")}`}.
        One undo takes all of it back.
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, mt: 0, mb: 1.5 }}>
        {change.plants.slice(0, 8).map((p) => (
          <li key={p.id}>
            {p.label}: {CATALOGUE.byId(p.taxonId)?.common[0]}, {say.length(p.heightM)}
          </li>
        ))}
        {change.plants.length > 8 && <li>and {change.plants.length - 8} more</li>}
      </Box>
      <Button variant="contained" onClick={onTake} disabled={change.plants.length === 0}>
        Take them in
      </Button>
    </Section>
  );
}

export function TableScreen() {
  const { garden, change } = useGarden();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [mapping, setMapping] = useState<Mapping>(matchColumns([]));
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);

  const open = async (file: File): Promise<void> => {
    setTrouble(null);
    setOutcome(null);
    try {
      const read = await openSheet(file);
      setSheet(read);
      setMapping(matchColumns(read.headings));
    } catch (e) {
      setSheet(null);
      setTrouble(e instanceof Error ? e.message : String(e));
    }
  };
  const check = async (): Promise<void> => {
    if (!sheet) return;
    stop.current = new AbortController();
    setProgress(0);
    const ctx = { garden, catalogue: CATALOGUE, today: today(), newId };
    const found = await readSheet(sheet, mapping, ctx, setProgress, stop.current.signal);
    setProgress(null);
    setOutcome(found);
  };
  const take = async (): Promise<void> => {
    if (!outcome?.ok) return;
    const { change: rows } = outcome;
    const kept = await change(`${rows.plants.length} plants from ${sheet?.file ?? "a table"}`, (g) =>
      withTable(g, rows),
    );
    if (kept) await navigate(linkNow("/garden"));
  };
  const save = (): void => {
    const csv = Papa.unparse(plantTable(garden, CATALOGUE).map((r) => [...r]));
    // Spreadsheets need the mark to read accents.
    download(`plants-${today()}.csv`, `\uFEFF${csv}\r\n`, "text/csv");
  };
  return (
    <Box>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        Many plants at once
      </Typography>
      <Typography sx={{ color: "text.secondary", mb: 2, maxWidth: "70ch" }}>
        A table from a spreadsheet, saved as CSV: one plant a line, a kind and a height at least. Lines with an id you
        exported change that plant; the others are new.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 2 }}>
        <FileButton variant="contained" label="Table file" accept=".csv,text/csv" onFile={(file) => void open(file)}>
          Open a table
        </FileButton>
        <Button variant="outlined" onClick={save} disabled={garden.plants.length === 0}>
          Export the plants as a table
        </Button>
        <Button component={DayLink} to="/garden">
          Back to the garden
        </Button>
      </Box>
      {trouble && <Typography role="alert">{trouble}</Typography>}
      {sheet && (
        <>
          <Typography sx={{ mb: 1 }} role="status">
            {sheet.file}: {sheet.rows.length} {sheet.rows.length === 1 ? "line" : "lines"} under {sheet.headings.length}{" "}
            headings.
          </Typography>
          <Matching
            sheet={sheet}
            mapping={mapping}
            onMapping={(m) => {
              setMapping(m);
              setOutcome(null);
            }}
          />
          {progress === null ? (
            <Button variant={outcome ? "outlined" : "contained"} onClick={() => void check()} sx={{ mb: 2 }}>
              Check the lines
            </Button>
          ) : (
            <Box sx={{ display: "flex", gap: 2, alignItems: "center", mb: 2 }}>
              <LinearProgress variant="determinate" value={progress * 100} sx={{ flex: 1 }} aria-label="Lines read" />
              <Button onClick={() => stop.current?.abort()}>Stop</Button>
            </Box>
          )}
          {outcome && (
            <div ref={scrollToIt}>
              <Found sheet={sheet} outcome={outcome} onTake={() => void take()} />
            </div>
          )}
        </>
      )}
    </Box>
  );
}
