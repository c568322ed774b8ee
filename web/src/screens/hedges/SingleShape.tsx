/** A plant clipped by itself: a ball, a dome, a cone, a pyramid or a standard: its template, its trims, what a trim takes. */
import { Slider, Typography } from "@mui/material";
import {
  greenDepthOf,
  heightOf,
  nextTrims,
  SHAPES,
  shapeShare,
  templateOf,
  trimsOf,
  type ClippedShape,
  type Plant,
} from "@wren/core";
import { useMemo, useState } from "react";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";

const SHAPE_WORDS: Readonly<Record<ClippedShape, string>> = {
  ball: "A ball",
  dome: "A dome",
  cone: "A cone",
  pyramid: "A pyramid",
  standard: "A head on a stem",
};
/** Nobody takes more than this off all round at once, m. */
const MOST_OFF_M = 0.3;

export function SingleShape({ plant }: { readonly plant: Plant }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const { heightM } = heightOf(model, plant, on);
  const [shape, setShape] = useState<ClippedShape>(plant.form === "standard" ? "standard" : "ball");
  const [offM, setOffM] = useState(0.05);
  const size = { heightM, widthM: plant.widthM };
  const template = templateOf(shape, {
    heightM: Math.max(0.05, heightM - offM),
    widthM: Math.max(0.05, plant.widthM - 2 * offM),
  });
  const trims = useMemo(() => trimsOf(model, plant, on), [model, plant, on]);
  const days = nextTrims(model, trims, on);
  const greenM = greenDepthOf(taxon);
  const past = offM > greenM && taxon.regrowthFromLeaflessWood === "no";
  return (
    <Section title={`${plant.label} as a single shape`}>
      <Chips
        label="Clipped as"
        options={SHAPES.map((s) => ({ value: s, label: SHAPE_WORDS[s] }))}
        chosen={(s) => s === shape}
        onPress={setShape}
      />
      <Typography role="status" className={past ? "alarm" : "main-reason"}>
        {past
          ? `No: ${say.length(offM)} off all round passes its green (${say.length(greenM)}), and its bare wood stays bare.`
          : `${say.length(offM)} off all round takes ${say.percent(shapeShare(shape, size, offM, greenM))} of its leafy shell. Next trim: ${days[0] ? say.date(days[0]) : "no day is open"}${days.length > 1 ? `, then ${days.slice(1).map(say.date).join(" and ")}` : ""}.`}
      </Typography>
      <Slider
        aria-label="Off all round"
        value={offM}
        min={0}
        max={MOST_OFF_M}
        step={0.01}
        shiftStep={0.05}
        getAriaValueText={(v) => say.length(v)}
        onChange={(_, v) => setOffM(v)}
        sx={{ maxWidth: 420, color: "var(--leaf)" }}
      />
      <Typography>
        {template.pegs
          ? `${template.pegs.count} pegs ${say.length(template.pegs.outM)} from the middle${template.stringM === null ? "" : `, strings of ${say.length(template.stringM)} to the top of a rod ${say.length(template.edge.at(-1)!.zM)} high`}.`
          : "A rod upright in its middle, and a board cut to the edge below turned round it."}{" "}
        Look from all sides, from the top down, a little at a time.
      </Typography>
      <Scroller label="The template" sx={{ overflowX: "auto" }}>
        <Table
          head={["Above the ground", "From the middle to the edge"]}
          rows={template.edge.toReversed().map((e) => ({
            key: e.zM.toFixed(3),
            cells: [say.length(e.zM), say.length(e.outM)],
          }))}
        />
      </Scroller>
    </Section>
  );
}
