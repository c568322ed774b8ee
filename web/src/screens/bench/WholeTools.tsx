/** Cuts over the whole plant: an outline, tips, spent heads, candles, the skirt. */
import { Slider } from "@mui/material";
import type { StemCut, Taxon, TryResult, Voice } from "@wren/core";
import { memo, useDeferredValue, useState } from "react";
import { useVoice } from "../../state/voice.ts";

interface Tool {
  readonly cut: "shear" | "top" | "tips" | "candles" | "dead-heads" | "lift";
  readonly label: string;
  readonly fits: (t: Taxon) => boolean;
}
const TOOLS: readonly Tool[] = [
  { cut: "shear", label: "Shear to an outline", fits: () => true },
  { cut: "top", label: "Top at a height", fits: () => true },
  { cut: "tips", label: "Tips only", fits: () => true },
  { cut: "dead-heads", label: "Dead heads only", fits: (t) => t.displays.length > 0 },
  { cut: "candles", label: "Shorten candles", fits: (t) => t.headOnlyWhileSoft },
  { cut: "lift", label: "Lift the skirt", fits: (t) => t.habit !== "tuft" },
];

/** A tool as it is first taken up. */
function start(cut: Tool["cut"], { heightM, widthM }: TryResult["before"], taxon: Taxon): StemCut {
  switch (cut) {
    case "shear":
      return { cut, heightM: Math.max(0.05, heightM * 0.9), widthM: Math.max(0.05, widthM * 0.95) };
    case "top":
      return { cut, heightM: Math.max(0.05, heightM * 0.9) };
    case "tips":
      return { cut, offM: Math.max(0.01, taxon.growthM[1] * 0.3) };
    case "candles":
      return { cut, share: 0.5 };
    case "dead-heads":
      return { cut };
    case "lift":
      return { cut, clearM: Math.max(0.05, heightM * 0.15) };
  }
}

interface SlideProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly text: (v: number) => string;
  readonly onTry: (v: number) => void;
  readonly onDone: (v: number) => void;
}
function Slide({ label, value, min, max, text, onTry, onDone }: SlideProps) {
  const [at, setAt] = useState<number | null>(null);
  return (
    <div className="slide">
      <span>
        {label} {text(at ?? value)}
      </span>
      <Slider
        aria-label={label}
        value={at ?? value}
        min={min}
        max={max}
        step={0.01}
        getAriaValueText={text}
        onChange={(_, v) => {
          setAt(v);
          onTry(v);
        }}
        onChangeCommitted={(_, v) => {
          setAt(null);
          onDone(v);
        }}
        sx={{ color: "var(--plum)" }}
      />
    </div>
  );
}

interface SlideRow extends Omit<SlideProps, "onTry" | "onDone"> {
  readonly kind: Tool["cut"];
  readonly made: (v: number) => StemCut;
}
/** What of a cut over the whole plant can be slid, and between what. */
function slidesOf(c: StemCut, { heightM, widthM }: TryResult["before"], say: Voice): readonly SlideRow[] {
  const row = (
    kind: Tool["cut"],
    label: string,
    value: number,
    range: [number, number],
    made: SlideRow["made"],
    text: SlideRow["text"] = say.length,
  ): SlideRow => ({
    kind,
    label,
    value,
    min: range[0],
    max: range[1],
    text,
    made,
  });
  switch (c.cut) {
    case "shear":
      return [
        row("shear", "To a height of", c.heightM, [0.05, heightM], (v) => ({ ...c, heightM: v })),
        row("shear", "To a width of", c.widthM, [0.05, Math.max(widthM, c.widthM)], (v) => ({ ...c, widthM: v })),
      ];
    case "top":
      return [row("top", "Top down to", c.heightM, [0.05, heightM], (v) => ({ ...c, heightM: v }))];
    case "tips":
      return [row("tips", "Off each end", c.offM, [0.01, 0.6], (v) => ({ ...c, offM: v }))];
    case "candles":
      return [row("candles", "Of each candle", c.share, [0.1, 0.9], (v) => ({ ...c, share: v }), say.percent)];
    case "lift":
      return [row("lift", "Clear to", c.clearM, [0.05, heightM * 0.6], (v) => ({ ...c, clearM: v }))];
    default:
      return [];
  }
}

interface Props {
  readonly cuts: readonly StemCut[];
  readonly before: TryResult["before"];
  readonly taxon: Taxon;
  /** While a slider moves each place is tried; let go, the last one is cut. */
  readonly onTry: (kind: Tool["cut"], cut: StemCut) => void;
  readonly onCut: (kind: Tool["cut"], cut: StemCut | null) => void;
}

/** The sliders follow a drag on the drawing a moment later, so that the drawing answers first. */
export function WholeTools(p: Props) {
  return <Tools {...p} cuts={useDeferredValue(p.cuts)} />;
}

const Tools = memo(function Tools({ cuts, before, taxon, onTry, onCut }: Props) {
  const say = useVoice();
  return (
    <div>
      <div role="group" aria-label="Over the whole plant" className="presses">
        {TOOLS.filter((t) => t.fits(taxon)).map((t) => {
          const there = cuts.some((c) => c.cut === t.cut);
          return (
            <button
              key={t.cut}
              type="button"
              className={`press${there ? " press-main" : ""}`}
              aria-pressed={there}
              onClick={() => onCut(t.cut, there ? null : start(t.cut, before, taxon))}
            >
              {t.label}
            </button>
          );
        })}
      </div>
      {cuts.flatMap((c) =>
        slidesOf(c, before, say).map((s) => (
          <Slide
            key={s.label}
            {...s}
            onTry={(v) => onTry(s.kind, s.made(v))}
            onDone={(v) => onCut(s.kind, s.made(v))}
          />
        )),
      )}
    </div>
  );
});
