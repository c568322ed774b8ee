/** The price follows the date: one strip of the year over every screen that has a day. Drag it, or step it from the keyboard. */
import { frostDates, partsOf, seasonDate, seasonPoint, type PlainDate } from "@wren/core";
import { ChevronLeft, ChevronRight, Pause, Play } from "lucide-react";
import {
  memo,
  Suspense,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
} from "react";
import { today } from "../data/clock.ts";
import { useDay, useMoves } from "../state/day.tsx";
import { useGarden } from "../state/garden.tsx";
import { laterPart } from "../ui/later.tsx";
import { usePainted } from "../state/painted.ts";
import { useVoice } from "../state/voice.ts";
import { dateText, fullDate, monthText } from "../words/dates.ts";
import { paceText } from "./paceText.ts";
import { Ranges } from "./Ranges.tsx";
import { dateAt, monthTicks, stripCurves, stripX } from "../drawing/strip.geometry.ts";

const PaceDialog = laterPart(() => import("./PaceDialog.tsx"));

const BOX = { width: 1000, height: 54 } as const;
const monthName = (d: PlainDate): string => monthText(partsOf(d).month, "short");

const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -7,
  PageUp: 7,
};

/** The curves of a season; the same on each of its days. */
const StripDrawing = memo(function StripDrawing({ seasonYear }: { readonly seasonYear: number }) {
  const { model } = useGarden();
  // The warmth of this year; frost odds and day length are those of the place.
  const { climate } = model.kindsIn(seasonYear);
  const curves = useMemo(() => stripCurves(climate, BOX), [climate]);
  const x = stripX(BOX.width);
  const frost = useMemo(() => frostDates(climate, 0, 0.5), [climate]);
  const now = seasonPoint(today(), climate.hemisphere);
  const sameYear = now.seasonYear === seasonYear;
  const first = seasonDate(seasonYear, 0, climate.hemisphere);
  return (
    <svg
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      preserveAspectRatio="none"
      width="100%"
      height={BOX.height}
      aria-hidden="true"
      style={{ display: "block" }}
    >
      <rect width={BOX.width} height={BOX.height} fill="var(--paper)" />
      <path d={curves.dayLength} fill="var(--heart)" opacity="0.22" />
      <path d={curves.frost} fill="var(--frost)" opacity="0.55" />
      <path d={curves.warmth} fill="none" stroke="var(--sapwood)" strokeWidth="2.5" vectorEffect="non-scaling-stroke" />
      {monthTicks(first, climate).map((t) => (
        <line
          key={t.date}
          x1={x(t.day)}
          x2={x(t.day)}
          y1="0"
          y2={BOX.height}
          stroke="var(--line)"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {[frost.last, frost.first].map((d) =>
        d === null ? null : (
          <line
            key={d}
            x1={x(d)}
            x2={x(d)}
            y1="0"
            y2={BOX.height}
            stroke="var(--frost)"
            strokeWidth="2"
            strokeDasharray="4 3"
            vectorEffect="non-scaling-stroke"
          />
        ),
      )}
      {sameYear && (
        <line
          x1={x(now.seasonDay)}
          x2={x(now.seasonDay)}
          y1="0"
          y2={BOX.height}
          stroke="var(--ink)"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
});

const Legend = memo(function Legend() {
  const items = [
    ["var(--frost)", "frosty nights"],
    ["var(--sapwood)", "warmth"],
    ["var(--heart)", "day length"],
  ] as const;
  return (
    <div className="strip-legend">
      {items.map(([colour, text]) => (
        <span key={text}>
          <span className="swatch" style={{ backgroundColor: colour }} />
          {text}
        </span>
      ))}
    </div>
  );
});

/** This year's pace in words; pressing it says why and lets you say otherwise. */
const PaceButton = memo(function PaceButton({ seasonYear }: { readonly seasonYear: number }) {
  const { model } = useGarden();
  const say = useVoice();
  const [open, setOpen] = useState(false);
  const pace = model.pace(seasonYear);
  return (
    <>
      <button
        type="button"
        className="press press-small"
        onClick={() => setOpen(true)}
        aria-label={`${pace.seasonYear} runs ${paceText(pace.days, say.days)}: why, and say otherwise`}
      >
        <span className="from-sm">{pace.seasonYear} runs</span>
        {paceText(pace.days, say.days)}
      </button>
      {open && (
        <Suspense fallback={null}>
          <PaceDialog pace={pace} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
});

/** Days a second while the year plays. */
const PLAY_MS = 60;
const PLAY_DAYS = 1;

const PlayPress = memo(function PlayPress({
  playing,
  onPress,
}: {
  readonly playing: boolean;
  readonly onPress: () => void;
}) {
  return (
    <button
      type="button"
      className="press-icon from-sm"
      aria-label={playing ? "Stop the year" : "Let the year run"}
      onClick={onPress}
    >
      {playing ? <Pause size={18} /> : <Play size={18} />}
    </button>
  );
});

/** Lets the days run by themselves, to the end of the year or until pressed again. */
function PlayButton() {
  const { on, step } = useDay();
  const { climate } = useGarden().model;
  const [playing, setPlaying] = useState(false);
  const last = seasonPoint(on, climate.hemisphere).seasonDay >= 364;
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setTimeout(() => (last ? setPlaying(false) : step(PLAY_DAYS)), PLAY_MS);
    return () => clearTimeout(timer);
  }, [playing, last, on, step]);
  const press = useCallback(() => setPlaying((old) => !old), []);
  return <PlayPress playing={playing} onPress={press} />;
}

/** A step to either side of the day it stands beside. */
const Step = memo(function Step({ days }: { readonly days: -1 | 1 }) {
  const { step } = useMoves();
  return (
    <button
      type="button"
      className="press-icon"
      aria-label={days < 0 ? "A day earlier" : "A day later"}
      onClick={() => step(days)}
    >
      {days < 0 ? <ChevronLeft size={20} /> : <ChevronRight size={20} />}
    </button>
  );
});

const BackToToday = memo(function BackToToday() {
  const { setOn } = useMoves();
  return (
    <button type="button" className="press press-small" onClick={() => setOn(today())}>
      Today
    </button>
  );
});

/** The months under the curves: their first letters where there is no room for more. */
const Months = memo(function Months({ seasonYear }: { readonly seasonYear: number }) {
  const { climate } = useGarden().model;
  return (
    <div className="strip-months" aria-hidden="true">
      {monthTicks(seasonDate(seasonYear, 0, climate.hemisphere), climate).map((t) => (
        <span key={t.date}>
          {monthName(t.date).slice(0, 1)}
          <span>{monthName(t.date).slice(1)}</span>
        </span>
      ))}
    </div>
  );
});

/** What stands beside the day and does not follow it. */
const Beside = memo(function Beside({ seasonYear }: { readonly seasonYear: number }) {
  return (
    <>
      <div className="strip-gap" />
      <Legend />
      <Ranges />
      <PaceButton seasonYear={seasonYear} />
    </>
  );
});

/** Plain elements where the day itself is drawn: it is drawn anew at every step. */
export function YearStrip({ folded = false }: { readonly folded?: boolean }) {
  const [open, setOpen] = useState(!folded);
  const { on, isToday, setOn, step } = useDay();
  const { climate } = useGarden().model;
  const track = useRef<HTMLDivElement>(null);
  // The answers come first: the curves join them a frame later.
  const painted = usePainted();
  const { seasonDay, seasonYear } = seasonPoint(on, climate.hemisphere);

  const drag = (e: PointerEvent<HTMLDivElement>): void => {
    const box = track.current?.getBoundingClientRect();
    if (box) setOn(dateAt((e.clientX - box.left) / box.width, on, climate));
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    const days = STEPS[e.key];
    if (days !== undefined) step(days);
    else if (e.key === "Home") setOn(dateAt(0, on, climate));
    else if (e.key === "End") setOn(dateAt(1, on, climate));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <section className="strip" aria-label="The year">
      <div className="strip-head">
        <Step days={-1} />
        <p className="numeral strip-day" aria-live="polite">
          {fullDate(on)}
        </p>
        <Step days={1} />
        <PlayButton />
        {!isToday && <BackToToday />}
        {folded && (
          <button type="button" className="press press-small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Fold the year" : "The year"}
          </button>
        )}
        {open && <Beside seasonYear={seasonYear} />}
      </div>
      <div
        hidden={!open}
        ref={track}
        className="strip-track"
        role="slider"
        tabIndex={0}
        aria-label="Day of the year"
        aria-valuemin={0}
        aria-valuemax={364}
        aria-valuenow={seasonDay}
        aria-valuetext={fullDate(on)}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag(e);
        }}
        onPointerMove={(e) => {
          if (e.buttons > 0) drag(e);
        }}
      >
        {painted ? <StripDrawing seasonYear={seasonYear} /> : <div style={{ height: BOX.height }} />}
        <div className="strip-at" style={{ transform: `translateX(${(seasonDay / 364) * 100}%)` }} />
        <Months seasonYear={seasonYear} />
      </div>
      {painted && <FrostLine seasonYear={seasonYear} />}
    </section>
  );
}

/** The strip in words, for those who do not see it. */
const FrostLine = memo(function FrostLine({ seasonYear }: { readonly seasonYear: number }) {
  const { climate } = useGarden().model;
  const { last, first } = frostDates(climate, 0, 0.5);
  const day = (d: number): string => dateText(seasonDate(seasonYear, d, climate.hemisphere));
  return (
    <p className="sr-only">
      {last === null || first === null
        ? "No frost expected in most years."
        : `Frost-free in the middle of the years from ${day(last)} to ${day(first)}.`}
    </p>
  );
});
