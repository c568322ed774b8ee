/** The drawing in words, and every cut at a stem without a mouse. */
import { Slider } from "@mui/material";
import { cutAbove, remarkText, type Remark, type Stem, type StemCut, type Voice } from "@wren/core";
import { memo, useState } from "react";
import { useVoice } from "../../state/voice.ts";
import { cutText, keptOf, stemText } from "./labels.ts";

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
const StemRow = memo(function StemRow(p: RowProps) {
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

interface ListProps extends Pick<RowProps, "nameOf" | "onChoose" | "onTry" | "onCut" | "onEdit"> {
  readonly stems: readonly Stem[];
  readonly cuts: readonly StemCut[];
  readonly remarks: readonly Remark[];
  readonly chosen: string | null;
}
/** Cuts over the whole plant leave the rows as they are, and these change with every step of a drag. */
const ofStems = (cuts: readonly StemCut[]): readonly StemCut[] => cuts.filter((c) => "stemId" in c);
const sameItems = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((x, i) => x === b[i]);
const againstOf = (remarks: readonly Remark[], say: Voice): ReadonlyMap<string, string> => {
  const texts = new Map<string, string>();
  for (const r of remarks) {
    if (r.stemId === null) continue;
    const before = texts.get(r.stemId);
    texts.set(r.stemId, before === undefined ? remarkText(r, say) : `${before}\n${remarkText(r, say)}`);
  }
  return texts;
};
const sameList = (a: ListProps, b: ListProps): boolean =>
  (Object.keys(a) as (keyof ListProps)[]).every((k) => {
    if (k === "cuts") return sameItems(ofStems(a.cuts), ofStems(b.cuts));
    return k === "remarks" ? JSON.stringify(a.remarks) === JSON.stringify(b.remarks) : a[k] === b[k];
  });

export const StemList = memo(function StemList({ stems, cuts, remarks, chosen, ...rest }: ListProps) {
  const say = useVoice();
  const against = againstOf(remarks, say);
  return (
    <ul className="bare">
      {stems.map((s) => (
        <StemRow
          key={s.id}
          stem={s}
          name={rest.nameOf(s.id)}
          does={cutText(cuts, s, say)}
          against={against.get(s.id) ?? ""}
          keptM={keptOf(cuts, s)}
          chosen={s.id === chosen}
          {...rest}
        />
      ))}
    </ul>
  );
}, sameList);
