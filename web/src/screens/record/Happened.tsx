/** Everything that was written down, newest first: found by words, changed, taken out, with what stood before. */
import { Box, Button, TextField, Typography } from "@mui/material";
import { countsOf, TASK_TABLE, visitTold, type GardenModel, type Plant, type Voice } from "@wren/core";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { Pencil, Trash2 } from "lucide-react";
import { memo, useDeferredValue, useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { useSearchParams } from "react-router";
import { today } from "../../data/clock.ts";
import { withCorrected } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useStable } from "../../state/stable.ts";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Picture } from "../../ui/Picture.tsx";
import { dateText } from "../../words/dates.ts";
import { keptWords } from "../../words/mergeWords.ts";
import { OBSERVATION_LABELS } from "../../words/labels.ts";
import { seenText, visitText } from "../../words/recordTexts.ts";
import WriteDown from "../../writedown/WriteDown.tsx";
import {
  elsewhere,
  ENTRY_KINDS,
  ENTRY_LABELS,
  entriesOf,
  sieved,
  walkThrough,
  type Entry,
  type EntryKind,
} from "./entries.ts";

function wordsOf(model: GardenModel, e: Entry, say: Voice): readonly [title: string, text: string] {
  switch (e.kind) {
    case "visit":
      return [TASK_TABLE[e.row.task].label, visitText(model, e.row, say)];
    case "seen":
      return [OBSERVATION_LABELS[e.row.kind], seenText(e.row, say)];
    case "photo":
      return ["Photo", e.row.caption];
    case "plan":
      return [`Planned: ${TASK_TABLE[e.row.task].label.toLowerCase()}`, e.row.note];
    case "changed": {
      const { was, removed } = e.row;
      if (was.of === "merge")
        return ["Not chosen when two copies were brought together", keptWords(was, { garden: model.garden, say })];
      const before =
        was.of === "visit"
          ? `${TASK_TABLE[was.row.task].label}, ${say.date(was.row.on)}: ${visitText(model, was.row, say)}`
          : `${OBSERVATION_LABELS[was.row.kind]}, ${say.date(was.row.on)}${seenText(was.row, say) === "" ? "" : `: ${seenText(was.row, say)}`}`;
      return [removed ? "Taken out" : "Changed", `It stood: ${before}`];
    }
  }
}

/** The same in every line: not drawn anew with its words. */
const PENCIL = <Pencil size={18} />;
const TRASH = <Trash2 size={18} />;

interface LineProps {
  readonly entry: Entry;
  readonly onEdit: (e: Entry) => void;
}
const Line = memo(function Line({ entry: e, onEdit }: LineProps) {
  const { model, change } = useGarden();
  const say = useVoice();
  const plant = e.plantId === null ? null : model.plant(e.plantId);
  const [title, text] = wordsOf(model, e, say);
  const at = () => ({ id: newId(), on: today() });
  const remove = (): void => {
    if (e.kind === "visit") void change("Visit taken out", (g) => withCorrected(g, "visits", e.row, null, at()));
    if (e.kind === "seen") void change("Entry taken out", (g) => withCorrected(g, "observations", e.row, null, at()));
    if (e.kind === "photo")
      void change("Photo removed", (g) => ({ ...g, photos: g.photos.filter((p) => p.id !== e.id) }));
    if (e.kind === "plan") void change("Plan removed", (g) => ({ ...g, plans: g.plans.filter((p) => p.id !== e.id) }));
  };
  const name = `${title} of ${dateText(e.row.on)}${plant ? `, ${plant.label}` : ""}`;
  return (
    <div className="entry">
      <p className="numeral entry-day">{dateText(e.row.on)}</p>
      {e.kind === "photo" && <Picture photo={e.row} alt={`${plant?.label ?? "Photo"} on ${e.row.on}`} height={56} />}
      <div className="entry-text">
        <p className="strong">
          {title}
          {plant && (
            <>
              {" · "}
              <DayLink to={`/plant/${plant.id}`} className="entry-plant">
                {plant.label}
              </DayLink>
            </>
          )}
        </p>
        {text !== "" && <p className="quiet small">{text}</p>}
      </div>
      {e.kind === "visit" ? (
        <DayLink
          className="press-icon"
          to={`/plant/${e.row.plantId}/record/${e.row.task}`}
          more={{ visit: e.id }}
          aria-label={`Change: ${name}`}
        >
          {PENCIL}
        </DayLink>
      ) : (
        e.kind === "seen" && (
          <button type="button" className="press-icon" aria-label={`Change: ${name}`} onClick={() => onEdit(e)}>
            {PENCIL}
          </button>
        )
      )}
      {e.kind !== "changed" && (
        <button type="button" className="press-icon" aria-label={`Take out: ${name}`} onClick={remove}>
          {TRASH}
        </button>
      )}
    </div>
  );
});

