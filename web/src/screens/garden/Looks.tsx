/** Who looks at a bed and what that asks of its plants; who stands in whose shade; what the bed was surveyed as. */
import { Box, Button, Typography } from "@mui/material";
import { shadeInBed, sightLinesOf, type Bed, type PlainDate, type SightLine, type Viewpoint } from "@wren/core";
import { Eye } from "lucide-react";
import { useMemo, useState } from "react";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import type { Standing } from "./elevation.geometry.ts";
import { sectionOf } from "./section.geometry.ts";
import { towards } from "../../words/winds.ts";

const W = 300;
const H = 96;

/** The line of sight from the side, to scale: eye, plant, and what stands behind it. */
function Section({ line, plantM }: { readonly line: SightLine; readonly plantM: number }) {
  const s = sectionOf(line, plantM, W, H);
  return (
    <svg width={W} height={H + 14} viewBox={`0 0 ${W} ${H + 14}`} aria-hidden="true" style={{ maxWidth: "100%" }}>
      <line x1="0" x2={W} y1={H} y2={H} stroke="var(--umber)" strokeWidth="3" />
      <rect x={s.plant.x - 7} y={s.plant.y} width="14" height={H - s.plant.y} fill="var(--leaf)" opacity="0.55" />
      <rect x={s.target.x - 4} y={s.target.y} width="8" height={Math.max(2, H - s.target.y)} fill="var(--soft)" />
      <line
        x1={s.eye.x}
        y1={s.eye.y}
        x2={s.target.x}
        y2={s.target.y}
        stroke={s.holds ? "var(--leaf)" : "var(--alarm)"}
        strokeWidth="2"
        strokeDasharray="6 3"
      />
      <circle cx={s.eye.x} cy={s.eye.y} r="5" fill="var(--ink)" />
    </svg>
  );
}

const WATER_TEXTS = { none: "rain only", hand: "watered by hand", irrigation: "irrigated" } as const;

/** What the bed was surveyed as, in one sentence; empty when nobody has looked. */
function surveyOf(bed: Bed): string {
  const sun = (["morning", "midday", "late"] as const).flatMap((t) =>
    bed.sun[t] === null ? [] : [`${t} ${bed.sun[t]}`],
  );
  const parts = [
    bed.facesDeg === null ? "" : `looks ${towards(bed.facesDeg)}`,
    sun.join(", "),
    bed.wind === null ? "" : bed.wind === "some" ? "some wind" : bed.wind,
    bed.water === null ? "" : WATER_TEXTS[bed.water],
  ].filter(Boolean);
  return parts.length === 0 ? "" : `The bed ${parts.join("; ")}.`;
}

const WANT_TEXTS = { hide: "hides", clear: "leaves clear", show: "is to be seen" } as const;

interface Props {
  readonly bed: Bed;
  readonly standing: readonly Standing[];
  readonly on: PlainDate;
  readonly onViewpoint: (v: Viewpoint | null) => void;
}

export function Looks({ bed, standing, on, onViewpoint }: Props) {
  const { garden, model } = useGarden();
  const say = useVoice();
  const points = garden.viewpoints.filter((v) => v.bedId === bed.id);
  const lines = standing.flatMap((s) => sightLinesOf(garden, s.plant).map((line) => ({ s, line })));
  const { seasonDay } = model.season(on);
  const [open, setOpen] = useState(false);
  const shade = useMemo(
    () =>
      !open
        ? []
        : shadeInBed(
            bed,
            standing.map((s) => ({ plant: s.plant, heightM: s.heightM })),
            { latitudeDeg: garden.place.latitudeDeg, day: seasonDay, hemisphere: model.climate.hemisphere },
          ).slice(0, 4),
    [open, bed, standing, garden.place.latitudeDeg, seasonDay, model],
  );
  const label = (id: string): string => standing.find((s) => s.plant.id === id)?.plant.label ?? id;
  return (
    <Box component="details" sx={{ mb: 1.5 }} onToggle={(e) => setOpen((e.target as HTMLDetailsElement).open)}>
      <summary>
        Views and light
        {lines.some(({ s, line }) => fails(line, s.heightM)) && (
          <Box component="span" sx={{ color: "var(--alarm)", fontWeight: 700 }}>
            {" "}
            · a view is not as wanted today
          </Box>
        )}
      </summary>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
        {points.map((v) => (
          <Button key={v.id} variant="outlined" startIcon={<Eye size={18} />} onClick={() => onViewpoint(v)}>
            {v.name} · eye at {say.length(v.eyeHeightM)}
          </Button>
        ))}
        <Button variant="outlined" onClick={() => onViewpoint(null)}>
          Add a viewpoint
        </Button>
      </Box>
      {lines.map(({ s, line }) => (
        <Box
          key={`${s.plant.id}-${line.viewpoint.id}`}
          sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap", mb: 1 }}
        >
          <Section line={line} plantM={s.heightM} />
          <Typography>
            From {line.viewpoint.name} {s.plant.label} {WANT_TEXTS[line.view.want]}
            {line.leastM !== null && `: at least ${say.length(line.leastM)}`}
            {line.mostM !== null && `: at most ${say.length(line.mostM)}`}; today {say.length(s.heightM)}
            {fails(line, s.heightM) ? ", not as wanted" : ", as wanted"}.
          </Typography>
        </Box>
      ))}
      {surveyOf(bed) !== "" && <Typography>{surveyOf(bed)}</Typography>}
      {points.length > 0 && lines.length === 0 && (
        <Typography>No plant of this bed was asked to hide or show anything: its survey can say so.</Typography>
      )}
      {bed.facesDeg === null ? (
        <Typography sx={{ color: "text.secondary" }}>
          Say which way the bed’s front looks, and its shadows are worked out.
        </Typography>
      ) : (
        <Typography>
          {shade.length === 0
            ? "On this day no plant of the bed takes much of another’s sun."
            : `On this day ${shade.map((x) => `${label(x.by)} takes about ${say.percent(Math.round(x.share * 20) / 20)} of the sun of ${label(x.on)}`).join("; ")}.`}
          {bed.shadedBy && ` Shaded by ${bed.shadedBy}${bed.shadeGrows ? ", which grows: darker every year" : ""}.`}
        </Typography>
      )}
    </Box>
  );
}

/** Is a view not served at this height? */
const fails = (line: SightLine, heightM: number): boolean =>
  (line.leastM !== null && heightM < line.leastM) || (line.mostM !== null && heightM > line.mostM);
