/** What is said of a hedge under its section: it follows a drag a moment later, so that the section answers at once. */
import { Typography } from "@mui/material";
import {
  cheapestDay,
  type Hedge,
  type HedgeStands,
  type HedgeTo,
  type HedgeTrims,
  type PlainDate,
  type Section as HedgeSection,
} from "@wren/core";
import { memo, useMemo, useState } from "react";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";
import { lightText, partsText, WAY_WORDS, yearsText } from "../../words/hedgeWords.ts";
import { Line } from "./LineDialog.tsx";
import { Sides } from "./Sides.tsx";
import { Trims } from "./Trims.tsx";
import { UnderWay } from "./UnderWay.tsx";
import { YearOfLight } from "./YearOfLight.tsx";

/** Keeps a hedge that was changed. */
type OnHedge = (label: string, next: Hedge) => Promise<boolean>;

interface LightProps {
  readonly stands: HedgeStands;
  /** The section that is kept, whatever is being dragged. */
  readonly kept: HedgeSection;
  readonly to: HedgeTo;
  readonly onHedge: OnHedge;
}
export const Light = memo(function Light({ stands, kept, to, onHedge }: LightProps) {
  const { model } = useGarden();
  const say = useVoice();
  const [yearShown, setYearShown] = useState(false);
  const { hedge } = stands;
  return (
    <Section title="Light at the foot">
      <Scroller label="Light on each face" sx={{ overflowX: "auto" }}>
        <Table
          head={["Face", "Sky at the foot, of the top’s", "With the section", "Sun at midsummer", "With the section"]}
          rows={to.light.map((l) => ({
            key: l.face,
            cells: [
              l.face === "front" ? "Front" : "Back",
              say.percent(l.now),
              say.percent(l.then),
              `${l.sunNowH.toFixed(1)} h`,
              `${l.sunThenH.toFixed(1)} h`,
            ],
          }))}
        />
      </Scroller>
      {to.light.map((l) => (
        <Typography key={l.face}>{lightText(l, say)}</Typography>
      ))}
      <details className="more" onToggle={(e) => setYearShown(e.currentTarget.open)}>
        <summary>Sun on both faces through the year</summary>
        {yearShown && (
          <YearOfLight
            asked={{
              now: stands.now,
              then: kept,
              screens: { front: hedge.front.screen, back: hedge.back.screen },
              facesDeg: hedge.facesDeg,
              latitudeDeg: model.garden.place.latitudeDeg,
              hemisphere: model.climate.hemisphere,
            }}
          />
        )}
      </details>
      <Sides hedge={hedge} onChange={(next) => void onHedge("its sides", next)} />
      <Line hedge={hedge} onSave={(next) => onHedge("its line", next)} />
    </Section>
  );
});

interface TrimsProps {
  readonly stands: HedgeStands;
  readonly trims: HedgeTrims;
  readonly to: HedgeTo;
  readonly on: PlainDate;
  readonly onHedge: OnHedge;
}
export const TrimsPart = memo(function TrimsPart({ stands, trims, to, on, onHedge }: TrimsProps) {
  const { hedge } = stands;
  return (
    <Section title="Trims of the year">
      <Trims
        trims={trims}
        on={on}
        minutes={to.trimMinutes}
        onCount={(n) => void onHedge(`${n} trims a year`, { ...hedge, trims: n })}
      />
      <UnderWay
        key={hedge.id}
        stands={stands}
        minutes={to.trimMinutes}
        onChange={(label, next) => void onHedge(label, next)}
      />
    </Section>
  );
});

interface WayProps {
  readonly stands: HedgeStands;
  readonly to: HedgeTo;
  readonly on: PlainDate;
}
export const WayBackPart = memo(function WayBackPart({ stands, to, on }: WayProps) {
  const { model } = useGarden();
  const say = useVoice();
  const { plant } = stands;
  // Back into bare wood is cut on a renovation's day, not on a trim's.
  const begin = useMemo(() => cheapestDay(model, plant, on, "renovate"), [model, plant, on]);
  const [way, setWay] = useState(to.ways[0]?.way ?? "by-faces");
  const back = to.ways.find((w) => w.way === way) ?? to.ways[0];
  return (
    <>
      {back && back.steps.length > 0 && to.cut.pastGreen.length + (back.staysWiderM > 0 ? 1 : 0) > 0 && (
        <Section title="The way back">
          {to.ways.length > 1 && (
            <div className="no-print">
              <Chips
                label="Which way?"
                options={to.ways.map((w) => ({ value: w.way, label: WAY_WORDS[w.way] }))}
                chosen={(w) => w === back.way}
                onPress={setWay}
              />
            </div>
          )}
          <Scroller label="Step by step" sx={{ overflowX: "auto" }}>
            <Table
              head={["When", "What", "Live shell", "Stands then", "Begin when"]}
              rows={back.steps.map((s, i) => ({
                key: String(i),
                cells: [
                  yearsText(s.year),
                  partsText(s.parts),
                  say.percent(s.share),
                  `${say.length(s.after.section.heightM)} high, ${say.length(s.after.section.footM)} at the foot`,
                  s.waitsFor === "face-green"
                    ? "the last face is green again"
                    : to.cut.pastGreen.length > 0
                      ? `least harm about ${say.date(begin.on)}`
                      : "with a trim",
                ],
              }))}
            />
          </Scroller>
          {back.staysWiderM > 0 && (
            <Typography>
              It stays {say.length(back.staysWiderM)} wider than wanted: its green ends there. Let it be wide, replace a
              stretch, or plant a lower kind in front.
            </Typography>
          )}
        </Section>
      )}
    </>
  );
});
