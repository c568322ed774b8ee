/** One hedge: what is wrong with it, the section it should have, the light at its foot, its strings, its trims, its way back. */
import { Box, Button, Typography } from "@mui/material";
import {
  CROWNS,
  hedgeStands,
  hedgeTo,
  hedgeTrims,
  nextTrims,
  TASK_TABLE,
  TOPS,
  wantedSection,
  type Hedge,
  type Section as HedgeSection,
} from "@wren/core";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { flushSync } from "react-dom";
import { today } from "../../data/clock.ts";
import { useDay } from "../../state/day.tsx";
import { standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Section } from "../../ui/Section.tsx";
import { Table } from "../../ui/Table.tsx";
import { CROWN_WORDS, cutText, faultTexts, sectionText, TOP_WORDS } from "../../words/hedgeWords.ts";
import { withHedge, withSection } from "./hedgeEdits.ts";
import { Light, TrimsPart, WayBackPart } from "./parts.tsx";
import { SectionDrawing, SectionSliders } from "./SectionDrawing.tsx";

const COLUMNS = {
  display: "grid",
  gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,6fr) minmax(0,5fr)" },
  // A sheet of paper is narrow, and holds the drawing beside what is said of it.
  "@media print": { gridTemplateColumns: "minmax(0,5fr) minmax(0,6fr)" },
  gap: { xs: 2, md: 4 },
} as const;
const round = (x: number, to = 1): string => String(Math.round(x / to) * to);

