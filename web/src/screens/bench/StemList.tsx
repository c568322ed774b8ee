/** The drawing in words, and every cut at a stem without a mouse. */
import { Slider } from "@mui/material";
import { cutAbove, type Stem, type StemCut } from "@wren/core";
import { memo, useState } from "react";
import { useVoice } from "../../state/voice.ts";
import { stemText } from "./labels.ts";

interface RowProps {
  readonly stem: Stem;
  readonly name: string;
  readonly nameOf: (id: string) => string;
  /** What the try does to it, and what stands against that, a line each. */
  readonly does: string;
  readonly against: string;
  /** Length it is shortened to; its own when it is not. */
  readonly keptM: number;
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
  /** While the slider moves each place is tried; let go, the last one is cut. */
  readonly onTry: (id: string, cut: StemCut | null) => void;
  readonly onCut: (id: string, cut: StemCut | null) => void;
  readonly onEdit: (id: string) => void;
}

function Tools({ stem, name, keptM, onTry, onCut, onEdit }: RowProps) {
  const say = useVoice();
  const [sliding, setSliding] = useState<number | null>(null);
  const kept = sliding ?? keptM;
  const cut = (c: StemCut | null) => () => onCut(stem.id, c);
  const headAt = (wantedM: number): StemCut | null => (wantedM >= stem.lengthM * 0.98 ? null : cutAbove(stem, wantedM));
  return (
    <div className="stem-tools">
      <div className="presses">
        <button type="button" className="press" onClick={cut({ cut: "remove", stemId: stem.id })}>
          Out at the ground
        </button>
        {stem.branches.map((b, i) => (
          <button
            key={i}
            type="button"
            className="press"
            onClick={cut({ cut: "to-branch", stemId: stem.id, branch: i })}
          >
            Back to branch {i + 1}, at {say.length(b.at * stem.lengthM)}
          </button>
        ))}
        {stem.branches.map((_, i) => (
          <button
            key={`off-${i}`}
            type="button"
            className="press"
            onClick={cut({ cut: "branch-off", stemId: stem.id, branch: i })}
          >
            Branch {i + 1} off
          </button>
        ))}
        <button type="button" className="press" onClick={cut(null)}>
          Put back
        </button>
        <button type="button" className="press press-plain" onClick={() => onEdit(stem.id)}>
          Correct it
        </button>
      </div>
      <label className="stem-slide">
        Shorten to {say.length(kept)}
        <Slider
          aria-label={`Shorten ${name} to`}
          value={kept}
          min={0.05}
          max={stem.lengthM}
          step={0.01}
          getAriaValueText={(v) => say.length(v)}
          onChange={(_, v) => {
            setSliding(v);
            onTry(stem.id, headAt(v));
          }}
          onChangeCommitted={(_, v) => {
            setSliding(null);
            onCut(stem.id, headAt(v));
          }}
          sx={{ color: "var(--plum)" }}
        />
      </label>
    </div>
  );
}

/** A try leaves most rows as they were: they are not drawn again. */
export const StemRow = memo(function StemRow(p: RowProps) {
  const say = useVoice();
  return (
    <li className={`stem-row${p.chosen ? " row-chosen" : ""}`}>
      <button type="button" className="stem-main" aria-expanded={p.chosen} onClick={() => p.onChoose(p.stem.id)}>
        <span className="strong">{p.name}</span> {stemText(p.stem, say, p.nameOf)}
        <span className="stem-does">{p.does}</span>
      </button>
      {p.against !== "" &&
        p.against.split("\n").map((text) => (
          <p key={text} className="small alarm">
            {text}
          </p>
        ))}
      {p.chosen && <Tools {...p} />}
    </li>
  );
});