/** As a line with words under it stands on a desk: a wrong guess would have each new line placed twice. */
const LINE_PX = 61;
const linePx = (): number => LINE_PX;
/** Shorter lists stand in the page whole. */
const WHOLE = 60;
/** More than a tall screen shows. */
const SEEN = 100;

interface LinesProps {
  readonly entries: readonly Entry[];
  /** What was looked for stands in the same lines from letter to letter, however few are found. */
  readonly searched: boolean;
  /** While letters are typed only what can be seen is laid out. */
  readonly typing: boolean;
  readonly onEdit: (e: Entry) => void;
}
const Lines = memo(function Lines({ entries, searched, typing, onEdit }: LinesProps) {
  const list = useRef<HTMLOListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => {
    if (list.current) setTop(list.current.getBoundingClientRect().top + window.scrollY);
  }, []);
  const long = searched || entries.length > WHOLE;
  const laidOut = typing ? Math.min(entries.length, SEEN) : entries.length;
  const virtual = useWindowVirtualizer({
    count: long ? laidOut : 0,
    estimateSize: linePx,
    // A letter draws what is seen; scrolled, lines must be there before they are.
    overscan: searched ? 1 : 5,
    scrollMargin: top,
  });
  if (!long)
    return (
      <ol ref={list} aria-label="Entries" className="bare">
        {entries.map((e) => (
          <li key={e.key}>
            <Line entry={e} onEdit={onEdit} />
          </li>
        ))}
      </ol>
    );
  return (
    <ol
      ref={list}
      aria-label="Entries"
      className="bare"
      style={{ position: "relative", height: virtual.getTotalSize() }}
    >
      {virtual.getVirtualItems().map((v) => (
        // A place keeps its line, whatever is written in it: a search writes new words into lines that stand there.
        <li
          key={v.index}
          ref={virtual.measureElement}
          data-index={v.index}
          aria-setsize={entries.length}
          aria-posinset={v.index + 1}
          style={{ position: "absolute", top: 0, left: 0, width: "100%", transform: `translateY(${v.start - top}px)` }}
        >
          <Line entry={entries[v.index]!} onEdit={onEdit} />
        </li>
      ))}
    </ol>
  );
});

const TYPED_MS = 400;
/** The newest visits are counted: what was done ten years ago says little of how it is done now. */
const COUNTED = 400;

const Counts = memo(function Counts({ plant }: { readonly plant: Plant | null }) {
  const { garden, model } = useGarden();
  const say = useVoice();
  const counts = useMemo(
    () =>
      countsOf(
        garden.visits
          .filter((v) => plant === null || v.plantId === plant.id)
          .slice(-COUNTED)
          .map((v) => visitTold(model, v)),
      ),
    [garden, model, plant],
  );
  if (counts.visits === 0) return null;
  const [worst] = counts.costly;
  return (
    <Typography sx={{ mb: 1.5, maxWidth: "62ch" }} role="status">
      {counts.windows > 0 && (
        <>
          <strong>
            {counts.inWindow} of {counts.windows} cuts
          </strong>{" "}
          fell into their open days.{" "}
        </>
      )}
      {worst
        ? `${counts.costly.length} took more than a tenth of the coming flowers; the dearest, ${model.plant(worst.visit.plantId).label} on ${say.date(worst.visit.on)}, about ${say.percent(worst.flowersLost)}.`
        : counts.windows > 0 && "None took more than a tenth of the coming flowers."}
    </Typography>
  );
});

