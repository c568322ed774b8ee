/** One plant looked at closely: size and stance, what it touches, its health, what it must hide or show, what is wanted of it. */
import { Box, Button, Typography } from "@mui/material";
import { BOUNDS, GAUGES, keyWith, KEYS, type Plant } from "@wren/core";
import { useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { today } from "../../data/clock.ts";
import { useLinkNow } from "../../state/day.tsx";
import { withPatch } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Missing } from "../../ui/Missing.tsx";
import { Section } from "../../ui/Section.tsx";
import { surveyed, type HealthDraft } from "./draft.ts";
import { Goal } from "./Goal.tsx";
import { Dangers, Grown } from "./Grown.tsx";
import { HealthCheck, HealthOutcome } from "./HealthCheck.tsx";
import { LengthInput } from "./LengthInput.tsx";
import { Photos } from "./Photos.tsx";
import { Touches } from "./Touches.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Views } from "./Views.tsx";

const STANCE_OPTIONS = [
  { value: "upright", label: "Stands up" },
  { value: "flopped", label: "Flops over" },
  { value: "leaning", label: "Its trunk leans" },
  { value: "split", label: "Its trunk is split" },
] as const;
const SUPPORT_OPTIONS = [
  { value: "sound", label: "Sound" },
  { value: "broken-ties", label: "Ties broken" },
  { value: "trapped", label: "A stem is trapped" },
  { value: "rubbing", label: "It rubs" },
] as const;
const IN_ONE = ["1", "2", "3", "5"] as const;

function Known({ before }: { readonly before: Plant }) {
  const { model, change } = useGarden();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  // As it was when the survey began: only what is changed here is written.
  const [start] = useState(before);
  const [plant, setPlant] = useState(before);
  const fields = useRef<HTMLDivElement>(null);
  const [health, setHealth] = useState<HealthDraft | null>(null);
  const say = useVoice();
  const key = before.identity
    ? (KEYS.find((k) => before.identity!.candidates.every((c) => c.taxonId in k.candidates)) ?? null)
    : keyWith(before.taxonId);
  const save = async (): Promise<void> => {
    const wrong = fields.current?.querySelector<HTMLElement>("[aria-invalid=true]");
    if (wrong) {
      wrong.focus();
      return;
    }
    const done = surveyed(model, plant, health, today(), newId());
    const kept = await change(`${plant.label} surveyed`, (g) => ({
      ...withPatch(g, "plants", start, done.plant),
      observations: done.seen ? [...g.observations, done.seen] : g.observations,
    }));
    if (kept) await navigate(linkNow(`/plant/${plant.id}`));
  };
  const taxon = model.taxonOf(before);
  return (
    <Box ref={fields} sx={{ maxWidth: 820 }}>
      <Typography variant="h1">How is {before.label}?</Typography>
      <Typography sx={{ color: "text.secondary", mb: 2 }}>
        {taxon.common[0]}
        {before.identity && " · not settled"}
        {key && (
          <>
            {" · "}
            <DayLink to={`/which/${key.id}`} more={{ plant: before.id }} style={{ color: "inherit" }}>
              Which is it?
            </DayLink>
          </>
        )}
      </Typography>
      <HealthCheck plant={plant} health={health} onHealth={setHealth} />
      <Section title="How does it stand?">
        <OneOf
          label="Height against a person or a door"
          value={GAUGES.find((g) => g.heightM === plant.heightM)?.id ?? null}
          options={GAUGES.map((g) => ({ value: g.id, label: `${g.label} · ${say.length(g.heightM)}` }))}
          onChange={(id) =>
            setPlant({ ...plant, heightM: GAUGES.find((g) => g.id === id)!.heightM, heightOn: today() })
          }
        />
        <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
          <LengthInput
            key={plant.heightM}
            label="Height, measured"
            value={plant.heightM}
            bounds={BOUNDS.heightM}
            required
            onChange={(m) => m !== null && setPlant((p) => ({ ...p, heightM: m, heightOn: today() }))}
          />
          <LengthInput
            label="Width"
            value={plant.widthM}
            bounds={BOUNDS.widthM}
            required
            onChange={(m) => m !== null && setPlant((p) => ({ ...p, widthM: m }))}
          />
          <LengthInput
            label="Behind the front edge"
            value={plant.backM}
            bounds={BOUNDS.backM}
            onChange={(m) => setPlant((p) => ({ ...p, backM: m ?? 0 }))}
          />
          <LengthInput
            label="Last year’s cut mark"
            value={plant.lastCutM}
            hint="A good guide, if it can be seen"
            bounds={BOUNDS.heightM}
            onChange={(lastCutM) => setPlant((p) => ({ ...p, lastCutM }))}
          />
        </Box>
        <OneOf
          label="Stance"
          value={plant.stance}
          options={STANCE_OPTIONS}
          onChange={(stance) => setPlant({ ...plant, stance })}
        />
        <OneOf
          label="Grown into one"
          value={IN_ONE.find((n) => Number(n) === plant.plantsInOne) ?? null}
          options={IN_ONE.map((n) => ({ value: n, label: n === "1" ? "One plant" : `${n} plants in one mass` }))}
          onChange={(n) => setPlant({ ...plant, plantsInOne: Number(n) })}
        />
        {taxon.habit === "climber" && (
          <OneOf
            label="What holds it"
            value={plant.support}
            options={SUPPORT_OPTIONS}
            onChange={(support) => setPlant({ ...plant, support })}
            hint="Tie in before you shorten."
          />
        )}
      </Section>
      <Grown plant={plant} onPlant={setPlant} />
      <Dangers plant={plant} onPlant={setPlant} />
      <Touches plant={plant} onPlant={setPlant} />
      <Views plant={plant} onPlant={setPlant} />
      <Goal plant={plant} onPlant={setPlant} />
      <Box
        className="foot-bar"
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1.5,
          mb: 3,
          position: "sticky",
          bottom: { xs: 56, md: 0 },
          py: 1,
          bgcolor: "var(--mist)",
          borderTop: "1px solid var(--line)",
        }}
      >
        {health && <HealthOutcome plant={plant} health={health} />}
        <Button variant="contained" onClick={() => void save()}>
          Keep the survey
        </Button>
        <Button component={DayLink} to={`/plant/${before.id}`}>
          Leave it
        </Button>
      </Box>
      <Photos plant={before} />
    </Box>
  );
}

export function SurveyScreen() {
  const { id } = useParams();
  const { garden } = useGarden();
  const plant = garden.plants.find((p) => p.id === id);
  return plant ? (
    <Known key={plant.id} before={plant} />
  ) : (
    <Missing
      what="No such plant in this garden"
      hint="It may have been removed. Undo brings it back."
      to="/garden"
      way="To the garden"
    />
  );
}
