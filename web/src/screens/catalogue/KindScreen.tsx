/** One kind of the catalogue: its year at this place, what it asks for and why, what to beware of. */
import { Box, Button, Typography } from "@mui/material";
import {
  tasksFor,
  CATALOGUE,
  cautionsOfKind,
  cautionText,
  keyWith,
  normalFor,
  passOrder,
  PASS_ROWS,
  SCHOOLS,
  seasonDate,
  SOURCES,
  TASK_TABLE,
  VERDICTS,
  type Task,
  type Taxon,
} from "@wren/core";
import { useState } from "react";
import { useParams } from "react-router";
import { lookOn } from "../../drawing/plant.geometry.ts";
import { PlantThumb } from "../../drawing/PlantShape.tsx";
import { PlantYearRibbon } from "../../drawing/PlantYearRibbon.tsx";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Missing } from "../../ui/Missing.tsx";
import { Section } from "../../ui/Section.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { bestRuns, GROUP_LABELS, REGROWTH_TEXTS, WOOD_TEXTS } from "../../words/taxonTexts.ts";

const BEST = VERDICTS.indexOf("best");

function Window({ taxon, task }: { readonly taxon: Taxon; readonly task: Task }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const kind = model.kindYear(taxon, task);
  const { seasonYear, seasonDay } = model.season(on);
  const day = (d: number): string => say.date(seasonDate(seasonYear, d, model.climate.hemisphere));
  const runs = bestRuns(kind, (d) => kind.verdicts[d] === BEST);
  const verdict = VERDICTS[kind.verdicts[seasonDay]!]!;
  const whole = runs.length === 1 && runs[0]![1] - runs[0]![0] >= 364;
  return (
    <Typography sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
      <VerdictMark verdict={verdict} word />
      <span>
        {whole
          ? "Best on any day."
          : runs.length > 0
            ? `Best ${runs.map(([a, b]) => `${day(a)} to ${day(b)}`).join(", and ")}.`
            : "No day is free of cost; the marks show the least."}
      </span>
    </Typography>
  );
}

function Facts({ taxon }: { readonly taxon: Taxon }) {
  const say = useVoice();
  const range = ([a, b]: readonly [number, number]): string => `${say.length(a)} to ${say.length(b)}`;
  const [slow, usual, strong] = taxon.growthM;
  const facts: readonly (readonly [string, string])[] = [
    ["Height", range(taxon.matureHeightM)],
    ["Width", range(taxon.matureWidthM)],
    ["Grows in a year", `${say.length(usual)} (${say.length(slow)} to ${say.length(strong)})`],
    [
      "In shade",
      taxon.shadeVigour >= 0.75 ? "grows nearly as well" : taxon.shadeVigour >= 0.5 ? "grows less" : "thins out",
    ],
    ["Hardy to zone", taxon.coldestZone],
    ["Lowest safe cut", taxon.leastStubM === null ? "inside the green" : say.length(taxon.leastStubM)],
    ["Dead wood is told best", taxon.cleanOut],
  ];
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: "grid",
        gridTemplateColumns: "fit-content(50%) minmax(0, 1fr)",
        overflowWrap: "anywhere",
        columnGap: 2,
        rowGap: 0.5,
        "& dt": { color: "text.secondary" },
        "& dd": { m: 0 },
      }}
    >
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: "contents" }}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </Box>
      ))}
    </Box>
  );
}

function Beware({ taxon }: { readonly taxon: Taxon }) {
  const say = useVoice();
  const list = cautionsOfKind(taxon).map((c) => say.prose(cautionText(c, taxon)));
  return (
    <Box
      component="ul"
      aria-label="Cautions"
      sx={{ m: 0, pl: 0, listStyle: "none", borderLeft: "4px solid var(--alarm)", "& li": { pl: 1.5, py: 0.25 } }}
    >
      {list.map((x) => (
        <li key={x}>{x}</li>
      ))}
    </Box>
  );
}

