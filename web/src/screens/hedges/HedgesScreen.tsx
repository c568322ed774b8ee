/** Hedges: those of the garden, one of them, or a new one by five numbers. */
import { Box, Typography } from "@mui/material";
import { hedgeStands, lengthOf } from "@wren/core";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";
import { faultTexts } from "../../words/hedgeWords.ts";
import { HedgesTable } from "./HedgesTable.tsx";
import { HedgeView } from "./HedgeView.tsx";
import { mayBeHedges, NewHedge } from "./NewHedge.tsx";
import { SingleShape } from "./SingleShape.tsx";

function Hedges() {
  const { garden, model } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const [params] = useSearchParams();
  const [plantId, setPlantId] = useState<string | null>(params.get("plant"));
  const from = mayBeHedges(garden);
  const plant = from.find((p) => p.id === plantId) ?? null;
  return (
    <Box>
      <Typography variant="h1">Hedges</Typography>
      {garden.hedges.length > 0 && (
        <ul className="bare">
          {garden.hedges.map((h) => {
            const stands = hedgeStands(model, h, on);
            return (
              <li key={h.id} className="follow-up">
                <p className="strong">
                  <DayLink to={`/hedges/${h.id}`} style={{ color: "inherit" }}>
                    {stands.plant.label}
                  </DayLink>
                  , {say.length(lengthOf(h))} long, {say.length(stands.now.heightM)} high
                </p>
                <p>{faultTexts(stands, say)[0] ?? "Nothing is wrong with how it stands."}</p>
              </li>
            );
          })}
        </ul>
      )}
      {from.length > 0 && (
        <Section title="Plants of yours that are clipped">
          <p>As a hedge they get a section, strings and trims; as a ball or a cone a template. Their records stay.</p>
          <div className="presses">
            {from.map((p) => (
              <button
                key={p.id}
                type="button"
                className={`press${p.id === plantId ? " task-chosen" : ""}`}
                aria-pressed={p.id === plantId}
                onClick={() => setPlantId(p.id === plantId ? null : p.id)}
              >
                {p.label}
              </button>
            ))}
          </div>
        </Section>
      )}
      {plant && <SingleShape key={`shape-${plant.id}`} plant={plant} />}
      <NewHedge key={plant?.id ?? "new"} plant={plant} />
      <HedgesTable />
    </Box>
  );
}

export function HedgesScreen() {
  const { id } = useParams();
  const { garden } = useGarden();
  if (id === undefined) return <Hedges />;
  const hedge = garden.hedges.find((h) => h.id === id || h.plantId === id);
  return hedge ? (
    <HedgeView key={hedge.id} hedge={hedge} />
  ) : (
    <Typography variant="h1">No such hedge in this garden</Typography>
  );
}
