/** Record a visit: what was done, measured as it suits, dead wood apart. Recording never refuses for the cap. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import {
  TASKS,
  heightOf,
  measuredOn,
  parseDate,
  parseLength,
  planCut,
  reasonText,
  regimeOf,
  rowOf,
  TASK_TABLE,
  taskForGoal,
  viewReasons,
  visitAlike,
  type Plant,
  type Task,
  type Visit,
} from "@wren/core";
import { useState } from "react";
import { Controller, useForm, useWatch, type Control } from "react-hook-form";
import { useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { Alike, pairFirst } from "../../answer/Alike.tsx";
import { today } from "../../data/clock.ts";
import { BudgetRing } from "../../drawing/BudgetRing.tsx";
import { Choice, DateField, Field } from "../../forms/Field.tsx";
import { bareUnit } from "../../forms/fields.ts";
import { useDay, useLinkNow } from "../../state/day.tsx";
import { withCorrected, withVisit } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { Section } from "../../ui/Section.tsx";
import { dateText } from "../../words/dates.ts";
import { MEASURE_LABELS, REGIME_LABELS } from "../../words/labels.ts";
import {
  MEASURES,
  shareSoFar,
  takesLive,
  visitChanged,
  visitFrom,
  visitInput,
  visitInputOf,
  visitSchema,
  type VisitInput,
  type VisitValues,
} from "./visitForm.ts";

const PAIR = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
  columnGap: 2,
  rowGap: 0.5,
} as const;
const isIds = (x: unknown): x is readonly string[] => Array.isArray(x) && x.every((id) => typeof id === "string");
const isTask = (t: string | undefined): t is Task => (TASKS as readonly string[]).includes(t ?? "");

function MeasureFields({
  control,
  measure,
  standsM,
}: {
  readonly control: Control<VisitInput, unknown, VisitValues>;
  readonly measure: VisitInput["measure"];
  readonly standsM: number;
}) {
  const unit = bareUnit(useGarden().garden.rules.units);
  const say = useVoice();
  switch (measure) {
    case "share":
      return (
        <Field
          control={control}
          name="percent"
          label="Live growth taken (%)"
          inputMode="decimal"
          helperText="By eye, of what was alive before"
        />
      );
    case "height":
      return (
        <Box sx={PAIR}>
          <Field
            control={control}
            name="before"
            label={`Height before (${unit})`}
            helperText={`By what is known ${say.length(standsM)}; measured it teaches`}
          />
          <Field
            control={control}
            name="after"
            label={`Height after (${unit})`}
            helperText="An estimate, through the outline of its habit"
          />
        </Box>
      );
    case "stems":
      return (
        <Box sx={PAIR}>
          <Field control={control} name="removed" label="Live stems taken out" />
          <Field control={control} name="live" label="Live stems before" helperText="Dead stems are left out of both" />
        </Box>
      );
    case "diameters":
      return (
        <Box sx={PAIR}>
          <Field control={control} name="removedMm" label="Taken out (mm)" helperText="Live stems, like 32, 28, 25" />
          <Field control={control} name="keptMm" label="Left standing (mm)" helperText="Live stems that stay" />
        </Box>
      );
  }
}

const TICKS = [
  ["stranger", "A strange sucker inside it was traced and cut at its origin"],
  ["layers", "Rooted branches were severed, to be lifted later"],
] as const;

function Preview({
  plant,
  control,
}: {
  readonly plant: Plant;
  readonly control: Control<VisitInput, unknown, VisitValues>;
}) {
  const { model, garden } = useGarden();
  const say = useVoice();
  const v = useWatch({ control }) as VisitInput;
  const on = parseDate(v.on);
  if (on === null) return null;
  const share = takesLive(v.task) ? shareSoFar(v, garden.rules.units, measuredOn(model, plant, on)) : 0;
  const plan = planCut(model, plant.id, on, { task: v.task, share: share ?? 0 });
  const after = v.measure === "height" ? parseLength(v.after, bareUnit(garden.rules.units)) : null;
  const views = after === null ? [] : viewReasons(garden, plant, after);
  const over = plan.cap === null ? 0 : plan.takenAfter - plan.cap;
  const taken = plan.takenAfter - (share ?? 0);
  return (
    <Box sx={{ gridArea: "sawn", textAlign: "center", mb: 2 }} role="status">
      <BudgetRing
        seed={plant.id}
        taken={taken}
        cap={plan.cap}
        tried={share ?? 0}
        deadCount={Number(v.dead) || 0}
        size={210}
      />
      <Typography sx={{ fontWeight: 700 }}>
        {share === null ? "Give a measure to see its share" : `${say.percent(share)} of its live growth`}
      </Typography>
      <Typography>
        {plan.cap === null
          ? "Cut back each year: no cap counts."
          : over > 1e-9
            ? `Over the cap by ${say.percent(over)}. It is recorded all the same.`
            : `${say.percent(plan.takenAfter)} of ${say.percent(plan.cap)} in twelve months.`}
      </Typography>
      {views.map((r) => (
        <Typography key={r.code} sx={{ color: "var(--alarm)" }}>
          {reasonText(r, say)}
        </Typography>
      ))}
    </Box>
  );
}

interface FormProps {
  readonly plant: Plant;
  readonly task: Task;
  /** A visit that is changed; null: a new one. */
  readonly was: Visit | null;
}
function RecordForm({ plant, task, was }: FormProps) {
  const { model, garden, change } = useGarden();
  const { on } = useDay();
  const location = useLocation();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const taxon = model.taxonOf(plant);
  const day = on > today() ? today() : on;
  const state = location.state as { percent?: unknown; also?: unknown } | null;
  const [also, setAlso] = useState<ReadonlySet<string>>(() =>
    was ? new Set() : isIds(state?.also) ? new Set(state.also) : pairFirst(model, plant, day),
  );
  const percent = typeof state?.percent === "number" ? state.percent : null;
  const { control, handleSubmit } = useForm<VisitInput, unknown, VisitValues>({
    resolver: zodResolver(visitSchema(garden.rules.units, today(), plant.plantedOn)),
    defaultValues: was ? visitInputOf(was, garden.rules.units) : visitInput({ task, on: day, percent }),
  });
  const v = useWatch({ control }) as VisitInput;
  const { task: chosen, measure } = v;
  const doneOn = parseDate(v.on) ?? day;
  const share = takesLive(chosen) ? (shareSoFar(v, garden.rules.units, measuredOn(model, plant, doneOn)) ?? 0) : 0;
  const save = async (v: VisitValues): Promise<void> => {
    if (was) {
      const kept = await change(`Visit to ${plant.label} changed`, (g) => {
        const now = g.visits.find((x) => x.id === was.id) ?? was;
        return withCorrected(g, "visits", now, visitChanged(now, v, regimeOf(taxon, v.task)), {
          id: newId(),
          on: today(),
        });
      });
      if (kept) await navigate(-1);
      return;
    }
    const visit = visitFrom(v, { id: newId(), plantId: plant.id, regime: regimeOf(taxon, v.task) });
    // Each is written down by itself; what one of them does not allow, because it was planted later, is left out.
    const others = rowOf(model, plant, visit.on).filter(
      (r) => also.has(r.plant.id) && (r.plant.plantedOn === null || r.plant.plantedOn <= visit.on),
    );
    // The time was for all of them: each log gets its part.
    const minutes = v.minutes === null ? null : Math.round(v.minutes / (others.length + 1));
    const own = { ...visit, minutes };
    const kept = await change(
      others.length === 0 ? `Visit to ${plant.label} recorded` : `Visit to ${others.length + 1} plants recorded`,
      (g) => others.reduce((to, other) => withVisit(to, visitAlike(own, share, other, newId())), withVisit(g, own)),
    );
    if (kept) await navigate(linkNow(`/plant/${plant.id}`), { replace: true });
  };
  return (
    <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        {was ? `What was done at ${plant.label} on ${dateText(was.on)}?` : `What was done at ${plant.label}?`}
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,7fr) minmax(0,4fr)" },
          // On a phone the sawn end follows the measure it answers to.
          gridTemplateAreas: { xs: '"cut" "sawn" "rest"', md: '"cut sawn" "rest sawn"' },
          columnGap: 4,
        }}
      >
        <Box sx={{ gridArea: "cut" }}>
          <Section title="The cut">
            <Box sx={PAIR}>
              <Choice
                control={control}
                name="task"
                label="Task"
                options={TASKS.filter((t) => t !== "leave").map((t) => [t, TASK_TABLE[t].label])}
              />
              <DateField
                control={control}
                name="on"
                label="Day"
                slotProps={{ htmlInput: { max: today() }, inputLabel: { shrink: true } }}
              />
            </Box>
            <Typography variant="body2" sx={{ color: "text.secondary", mb: 1 }}>
              Booked as {REGIME_LABELS[regimeOf(taxon, chosen)]}.
            </Typography>
            {takesLive(chosen) && (
              <>
                <Choice
                  control={control}
                  name="measure"
                  label="Measured how"
                  options={MEASURES.map((m) => [m, MEASURE_LABELS[m]])}
                />
                <MeasureFields control={control} measure={measure} standsM={heightOf(model, plant, doneOn).heightM} />
              </>
            )}
          </Section>
        </Box>
        <Box sx={{ gridArea: "rest" }}>
          <Section title="Apart from that">
            <Box sx={PAIR}>
              <Field control={control} name="dead" label="Dead stems taken out" helperText="They do not count" />
              <Field
                control={control}
                name="hazard"
                label="Torn or diseased live wood (%)"
                helperText="Booked apart, never refused"
              />
              <Field control={control} name="minutes" label="Minutes it took" />
              <DateField
                control={control}
                name="trialUntil"
                label="A trial? Judge it by"
                helperText="Clean regrowth by then, or it goes"
              />
            </Box>
            {TICKS.map(([name, label]) => (
              <Controller
                key={name}
                control={control}
                name={name}
                render={({ field: { value, ...field } }) => (
                  <FormControlLabel control={<Checkbox {...field} checked={value} />} label={label} />
                )}
              />
            ))}
            <Field
              control={control}
              name="by"
              label="Who did it"
              helperText="Left empty: you. Each pair of hands has its own pace"
            />
            <Field control={control} name="note" label="Note" multiline minRows={2} />
            {!was && (
              <Alike
                plant={plant}
                on={doneOn}
                task={chosen}
                share={share}
                label="Was the same done to the others of its row?"
                chosen={also}
                onChosen={setAlso}
              />
            )}
          </Section>
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button type="submit" variant="contained">
              {was ? "Keep the change" : "Record"}
            </Button>
            <Button onClick={() => void navigate(-1)}>Cancel</Button>
          </Box>
        </Box>
        <Preview plant={plant} control={control} />
      </Box>
    </Box>
  );
}

export function RecordScreen() {
  const { id, task } = useParams();
  const { garden, model } = useGarden();
  const [params] = useSearchParams();
  const plant = garden.plants.find((p) => p.id === id);
  const was = garden.visits.find((v) => v.id === params.get("visit") && v.plantId === id) ?? null;
  if (!plant) return <Typography variant="h1">No such plant in this garden</Typography>;
  const goal = taskForGoal(model, plant);
  const start = isTask(task) ? task : goal;
  return (
    <RecordForm
      key={`${plant.id} ${was?.id ?? ""}`}
      was={was}
      plant={plant}
      task={start === "leave" ? "shape" : start}
    />
  );
}
