/** The drawing in words, and every cut at a stem without a mouse. */
import { Slider } from "@mui/material";
import { cutAbove, remarkText, type Remark, type Stem, type StemCut } from "@wren/core";
import { useState } from "react";
import { useVoice } from "../../state/voice.ts";
import { cutText, stemText } from "./labels.ts";

interface RowProps {
  readonly stem: Stem;
  readonly name: string;
  readonly nameOf: (id: string) => string;
  readonly cuts: readonly StemCut[];
  readonly remarks: readonly Remark[];
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onCut: (cut: StemCut | null) => void;
  readonly onEdit: () => void;
}

function Tools({ stem, name, cuts, onCut, onEdit }: RowProps) {
  const say = useVoice();
  const own = cuts.find((c) => c.cut === "head" && c.stemId === stem.id);
  const [kept, setKept] = useState(own?.cut === "head" ? own.keptM : stem.lengthM);
  const head = (wantedM: number): void => onCut(wantedM >= stem.lengthM * 0.98 ? null : cutAbove(stem, wantedM));
  return (
    <div className="stem-tools">
      <div className="presses">
        <button type="button" className="press" onClick={() => onCut({ cut: "remove", stemId: stem.id })}>
          Out at the ground
        </button>
        {stem.branches.map((b, i) => (
          <button
            key={i}
            type="button"
            className="press"
            onClick={() => onCut({ cut: "to-branch", stemId: stem.id, branch: i })}
          >
            Back to branch {i + 1}, at {say.length(b.at * stem.lengthM)}
          </button>
        ))}
        {stem.branches.map((_, i) => (
          <button
            key={`off-${i}`}
            type="button"
            className="press"
            onClick={() => onCut({ cut: "branch-off", stemId: stem.id, branch: i })}
          >
            Branch {i + 1} off
          </button>
        ))}
        <button type="button" className="press" onClick={() => onCut(null)}>
          Put back
        </button>
        <button type="button" className="press press-plain" onClick={onEdit}>
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
          onChange={(_, v) => setKept(v)}
          onChangeCommitted={(_, v) => head(v)}
          sx={{ color: "var(--plum)" }}
        />
      </label>
    </div>
  );
}

export function StemRow(p: RowProps) {
  const say = useVoice();
  return (
    <li className={`stem-row${p.chosen ? " row-chosen" : ""}`}>
      <button type="button" className="stem-main" aria-expanded={p.chosen} onClick={p.onChoose}>
        <span className="strong">{p.name}</span> {stemText(p.stem, say, p.nameOf)}
        <span className="stem-does">{cutText(p.cuts, p.stem, say)}</span>
      </button>
      {p.remarks.map((r) => (
        <p key={r.code} className="small alarm">
          {remarkText(r, say)}
        </p>
      ))}
      {p.chosen && <Tools {...p} />}
    </li>
  );
}
