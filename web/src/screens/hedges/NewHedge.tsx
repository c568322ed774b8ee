/** A hedge by five numbers: how long, how high, how wide at the foot and at the top, which way it faces. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Typography } from "@mui/material";
import {
  BOUNDS,
  CATALOGUE,
  hedgeIssues,
  hedgePlant,
  issueText,
  lengthInField,
  quickHedge,
  UNSURVEYED_BED,
  type Garden,
  type Metres,
  type Plant,
  type Taxon,
} from "@wren/core";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import * as z from "zod";
import { today } from "../../data/clock.ts";
import { bareUnit, lengthText } from "../../forms/fields.ts";
import { Choice, Field } from "../../forms/Field.tsx";
import { KindField } from "../../forms/KindField.tsx";
import { useLinkNow } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { Section } from "../../ui/Section.tsx";
import { windDeg, WINDS_ROUND } from "../../words/winds.ts";
import { withHedge } from "./hedgeEdits.ts";

const GRID = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr 1fr", sm: "1fr 1fr 1fr" },
  columnGap: 2,
  rowGap: 0.5,
} as const;

/** How far the ground rises: a length, or so many percent of the hedge's. */
const PERCENT = /^\s*(\d+(?:[.,]\d+)?)\s*%\s*$/;

const riseText = (bare: "cm" | "in") =>
  z.string().transform((text, ctx): Metres | { readonly percent: number } => {
    const percent = PERCENT.exec(text)?.[1];
    if (percent !== undefined) return { percent: Number(percent.replace(",", ".")) };
    const read = lengthText(bare, BOUNDS.groundM).safeParse(text);
    if (read.success) return read.data;
    ctx.addIssue({ code: "custom", message: read.error.issues[0]!.message });
    return z.NEVER;
  });

const schemaOf = (bare: "cm" | "in") =>
  z.strictObject({
    lengthM: lengthText(bare, { ...BOUNDS.runM, from: 0.5 }),
    heightM: lengthText(bare, BOUNDS.heightM),
    footM: lengthText(bare, BOUNDS.footM),
    topM: lengthText(bare, BOUNDS.topM),
    riseM: riseText(bare),
    facesDeg: z.string().transform(Number),
  });

/** The bed of a new hedge: the garden's first, or one of its own where there is none. */
function withBed(g: Garden, id: string): readonly [Garden, string] {
  const [first] = g.beds;
  if (first) return [g, first.id];
  return [{ ...g, beds: [{ ...UNSURVEYED_BED, id, name: "Hedges", lengthM: 20, order: 0, note: "" }] }, id];
}

/** @param plant whose hedge it is; null: a new one */
export function NewHedge({ plant }: { readonly plant: Plant | null }) {
  const { garden, model, change } = useGarden();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const bare = bareUnit(garden.rules.units);
  const [kind, setKind] = useState<Taxon | null>(plant ? model.taxonOf(plant) : null);
  const [missing, setMissing] = useState(false);
  // What the bed was said to face, to the nearest of the eight winds.
  const surveyed = windDeg(garden.beds.find((b) => b.id === plant?.bedId)?.facesDeg ?? 0);
  const schema = schemaOf(bare);
  const { control, handleSubmit, setError } = useForm<z.input<typeof schema>, unknown, z.output<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: {
      lengthM: plant ? lengthInField(plant.widthM, bare) : "",
      heightM: plant ? lengthInField(plant.heightM, bare) : "",
      footM: "",
      topM: "",
      riseM: "0",
      facesDeg: String(surveyed),
    },
  });
  const save = async (m: z.output<typeof schema>): Promise<void> => {
    if (kind === null) {
      setMissing(true);
      return;
    }
    const [hedgeId, plantId, bedId] = [newId(), plant?.id ?? newId(), newId()];
    const riseM = typeof m.riseM === "number" ? m.riseM : (m.riseM.percent / 100) * m.lengthM;
    const own = plant ?? hedgePlant(plantId, bedId, kind, today(), { ...m, riseM });
    const hedge = quickHedge(own, kind, hedgeId, today(), { ...m, riseM });
    const [steep] = hedgeIssues(hedge, [], CATALOGUE);
    if (steep) {
      setError("riseM", { message: issueText(steep) });
      return;
    }
    const kept = await change(plant ? `${plant.label} is a hedge` : `${kind.common[0]!} hedge added`, (g) => {
      const [based, bed] = withBed(g, bedId);
      return withHedge(plant ? based : { ...based, plants: [...based.plants, { ...own, bedId: bed }] }, hedge);
    });
    if (kept) await navigate(linkNow(`/hedges/${hedgeId}`));
  };
  return (
    <Section title={plant ? `${plant.label} as a hedge` : "A hedge by five numbers"}>
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save, () => setMissing(kind === null))(e)}>
        {!plant && (
          <Box sx={{ mb: 1 }}>
            <KindField
              value={kind}
              onChange={(t) => {
                setKind(t);
                setMissing(false);
              }}
              error={missing ? "Choose a kind by its common or botanical name" : null}
            />
          </Box>
        )}
        <Box sx={GRID}>
          <Field control={control} name="lengthM" label={`Length (${bare})`} helperText="Like 12 m" />
          <Field control={control} name="heightM" label={`Height (${bare})`} />
          <Field control={control} name="footM" label={`Width at the foot (${bare})`} />
          <Field control={control} name="topM" label={`Width at the top (${bare})`} />
          <Field
            control={control}
            name="riseM"
            label={`Ground rises by (${bare})`}
            helperText="From one end to the other, or like 6 %"
          />
          <Choice control={control} name="facesDeg" label="Its front looks to the" options={WINDS_ROUND} />
        </Box>
        <Typography variant="body2" sx={{ mb: 1, color: "text.secondary" }}>
          The front is the face you look at. What stands beside it can be said afterwards.
        </Typography>
        <Button type="submit" variant="contained">
          Answer
        </Button>
      </Box>
    </Section>
  );
}

/** Plants that are clipped to an outline and no hedge yet. */
export const mayBeHedges = (g: Garden): readonly Plant[] =>
  g.plants.filter(
    (p) =>
      !g.hedges.some((h) => h.plantId === p.id) &&
      (CATALOGUE.byId(p.taxonId)?.outline === true || p.form === "clipped"),
  );