export function HedgeView({ hedge }: { readonly hedge: Hedge }) {
  const { model, change } = useGarden();
  const { on } = useDay();
  const say = useVoice();
  const stands = useMemo(() => hedgeStands(model, hedge, on), [model, hedge, on]);
  const trims = useMemo(() => hedgeTrims(model, stands, on), [model, stands, on]);
  const kept = useMemo(() => wantedSection(stands), [stands]);
  /** What is being dragged, before it is kept. */
  const [live, setLive] = useState<HedgeSection | null>(null);
  const wanted = live ?? kept;
  const to = useMemo(() => hedgeTo(model, stands, wanted), [model, stands, wanted]);
  const { plant } = stands;
  const put = useCallback(
    (label: string, next: Hedge): Promise<boolean> => change(`${plant.label}: ${label}`, (g) => withHedge(g, next)),
    [change, plant.label],
  );
  // A drag is answered in the frame of its move.
  const onTry = (s: HedgeSection): void => flushSync(() => setLive(s));
  const onChoose = (s: HedgeSection): void => {
    setLive(s);
    void put("section", withSection(hedge, s)).finally(() => setLive(null));
  };
  const days = nextTrims(model, trims, on);
  // What stands below follows a drag a moment later.
  const later = useDeferredValue(to);
  const plan = (): Promise<boolean> =>
    change(`${plant.label}: trims planned`, (g) => ({
      ...standing(g, plant.id),
      plans: [
        ...g.plans.filter((p) => p.plantId !== plant.id || p.task !== stands.task || !days.includes(p.on)),
        ...days.map((day) => ({
          id: newId(),
          plantId: plant.id,
          on: day,
          task: stands.task,
          madeOn: today(),
          half: null,
          fixed: false,
          note: `To ${sectionText(wanted, say)}`.slice(0, 300),
        })),
      ],
    }));
  const planned =
    days.length > 0 && days.every((d) => model.garden.plans.some((p) => p.plantId === plant.id && p.on === d));
  const faults = faultTexts(stands, say);
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
        <Typography variant="h1" sx={{ flex: { xs: "1 1 100%", md: 1 } }}>
          {plant.label}
        </Typography>
        <Box className="no-print" sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          <Button variant="contained" disabled={planned || to.refused || days.length === 0} onClick={() => void plan()}>
            {planned ? "Planned" : `Plan ${days.map(say.date).join(" and ")}`}
          </Button>
          <Button variant="outlined" onClick={() => window.print()}>
            Print
          </Button>
          <Button component={DayLink} to={`/plant/${plant.id}`} variant="outlined">
            The plant
          </Button>
        </Box>
      </Box>
      <Box sx={COLUMNS}>
        <Box sx={{ order: { xs: 2, md: 1 } }}>
          <SectionDrawing
            now={stands.now}
            wanted={wanted}
            greenM={stands.greenM}
            greenBinds={stands.strictest.regrowthFromLeaflessWood === "no"}
            facesDeg={hedge.facesDeg}
            onTry={onTry}
            onChoose={onChoose}
          />
          <div className="no-print">
            <SectionSliders wanted={wanted} onTry={onTry} onChoose={onChoose} />
            <Chips
              label="Crown"
              options={CROWNS.map((c) => ({ value: c, label: CROWN_WORDS[c] }))}
              chosen={(c) => c === wanted.crown}
              onPress={(crown) => onChoose({ ...wanted, crown })}
            />
            {hedge.wanted && (
              <Button variant="text" onClick={() => void put("as is proposed", { ...hedge, wanted: null })}>
                As is proposed
              </Button>
            )}
          </div>
        </Box>
        <Box role="status" aria-label="What this hedge comes to" sx={{ order: { xs: 1, md: 2 } }}>
          {faults.length === 0 && <Typography className="main-reason">Nothing is wrong with how it stands.</Typography>}
          {faults.map((text, i) => (
            <Typography key={text} className={i === 0 ? "main-reason" : undefined}>
              {text}
            </Typography>
          ))}
          <Typography sx={{ mt: 1 }}>
            <strong>{hedge.wanted ? "Wanted" : "Proposed"}:</strong> {sectionText(wanted, say)}.
          </Typography>
          <Typography sx={{ mt: 1 }} className={to.cut.pastGreen.length > 0 ? "alarm" : undefined}>
            {cutText(stands, to, say)}
          </Typography>
          <Box component="dl" className="price" sx={{ mt: 1.5 }}>
            <dt>Next trim</dt>
            <dd>{days[0] ? say.date(days[0]) : "no day is open"}</dd>
            <dt>Front, back, top</dt>
            <dd>{(["front", "back", "top"] as const).map((f) => say.percent(to.cut.shareBy[f])).join(", ")}</dd>
            <dt>Clippings</dt>
            <dd>
              {to.looseM3[0].toFixed(1)}–{to.looseM3[1].toFixed(1)} m³ loose, {Math.max(1, Math.round(to.barrows[0]))}–
              {Math.max(1, Math.round(to.barrows[1]))} barrows
            </dd>
            <dt>Faces and top</dt>
            <dd>{round(to.faceM2, 0.5)} m²</dd>
            <dt>Time</dt>
            <dd>
              {round(to.minutes.powered[0], 5)}–{round(to.minutes.powered[1], 5)} min powered,{" "}
              {round(to.minutes.hand[0], 5)}–{round(to.minutes.hand[1], 5)} by hand
              {to.ownMinutes && `; by your own trims ${round(to.ownMinutes[0], 5)}–${round(to.ownMinutes[1], 5)}`}
            </dd>
            <dt>With</dt>
            <dd>
              {TASK_TABLE[stands.task].label.toLowerCase()}
              {stands.task === "shape" ? ": single cuts, shears would slice its leaves" : ""}
            </dd>
          </Box>
          <Typography variant="body2" sx={{ mt: 1 }}>
            Strings first; cut from the foot upwards, shake the clippings out. Eyes, ears and gloves; a cable over the
            shoulder and a breaker in the socket.{" "}
            {stands.taxon.hazards.includes("toxic-clippings") && "Its clippings are poisonous: keep them from stock. "}
            {hedge.boundary && "On a boundary the other side is the neighbour’s ground: ask first; local law decides."}
          </Typography>
        </Box>
      </Box>
      <Light stands={stands} kept={kept} to={later} onHedge={put} />
      <TrimsPart stands={stands} trims={trims} to={later} on={on} onHedge={put} />
      <Section title="Strings">
        <div className="no-print">
          <Chips
            label="The top"
            options={TOPS.map((t) => ({ value: t, label: TOP_WORDS[t] }))}
            chosen={(t) => t === (hedge.wanted?.top ?? "follows")}
            onPress={(top) => void put("its top", { ...hedge, wanted: { ...withSection(hedge, wanted).wanted!, top } })}
          />
        </div>
        <Scroller label="Post by post" sx={{ overflowX: "auto" }}>
          <Table
            head={[
              "Post at",
              "Ground",
              "Top string",
              "Over the datum",
              "Front, back of the middle at the top",
              "Half way up",
              "At the foot",
            ]}
            rows={to.strings.map((s) => ({
              key: String(s.alongM),
              cells: [
                say.length(s.alongM),
                say.length(s.groundM),
                say.length(s.topM),
                say.length(s.overDatumM),
                ...s.lines.map((l) => `${say.length(l.frontM)}, ${say.length(l.backM)}`),
              ],
            }))}
          />
        </Scroller>
        {to.guide && (
          <Typography>
            Begin at {say.length(to.guide.alongM)}: there it stands nearest to the section (
            {say.percent(to.guide.share)} comes off); its line is the guide for the rest.
          </Typography>
        )}
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          The datum is the lowest ground along it. Distances are from the middle line to the string, front and back.
        </Typography>
      </Section>
      <WayBackPart stands={stands} to={later} on={on} />
    </Box>
  );
}