function Known({ taxon }: { readonly taxon: Taxon }) {
  const { model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const [task, setTask] = useState<Task>(taxon.routineTask);
  const year = model.yearOf(taxon);
  const key = keyWith(taxon.id);
  const tasks = tasksFor(taxon).filter((t) => t !== "leave" && taxon.never[t] === undefined);
  const schools = SCHOOLS.filter((s) => taxon.schools.includes(s.id));
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "flex-end", flexWrap: "wrap", mb: 2 }}>
        <PlantThumb
          form={null}
          taxon={taxon}
          {...lookOn(taxon, year, model.season(on).seasonDay)}
          seed={taxon.id}
          scale={Math.min(60, 110 / taxon.matureHeightM[0])}
          widthM={taxon.matureWidthM[0]}
          heightM={taxon.matureHeightM[0]}
          box={120}
        />
        <Box sx={{ flex: 1, minWidth: 240 }}>
          <Typography variant="h1">{taxon.common[0]}</Typography>
          <Typography sx={{ color: "text.secondary" }}>
            <em>{taxon.botanical}</em>
            {taxon.common.length > 1 && ` · ${taxon.common.slice(1).join(", ")}`} · {GROUP_LABELS[taxon.group]}
          </Typography>
          <Typography sx={{ fontSize: "1.1rem", mt: 0.5 }}>{WOOD_TEXTS[taxon.floweringWood]}</Typography>
        </Box>
        <Button component={DayLink} to={"/walk"} more={{ kind: taxon.id }} variant="contained">
          Add one to the garden
        </Button>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0, 7fr) minmax(0, 5fr)" },
          gap: { xs: 2, md: 4 },
        }}
      >
        <Box>
          <Section title="Its year here">
            <Box role="group" aria-label="Task" sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mb: 1 }}>
              {tasks.map((t) => (
                <Button
                  key={t}
                  size="small"
                  aria-pressed={t === task}
                  variant={t === task ? "contained" : "outlined"}
                  onClick={() => setTask(t)}
                  sx={{ px: 1 }}
                >
                  {TASK_TABLE[t].label}
                </Button>
              ))}
            </Box>
            <Window taxon={taxon} task={task} />
            <PlantYearRibbon kind={model.kindYear(taxon, task)} on={on} visits={[]} />
            {year.tooCoolFor.length > 0 && (
              <Typography>This place is too cool for its {year.tooCoolFor.join(", ")} in most years.</Typography>
            )}
          </Section>
          <Section title="How it is cut">
            <Typography sx={{ mb: 1 }}>
              <strong>Yearly care: </strong>
              {TASK_TABLE[taxon.routineTask].label.toLowerCase()}. {say.prose(taxon.blade)}
            </Typography>
            <Typography sx={{ mb: 1 }}>{REGROWTH_TEXTS[taxon.regrowthFromLeaflessWood]}</Typography>
            <Box component="ol" sx={{ my: 1, pl: 3 }}>
              {passOrder(taxon, taxon.routineTask).map((p) => (
                <li key={p}>
                  {PASS_ROWS[p].title}. <span className="quiet">{PASS_ROWS[p].why}</span>
                </li>
              ))}
            </Box>
          </Section>
        </Box>
        <Box>
          <Section title="What it is">
            <Facts taxon={taxon} />
          </Section>
          <Section title="Beware">
            <Beware taxon={taxon} />
          </Section>
          <Section title="Looks wrong, but is normal">
            <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
              {normalFor(taxon).map((x) => (
                <li key={x}>{x}</li>
              ))}
            </Box>
          </Section>
          {schools.length > 0 && (
            <Section title="Where practitioners differ">
              {schools.map((s) => (
                <Typography key={s.id}>
                  {s.question} Here: <strong>{model.school(s.id).label}</strong>, for {model.school(s.id).suits}.{" "}
                  <DayLink to="/place" style={{ color: "inherit" }}>
                    Choose
                  </DayLink>
                </Typography>
              ))}
            </Section>
          )}
          {taxon.wildlife.length > 0 && (
            <Section title="What lives on it">
              <Typography>{taxon.wildlife.join("; ")}.</Typography>
            </Section>
          )}
          <Section title="Where this comes from">
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              {taxon.sources.map((s) => `${SOURCES[s].citation} (${SOURCES[s].standing})`).join("; ")}.
            </Typography>
            {key && (
              <Button component={DayLink} to={`/which/${key.id}`} variant="outlined" sx={{ mt: 1 }}>
                Not sure it is this one?
              </Button>
            )}
          </Section>
        </Box>
      </Box>
    </Box>
  );
}

export function KindScreen() {
  const { id } = useParams();
  const taxon = id === undefined ? null : CATALOGUE.byId(id);
  return taxon ? (
    <Known key={taxon.id} taxon={taxon} />
  ) : (
    <Missing what="No such kind in the catalogue" to="/kinds" way="To the catalogue" />
  );
}
