/** What stands beside the drawing: why a proposal, what each pass offers, tries side by side, photos. */
import { Box } from "@mui/material";
import {
  aimOn,
  passesOffered,
  PASS_ROWS,
  remarkText,
  TASK_TABLE,
  tryOut,
  waiting,
  wantedIn,
  workplaceOf,
  type Plant,
  type Stand,
  type Standing,
  type Stem,
  type Suggestion,
  type Task,
  type Unanswered,
} from "@wren/core";
import { memo } from "react";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Picture } from "../../ui/Picture.tsx";

/** Why a wish got no cut. */
const UNANSWERED_TEXTS: Readonly<Record<Unanswered, string>> = {
  "no-line": "It is to be kept off something: say at its survey on which side, and how far from its middle.",
  "behind-line": "Nothing alive stands over the line, with this season’s growth counted.",
  "line-undrawn":
    "By its width it stands over the line, but no stem that is drawn does: add those that do, or drag a tip to where it is.",
  "at-height": "It stands no higher than the cut would be: this year’s growth brings it to the wanted height.",
  "leader-stays": "Its height is the leader’s: shortened, it loses its form. Kept lower it is another plant.",
  "nothing-weak": "No stem is marked weak: mark those that flop or carry little, and they go first.",
  "nothing-inside": "Too few branches inside to take any for light.",
  "no-tree": "Its kind makes no small tree: it keeps no trunks, or stays too low.",
  "is-tree": "It stands as a small tree: its trunks are few, and clear as far as they should be.",
  "as-it-grows":
    "It has one leader and nothing dead: nothing of what is wanted asks for a cut. Its outline is its own.",
  "nothing-needed": "Nothing stands out: nothing dead, crossing, weak or old enough to go. It can be left alone.",
};

/** What a proposal says of itself. */
export function ProposalNote({ s, names }: { readonly s: Suggestion; readonly names: (id: string) => string }) {
  const say = useVoice();
  return (
    <Box component="ul" aria-label="Why these cuts" sx={{ pl: 2.5, my: 1 }}>
      {s.waits && <li className="alarm">{remarkText(s.waits, say)}</li>}
      {s.waits && s.cuts.length === 0 && <li>No cut to propose.</li>}
      {s.passes.map((p) => (
        <li key={p.pass}>
          <strong>{PASS_ROWS[p.pass].title}:</strong>{" "}
          {p.cuts.length === 0
            ? "nothing."
            : `${p.cuts.length} cut${p.cuts.length === 1 ? "" : "s"}. ${PASS_ROWS[p.pass].why}`}
          {p.stays.length > 0 &&
            ` ${p.stays.map(names).join(", ")} ${p.stays.length === 1 ? "stays" : "stay"}: what may go this year is reached.`}
          {p.refused.map((r) => (
            <span key={r.code} className="alarm">
              {" "}
              {remarkText(r, say)}
            </span>
          ))}
        </li>
      ))}
      {s.heightM && s.heightM.reached > s.heightM.aimed + 0.01 && (
        <li>
          The cut belongs at {say.length(s.heightM.aimed)}; this year’s share allows {say.length(s.heightM.reached)}.{" "}
          {s.heightM.years === null ? "The rest follows next year." : `In ${s.heightM.years} years it is there.`}
        </li>
      )}
      {s.unanswered.map((u) => (
        <li key={u}>{UNANSWERED_TEXTS[u]}</li>
      ))}
      {s.pastUpkeep && (
        <li>More than half of the stems are thicker than a thumb: this is a renewal over three years.</li>
      )}
    </Box>
  );
}

/** What it looked like, beside the drawing. */
export function PhotosOf({ plantId }: { readonly plantId: string }) {
  const { garden } = useGarden();
  const say = useVoice();
  const photos = garden.photos.filter((p) => p.plantId === plantId).slice(-3);
  if (photos.length === 0) return null;
  return (
    <ul className="bare four-sides no-print" aria-label="Photos">
      {photos.map((p) => (
        <li key={p.id}>
          <Picture photo={p} alt={p.caption === "" ? "The plant" : p.caption} size="full" width="100%" />
          {say.date(p.on)}
        </li>
      ))}
    </ul>
  );
}

interface OffersProps {
  readonly stems: readonly Stem[];
  readonly plant: Plant;
  readonly task: Task;
  readonly standing: Standing;
  readonly nameOf: (id: string) => string;
  readonly onChoose: (id: string) => void;
}
/** The passes of the task in order, and what each offers on this plant: dead wood only where its state lets nothing else go. */
export const Offers = memo(function Offers({ stems, plant, task, standing, nameOf, onChoose }: OffersProps) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const waits = waiting(standing);
  const workplace = workplaceOf(plant, taxon, stems, aimOn(model, plant, on, task), standing);
  return (
    <>
      {waits && <p className="alarm">{remarkText(waits, say)}</p>}
      <ol className="offers" aria-label="Passes in order">
        {passesOffered(taxon, task, plant, standing).map((pass) => {
          const found = [...new Set(wantedIn(pass, workplace).map((x) => x.stem))];
          return (
            <li key={pass}>
              <strong>{PASS_ROWS[pass].title}.</strong> {PASS_ROWS[pass].why}{" "}
              {found.map((s) => (
                <button key={s.id} type="button" className="why" onClick={() => onChoose(s.id)}>
                  {nameOf(s.id)}
                </button>
              ))}
            </li>
          );
        })}
      </ol>
    </>
  );
});

/** Up to three tries side by side. */
export function Compare({ plant, stand }: { readonly plant: Plant; readonly stand: Stand }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const tried = stand.tries.map((t) => tryOut(model, { plant, stems: stand.stems, task: t.task, cuts: t.cuts }, on));
  const row = (name: string, of: (i: number) => string) => (
    <tr>
      <th scope="row">{name}</th>
      {tried.map((_, i) => (
        <td key={i}>{of(i)}</td>
      ))}
    </tr>
  );
  return (
    <table className="ruled" aria-label="Tries side by side">
      <thead>
        <tr>
          <th scope="col" />
          {tried.map((t, i) => (
            <th key={i} scope="col">
              Try {i + 1}: {TASK_TABLE[t.task].label.toLowerCase()}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {row("Live growth", (i) => say.percent(tried[i]!.share))}
        {row("Stems out", (i) => `${tried[i]!.removed} of ${tried[i]!.live}`)}
        {row("Flowers", (i) => say.percent(Math.max(0, ...tried[i]!.flowers.map((f) => f.loss * f.weight))))}
        {row("Height", (i) => say.length(tried[i]!.after.heightM))}
        {row("May be planned", (i) => (tried[i]!.accepted ? "yes" : "no"))}
      </tbody>
    </table>
  );
}
