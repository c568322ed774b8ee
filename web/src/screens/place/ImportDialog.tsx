/** A file on its way in: unpacked, read, and what it would change shown before anything is taken; all or nothing. */
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from "@mui/material";
import {
  CATALOGUE,
  gardenChange,
  issueText,
  lineageOf,
  mergeGardens,
  sameData,
  withRecords,
  type Choices,
  type FileIssue,
  type Garden,
  type Merged,
  type PlainDate,
} from "@wren/core";
import { useEffect, useMemo, useState } from "react";
import { today } from "../../data/clock.ts";
import { adoptLine, changedDays, commonOf, holdArrived, type Common } from "../../data/exchange.ts";
import { arrivedLine, readLineage } from "../../data/lineage.ts";
import type { HeldApart } from "../../data/stored.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { db } from "../../state/keeper.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { ChangePreview } from "./ChangePreview.tsx";
import { alongWith, readImport, type Import } from "./importFile.ts";
import { MergeQuestions } from "./MergeQuestions.tsx";

type Good = Extract<Import, { ok: true }>;
type Days = Awaited<ReturnType<typeof changedDays>>;
/** What was found in a file, and of a copy of this very garden what both had in common. */
interface Found {
  readonly found: Import;
  readonly common: Common | null;
  readonly days: Days;
}
const MAX_SHOWN = 30;

/** What is quarantined in a file and not here yet. */
const newApart = (theirs: readonly HeldApart[], own: readonly HeldApart[]): readonly HeldApart[] =>
  theirs.filter((t) => !own.some((o) => o.list === t.list && sameData(o.row, t.row)));

function Problems({ found }: { readonly found: Extract<Import, { ok: false }> }) {
  return (
    <>
      <Typography sx={{ mb: 1 }}>{found.file} is refused. Nothing has been changed.</Typography>
      <Box component="ul" sx={{ pl: 2.5, m: 0, "& li": { overflowWrap: "anywhere" } }}>
        {found.problems.slice(0, MAX_SHOWN).map((p, i) => (
          <li key={i}>{p}</li>
        ))}
      </Box>
      {found.problems.length > MAX_SHOWN && <Typography>and {found.problems.length - MAX_SHOWN} more.</Typography>}
    </>
  );
}

const rowsText = (n: number): string => (n === 1 ? "1 row" : `${n} rows`);
/** What the file says that this device's clock, or a planting day, speaks against. */
function Remarks({ issues }: { readonly issues: readonly FileIssue[] }) {
  const [first] = issues;
  if (!first) return null;
  const future = issues.filter((i) => i.code === "date-future").length;
  return (
    <Typography sx={{ mt: 1 }} role="note">
      {future > 0
        ? `${future === 1 ? "1 record is" : `${future} records are`} dated after today, ${today()}: is the clock of this device right? They are taken as they are.`
        : `${rowsText(issues.length)}: ${issueText(first)} They are taken as they are.`}
    </Typography>
  );
}