interface FoundProps {
  readonly text: string;
  readonly plant: Plant | null;
  readonly kinds: ReadonlySet<EntryKind>;
}
/** What holds the words. */
const Found = memo(function Found({ text, plant, kinds }: FoundProps) {
  const { garden } = useGarden();
  const [edited, setEdited] = useState<Entry | null>(null);
  // A row that is changed changes no letter: far down the list nothing may shrink under the eye.
  const typing = useDeferredValue(text) !== text;
  const all = entriesOf(garden);
  const found = useMemo(() => sieved(all, { text, plantId: plant?.id ?? null, kinds }), [all, text, plant, kinds]);
  const others = useMemo(() => elsewhere(garden, text), [garden, text]);
  return (
    <>
      {others.length > 0 && (
        <p className="entry-also">
          Also:{" "}
          {others.map((o, i) => (
            <span key={`${o.what} ${o.to} ${o.name}`}>
              {i > 0 && ", "}
              {o.what.toLowerCase()}{" "}
              <DayLink to={o.to} className="entry-plant">
                {o.name}
              </DayLink>
            </span>
          ))}
        </p>
      )}
      <p className="quiet entry-count" role="status">
        {found.length === 0
          ? all.length === 0
            ? "Nothing is written down yet. Press “Write down” whenever you see something: it takes two presses."
            : "Nothing holds all these words."
          : `${found.length} ${found.length === 1 ? "entry" : "entries"}`}
      </p>
      <Lines entries={found} searched={text.trim() !== ""} typing={typing} onEdit={setEdited} />
      {edited?.kind === "seen" && (
        <WriteDown plantId={edited.plantId} was={edited.row} onClose={() => setEdited(null)} />
      )}
    </>
  );
});

interface SearchedProps extends Omit<FoundProps, "text"> {
  /** What stands between the field and what it finds. */
  readonly between: ReactNode;
  readonly beside: ReactNode;
}
interface FieldProps {
  readonly first: string;
  readonly onType: (text: string) => void;
  readonly onFocus: () => void;
}
/** The browser keeps its letters, so that typing one draws what was found and not the field. */
const Field = memo(function Field({ first, onType, onFocus }: FieldProps) {
  return (
    <TextField
      type="search"
      label="Find in everything"
      defaultValue={first}
      onFocus={onFocus}
      onChange={(e) => onType(e.target.value)}
      sx={{ flex: "1 1 14rem", maxWidth: 420 }}
    />
  );
});
/** The field with what it finds: a letter draws these anew and nothing else of the page. */
function Searched({ plant, kinds, beside, between }: SearchedProps) {
  const [params, setParams] = useSearchParams();
  const asked = params.get("find") ?? "";
  const [first] = useState(asked);
  const [text, setText] = useState(asked);
  const { garden } = useGarden();
  const onFocus = useStable(() => void walkThrough(entriesOf(garden)));
  // The address follows when the typing rests: with every letter it would have the whole page drawn anew.
  useEffect(() => {
    if (text === asked) return;
    const timer = setTimeout(() => {
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          if (text === "") next.delete("find");
          else next.set("find", text);
          return next;
        },
        { replace: true },
      );
    }, TYPED_MS);
    return () => clearTimeout(timer);
  }, [text, asked, setParams]);
  return (
    <>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center", mb: 1.5 }}>
        {beside}
        <Field first={first} onType={setText} onFocus={onFocus} />
      </Box>
      {between}
      <Found text={text} plant={plant} kinds={kinds} />
    </>
  );
}

export function Happened({ plant }: { readonly plant: Plant | null }) {
  const [params, setParams] = useSearchParams();
  const kinds = useMemo(
    () =>
      new Set(
        (params.get("kinds") ?? "")
          .split(",")
          .filter((k): k is EntryKind => (ENTRY_KINDS as readonly string[]).includes(k)),
      ),
    [params],
  );
  const [writing, setWriting] = useState(false);
  const set = (key: string, value: string): void => {
    const next = new URLSearchParams(params);
    if (value === "") next.delete(key);
    else next.set(key, value);
    setParams(next, { replace: true });
  };
  const toggle = (k: EntryKind): void => {
    const next = new Set(kinds);
    if (!next.delete(k)) next.add(k);
    set("kinds", [...next].join(","));
  };
  return (
    <>
      <Counts plant={plant} />
      <Searched
        plant={plant}
        kinds={kinds}
        beside={
          <Button variant="contained" onClick={() => setWriting(true)}>
            Write down what you see
          </Button>
        }
        between={
          <Chips
            label="Show"
            options={ENTRY_KINDS.map((value) => ({ value, label: ENTRY_LABELS[value] }))}
            chosen={(k) => kinds.has(k)}
            onPress={toggle}
          />
        }
      />
      {writing && <WriteDown plantId={plant?.id ?? null} onClose={() => setWriting(false)} />}
    </>
  );
}
