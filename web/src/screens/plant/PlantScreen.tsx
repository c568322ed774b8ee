/** One plant: its answer on the strip's day, its year, a cut to try, and what was done. */
import { Box, Button, Typography } from "@mui/material";
import {
  growthToCome,
  adviseOn,
  candidatesOf,
  CATALOGUE,
  followUpsOf,
  heightOf,
  KEYS,
  kindYearFor,
  LIMITS,
  rowOf,
  youngOf,
  type Garden,
  seasonsEndOf,
  TASK_TABLE,
  type Plant,
  type Task,
  plantsYear,
} from "@wren/core";
import { useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { AnswerPanel } from "../../answer/AnswerPanel.tsx";
import { FollowUpRow } from "../../answer/FollowUpRow.tsx";
import { Programmes } from "../../answer/Programmes.tsx";
import { lookOn } from "../../drawing/plant.geometry.ts";
import { PlantThumb } from "../../drawing/PlantShape.tsx";
import { PlantYearRibbon } from "../../drawing/PlantYearRibbon.tsx";
import { PlantDialog } from "../../forms/PlantDialog.tsx";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { copyOf, withoutPlant } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { dateText } from "../../words/dates.ts";
import { Missing } from "../../ui/Missing.tsx";
import { ReasonList } from "../../ui/ReasonList.tsx";
import { Section } from "../../ui/Section.tsx";
import { Picture } from "../../ui/Picture.tsx";
import { CONDITION_LABELS } from "../../words/labels.ts";
import { History } from "./History.tsx";
import { Row } from "./Row.tsx";
import { Schools } from "./Schools.tsx";
import { TryCut } from "./TryCut.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { wishNotes } from "./wishNotes.ts";

function Head({ plant }: { readonly plant: Plant }) {
  const { model, garden } = useGarden();
  const photos = garden.photos.filter((p) => p.plantId === plant.id).slice(-4);
  const { on } = useDay();
  const say = useVoice();
  const taxon = model.taxonOf(plant);
  const height = heightOf(model, plant, on);
  const [low, , high] = seasonsEndOf(model, plant, on);
  const rests = growthToCome(model.yearOf(taxon), model.climate.hemisphere, on) === 1;
  const facts = [
    `${say.length(height.heightM)} tall, ${say.length(plant.widthM)} wide`,
    `${say.length(low)} to ${say.length(high)} by the end of the ${rests ? "coming " : ""}season`,
    plant.plantedOn
      ? `planted ${plant.plantedAbout ? `about ${plant.plantedOn.slice(0, 4)}` : dateText(plant.plantedOn)}`
      : "planting unknown",
    plant.plantsInOne > 1 ? `${plant.plantsInOne} plants grown into one` : "",
    plant.stance === "flopped" ? "flops over" : "",
    plant.lastCutM === null ? "" : `last cut at ${say.length(plant.lastCutM)}`,
    CONDITION_LABELS[plant.condition].toLowerCase(),
    `hardy to zone ${taxon.coldestZone}`,
  ];
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "flex-end" }}>
      <PlantThumb
        form={plant.form}
        taxon={taxon}
        {...lookOn(taxon, plantsYear(model, plant, on), model.season(on).seasonDay)}
        seed={plant.id}
        scale={60}
        widthM={plant.widthM}
        heightM={height.heightM}
        box={120}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ color: "text.secondary" }}>{facts.filter(Boolean).join(" · ")}</Typography>
        {plant.note && <Typography>{plant.note}</Typography>}
        {photos.length > 0 && (
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
            {photos.map((p) => (
              <Picture key={p.id} photo={p} alt={`${plant.label} on ${p.on}`} height={96} />
            ))}
          </Box>
        )}
        {taxon.looksWrongButNormal.length > 0 && (
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            Looks wrong but is normal: {taxon.looksWrongButNormal.join("; ")}.
          </Typography>
        )}
      </Box>
    </Box>
  );
}

/** Several kinds are likely: what they are, and the way to settle it. */
function Unsettled({ plant }: { readonly plant: Plant }) {
  const say = useVoice();
  const { model } = useGarden();
  const candidates = candidatesOf(model, plant)
    .filter((c) => c.share >= LIMITS.doubt)
    .toSorted((a, b) => b.share - a.share);
  const key = KEYS.find((k) => candidates.every((c) => c.taxonId in k.candidates));
  return (
    <Box sx={{ borderLeft: "4px solid var(--plum)", pl: 1.5, mb: 1.5 }}>
      <Typography>
        What it is, is not settled:{" "}
        {candidates
          .map((c) => `${CATALOGUE.byId(c.taxonId)?.common[0] ?? c.taxonId} ${say.percent(c.share)}`)
          .join(", ")}
        . The answer is the safest over all of them.
      </Typography>
      {key && (
        <Button
          component={DayLink}
          to={`/which/${key.id}`}
          more={{ plant: plant.id }}
          variant="outlined"
          sx={{ mt: 0.5 }}
        >
          Which is it?
        </Button>
      )}
    </Box>
  );
}

/** Where a clipped plant is answered as a hedge: its own, or five numbers to make it one. */
const hedgeLink = (g: Garden, plantId: string): { readonly to: string; readonly more?: Record<string, string> } => {
  const hedge = g.hedges.find((h) => h.plantId === plantId);
  return hedge ? { to: `/hedges/${hedge.id}` } : { to: "/hedges", more: { plant: plantId } };
};