function useFile(files: readonly File[], onStopped: () => void) {
  const { garden } = useGarden();
  const [read, setRead] = useState<Found | null>(null);
  const [done, setDone] = useState(0);
  useEffect(() => {
    const stop = new AbortController();
    const open = async (): Promise<void> => {
      const found = await readImport(files, garden, setDone, stop.signal);
      if (stop.signal.aborted) return;
      if (found === null) {
        onStopped();
        return;
      }
      const twin = found.ok && found.records === null && found.read.garden.id === garden.id;
      const common = twin ? await commonOf(db, garden, found.read).catch(() => null) : null;
      if (twin && found.change.nothing) await adoptLine(db, found.read).catch(() => undefined);
      const days = twin ? await changedDays(db).catch((): Days => new Map()) : new Map<string, PlainDate>();
      // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- it may have been stopped while these were read
      if (!stop.signal.aborted)
        setRead({ found, common: twin ? (common ?? { base: null, nothingNew: false }) : null, days });
    };
    open().catch((e: unknown) => {
      const detail = e instanceof Error ? e.message : String(e);
      const found: Import = {
        ok: false,
        file: files[0]?.name ?? "The file",
        problems: [`It cannot be read: ${detail}`],
      };
      if (!stop.signal.aborted) setRead({ found, common: null, days: new Map() });
    });
    return () => stop.abort();
    // The file is read once, against the garden as it is then.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [files]);
  return { read, done };
}

type Way = "replace" | "together";

/** What is here and what a file holds, brought together. */
const broughtTogether = (own: Garden, { read }: Good, common: Common, choices: Choices): Merged =>
  mergeGardens({
    base: common.base,
    own,
    theirs: read.garden,
    choices,
    ground: { catalogue: CATALOGUE, today: today() },
  });

/** The two copies as they would be kept. */
function useMerged(read: Found | null, way: Way, choices: Choices): Merged | null {
  const { garden } = useGarden();
  return useMemo(() => {
    if (!read?.found.ok || !read.common || way !== "together") return null;
    return broughtTogether(garden, read.found, read.common, choices);
  }, [read, way, choices, garden]);
}

export function ImportDialog({ files, onClose }: { readonly files: readonly File[]; readonly onClose: () => void }) {
  const { garden, apart, change } = useGarden();
  const { read, done } = useFile(files, onClose);
  const [way, setWay] = useState<Way>("together");
  const [choices, setChoices] = useState<Choices>(new Map());
  const merged = useMerged(read, way, choices);
  const found = read?.found ?? null;
  const good: Good | null = found?.ok ? found : null;
  const along = useMemo(() => (good ? alongWith(good) : null), [good]);
  const more = useMemo(() => newApart(along?.apart ?? [], apart), [along, apart]);
  const inFile = along?.apart?.length ?? 0;
  const changes = merged ? gardenChange(garden, merged.garden) : (good?.change ?? null);
  // Without a row that comes or goes there may still be quarantined rows, or a state to remember.
  const takes = changes !== null && (!changes.nothing || more.length > 0 || (merged?.apart.length ?? 0) > 0);
  const take = async (): Promise<void> => {
    if (!good || !read || !along) return;
    const { records } = good;
    const line = along.lineage ?? [];
    const { common } = read;
    const kept = records
      ? await change("Records read in", (g) => withRecords(g, records))
      : merged && common
        ? await change("Two copies brought together", (g) => broughtTogether(g, good, common, choices).garden, {
            pictures: along.pictures ?? [],
            replaces: true,
            lineage: lineageOf(await readLineage(db), line),
            apart: [...apart, ...more, ...merged.apart.map((a): HeldApart => ({ ...a, key: newId(), wrapped: true }))],
          })
        : await change("Garden imported", () => good.read.garden, along);
    if (!kept) return;
    if (!records)
      await holdArrived(db, { garden: good.read.garden, lineage: arrivedLine(good.read) }).catch(() => undefined);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="import-title">
      <DialogTitle id="import-title">
        {found === null ? "Reading the file" : good ? "What the import will change" : "This file cannot be imported"}
      </DialogTitle>
      <Scroller component={DialogContent} label={good ? "Changes" : "Problems"}>
        {found === null && (
          <LinearProgress
            aria-label="Reading the file"
            {...(done > 0 ? { variant: "determinate" as const, value: done * 100 } : {})}
          />
        )}
        {found?.ok === false && <Problems found={found} />}
        {good && read?.common && (
          <OneOf
            label="This is a copy of the garden you have, from another day or device"
            value={way}
            options={[
              { value: "together", label: "Bring the two together" },
              { value: "replace", label: "Replace this one by the file’s" },
            ]}
            onChange={setWay}
          />
        )}
        {merged && read?.common?.nothingNew && (
          <Typography sx={{ mb: 1 }}>Everything in this file is in your garden already.</Typography>
        )}
        {merged && good && !read?.common?.nothingNew && (
          <MergeQuestions
            questions={merged.questions}
            choices={choices}
            own={garden}
            theirs={good.read.garden}
            changedOn={(q) => read?.days.get(`${q.list} ${q.id}`) ?? null}
            written={good.read.written}
            onChoose={setChoices}
          />
        )}
        {good && changes && (
          <ChangePreview of={merged ? "The two together" : `The garden in ${good.file}`} change={changes} />
        )}
        {merged && read?.common?.base === null && (
          <Typography sx={{ mt: 1 }}>
            What both had in common last is not known here, so what only one of them has stays.
          </Typography>
        )}
        {inFile > 0 && (
          <Typography sx={{ mt: 1 }}>
            {rowsText(inFile)} in it cannot be read and {inFile === 1 ? "is" : "are"} kept set apart.
          </Typography>
        )}
        {good && <Remarks issues={good.read.remarks} />}
      </Scroller>
      <DialogActions>
        <Button onClick={onClose}>{found === null ? "Stop" : good ? "Leave it" : "Close"}</Button>
        {takes && (
          <Button variant="contained" onClick={() => void take()}>
            Import
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