/** Whose rooted branch it was, and what was lifted of it. */
function Family({ plant }: { readonly plant: Plant }) {
  const { model, garden } = useGarden();
  const parent = garden.plants.find((p) => p.id === plant.parentId);
  const young = youngOf(model, plant);
  if (!parent && young.length === 0) return null;
  const linked = (p: Plant) => (
    <DayLink key={p.id} to={`/plant/${p.id}`} style={{ color: "inherit", marginRight: 12 }}>
      {p.label}
    </DayLink>
  );
  return (
    <Section title="Family">
      {parent && <Typography>It was a rooted branch of {linked(parent)}</Typography>}
      {young.length > 0 && <Typography>Lifted of it: {young.map(linked)}</Typography>}
    </Section>
  );
}

function Known({ plant }: { readonly plant: Plant }) {
  const { model, garden, change } = useGarden();
  const { on } = useDay();
  const linkNow = useLinkNow();
  const navigate = useNavigate();
  const [task, setTask] = useState<Task | null>(null);
  const [editing, setEditing] = useState(false);
  const advice = useMemo(() => adviseOn(model, plant.id, on, task), [model, plant, on, task]);
  const taxon = model.taxonOf(plant);
  const row = useMemo(() => rowOf(model, plant, on), [model, plant, on]);
  const steps = useMemo(() => followUpsOf(model, plant, on), [model, plant, on]);
  const notes = useMemo(() => wishNotes(model, plant), [model, plant]);
  const copy = () =>
    change(`${plant.label} copied`, (g) => ({ ...g, plants: [...g.plants, copyOf(plant, g, newId())] }));
  const remove = async (): Promise<void> => {
    const kept = await change(`${plant.label} removed with its records`, (g) => withoutPlant(g, plant.id));
    if (kept) await navigate(linkNow("/garden"));
  };
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
        <Typography variant="h1" sx={{ flex: { xs: "1 1 100%", md: 1 } }}>
          {plant.label}
        </Typography>
        <Button component={DayLink} to={`/plant/${plant.id}/record/${advice.task}`} variant="contained">
          Record a visit
        </Button>
        <Button component={DayLink} to={`/at/${plant.id}`} variant="outlined">
          At the plant
        </Button>
        <Button component={DayLink} to={`/plant/${plant.id}/bench`} variant="outlined">
          Bench
        </Button>
        {(taxon.outline || plant.form === "clipped") && (
          <Button component={DayLink} {...hedgeLink(garden, plant.id)} variant="outlined">
            Hedge
          </Button>
        )}
        <Button component={DayLink} to={`/plant/${plant.id}/survey`} variant="outlined">
          Survey
        </Button>
        <Button variant="outlined" onClick={() => setEditing(true)}>
          Change
        </Button>
        <Button variant="outlined" onClick={() => void copy()}>
          Copy
        </Button>
        <Button variant="outlined" onClick={() => void remove()}>
          Remove
        </Button>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0, 6fr) minmax(0, 5fr)" },
          gap: { xs: 2, md: 4 },
        }}
      >
        <Box sx={{ order: { xs: 1, md: 1 } }}>
          <Section title="May I?">
            {advice.likely.length > 1 && <Unsettled plant={plant} />}
            <AnswerPanel plant={plant} advice={advice} onTask={setTask} alone={false} />
            <ReasonList label="What stands against the wish" reasons={notes} />
          </Section>
          <Section title="Schools">
            <Schools plant={plant} />
          </Section>
        </Box>
        <Box sx={{ order: { xs: 2, md: 2 } }}>
          <Section
            title={advice.likely.length > 1 ? `Its year, if it is ${taxon.common[0]!.toLowerCase()}` : "Its year"}
          >
            <PlantYearRibbon
              kind={kindYearFor(model, plant, on, advice.task)}
              on={on}
              visits={model.visitsOf(plant.id)}
            />
          </Section>
          {TASK_TABLE[advice.task].live && (
            <Section title="Try a cut">
              <TryCut key={advice.task} plant={plant} task={advice.task} />
            </Section>
          )}
          {steps.length > 0 && (
            <Section title="Next steps">
              <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
                {steps.map((f) => (
                  <FollowUpRow key={f.id} step={f} />
                ))}
              </Box>
            </Section>
          )}
          <Programmes plant={plant} />
          <Family plant={plant} />
          {row.length > 1 && (
            <Section title={row.length === 2 ? "Its pair" : "Its row"}>
              <Row plant={plant} row={row} />
            </Section>
          )}
          <Section title="What was done">
            <History plant={plant} />
          </Section>
          <Section title="The plant">
            <Head plant={plant} />
          </Section>
        </Box>
      </Box>
      {editing && <PlantDialog plant={plant} onClose={() => setEditing(false)} />}
    </Box>
  );
}

export function PlantScreen() {
  const { id } = useParams();
  const { garden } = useGarden();
  const plant = garden.plants.find((p) => p.id === id);
  return plant ? (
    <Known key={plant.id} plant={plant} />
  ) : (
    <Missing
      what="No such plant in this garden"
      hint="It may have been removed. Undo brings it back."
      to="/garden"
      way="To the garden"
    />
  );
}
