/** "Which is it?": one question at a time with drawings; what is likely stands beside it; "I don't know" is an answer. */
import { Box, Button, Typography } from "@mui/material";
import {
  CATALOGUE,
  costOfWrongPick,
  keyById,
  KEYS,
  LIMITS,
  namedBy,
  nextTrait,
  posterior,
  seasonsOnView,
  TASK_TABLE,
  UNKNOWN_ANSWER,
  watchPlan,
  type Answers,
  type Candidate,
  type Key,
  type KeySeason,
  type Plant,
  type Trait,
  type WatchTask,
} from "@wren/core";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { today } from "../../data/clock.ts";
import { KeySketch } from "../../drawing/keySketches.tsx";
import { useLinkNow } from "../../state/day.tsx";
import { withPatch } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Section } from "../../ui/Section.tsx";

const SHOWS: readonly { readonly value: KeySeason; readonly label: string }[] = [
  { value: "leaf", label: "In leaf" },
  { value: "flower", label: "In flower, or its flowers remembered" },
  { value: "bare", label: "On bare stems" },
];

/** The address holds the answers, so that back takes one back and a link shows the same question. */
function useAnswers(key: Key) {
  const [params, setParams] = useSearchParams();
  const { model } = useGarden();
  const answers: Answers = Object.fromEntries(
    key.traits.flatMap((t) => {
      const a = params.get(`a.${t.id}`);
      return a === null ? [] : [[t.id, a]];
    }),
  );
  const asked = params
    .get("shows")
    ?.split(",")
    .filter((s): s is KeySeason => SHOWS.some((x) => x.value === s));
  const shows = asked ?? seasonsOnView(key, model, today());
  const set = (name: string, value: string | null, replace = false): void => {
    const next = new URLSearchParams(params);
    if (value === null) next.delete(name);
    else next.set(name, value);
    setParams(next, { replace });
  };
  const clear = (): void => {
    const next = new URLSearchParams(params);
    for (const t of key.traits) next.delete(`a.${t.id}`);
    setParams(next);
  };
  return { answers, shows, set, clear, plantId: params.get("plant") };
}

const nameOf = (key: Key, id: string): string => key.names[id] ?? CATALOGUE.byId(id)?.common[0] ?? id;

function Question({ trait, onAnswer }: { readonly trait: Trait; readonly onAnswer: (answer: string) => void }) {
  return (
    <Box>
      <Typography variant="h2" component="h2" id="question">
        {trait.question}
      </Typography>
      {trait.hint && <Typography sx={{ color: "text.secondary", mb: 1.5 }}>{trait.hint}</Typography>}
      <Box
        role="group"
        aria-labelledby="question"
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1 }}
      >
        {trait.answers.map((a) => (
          <Button
            key={a.id}
            variant="outlined"
            onClick={() => onAnswer(a.id)}
            sx={{ justifyContent: "flex-start", textAlign: "left", gap: 1.5, minHeight: 88, fontSize: "1rem" }}
          >
            <KeySketch trait={trait.id} answer={a.id} />
            {a.label}
          </Button>
        ))}
        <Button variant="outlined" onClick={() => onAnswer(UNKNOWN_ANSWER)} sx={{ minHeight: 56 }}>
          I don’t know
        </Button>
      </Box>
    </Box>
  );
}

function Bars({ keyOf, candidates }: { readonly keyOf: Key; readonly candidates: readonly Candidate[] }) {
  const say = useVoice();
  return (
    <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
      {candidates.slice(0, 6).map((c) => (
        <Box component="li" key={c.taxonId} sx={{ mb: 1 }}>
          <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
            <span>{nameOf(keyOf, c.taxonId)}</span>
            <span className="numeral">{say.percent(c.share)}</span>
          </Box>
          <Box aria-hidden="true" sx={{ height: 10, border: "1px solid var(--line)", bgcolor: "var(--paper)" }}>
            <Box
              sx={{ height: "100%", bgcolor: c.share >= LIMITS.doubt ? "var(--leaf)" : "var(--line)" }}
              style={{ width: `${c.share * 100}%` }}
            />
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function WrongPicks({ keyOf, candidates }: { readonly keyOf: Key; readonly candidates: readonly Candidate[] }) {
  const { model } = useGarden();
  const say = useVoice();
  const picks = costOfWrongPick(model, [...candidates]).filter((p) => p.loss >= 0.02);
  if (picks.length === 0) return <Typography>No likely pick would cost a display.</Typography>;
  return (
    <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
      {picks.slice(0, 4).map((p) => (
        <li key={`${p.taken.id}-${p.really.id}`}>
          Cut like {nameOf(keyOf, p.taken.id).toLowerCase()} ({TASK_TABLE[p.task].label.toLowerCase()} on its best day)
          and really {nameOf(keyOf, p.really.id).toLowerCase()}: about {say.percent(p.loss)} of its display lost.
        </li>
      ))}
    </Box>
  );
}

const WATCH_TEXTS: Readonly<Record<WatchTask["what"], string>> = {
  growth: "Where does it grow from: the base, old stems, the tips?",
  "first-flower": "The first flower: on a short side shoot of last year’s stem, or at the end of a long new one?",
  "last-flower": "The last flower.",
  "winter-buds": "Bare stems: fat buds beside slim ones, or all alike?",
};

function Watch() {
  const { model } = useGarden();
  const say = useVoice();
  return (
    <Section title="Watch it for a season">
      <Typography sx={{ mb: 1 }}>
        Until its flowers have been seen it is treated as if it flowered on last year’s wood: no late-winter cut. Today
        lists it under “look for” while there is something to see.
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
        {watchPlan(model, today()).map((w) => (
          <li key={w.what}>
            {WATCH_TEXTS[w.what]}{" "}
            <span className="numeral">
              {say.date(w.from)} to {say.date(w.until)}
            </span>
          </li>
        ))}
      </Box>
    </Section>
  );
}

function Verdict({
  keyOf,
  answers,
  plant,
}: {
  readonly keyOf: Key;
  readonly answers: Answers;
  readonly plant: Plant | null;
}) {
  const { change } = useGarden();
  const linkNow = useLinkNow();
  const navigate = useNavigate();
  const named = namedBy(keyOf, answers, today());
  const settled = named.identity === null;
  const taxon = CATALOGUE.byId(named.taxonId)!;
  const keep = async (): Promise<void> => {
    if (!plant) return;
    const kept = await change(settled ? `${plant.label} named` : `${plant.label}: not settled, kept safe`, (g) =>
      withPatch(g, "plants", plant, { ...plant, ...named }),
    );
    if (kept) await navigate(linkNow(`/plant/${plant.id}`));
  };
  return (
    <Box>
      <Typography variant="h2" component="h2">
        {settled ? `It is ${nameOf(keyOf, named.taxonId)}` : "Not settled, and safe"}
      </Typography>
      <Typography sx={{ mb: 1.5 }}>
        {settled
          ? `${taxon.botanical}. Flowers on ${taxon.floweringWood === "both" ? "old and new wood" : taxon.floweringWood === "foliage" ? "wood that does not matter: it is grown for its foliage" : `${taxon.floweringWood} wood`}.`
          : "Several are still likely. The advice will be the safest over all of them until you know more."}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {plant && (
          <Button variant="contained" onClick={() => void keep()}>
            {settled ? `Call ${plant.label} that` : `Keep ${plant.label} undecided`}
          </Button>
        )}
        {settled && (
          <Button component={DayLink} to={`/kinds/${named.taxonId}`} variant="outlined">
            Read about it
          </Button>
        )}
      </Box>
    </Box>
  );
}

function Asking({ keyOf }: { readonly keyOf: Key }) {
  const { garden } = useGarden();
  const { answers, shows, set, clear, plantId } = useAnswers(keyOf);
  const plant = garden.plants.find((p) => p.id === plantId) ?? null;
  const candidates = posterior(keyOf, answers);
  const trait = nextTrait(keyOf, answers, shows);
  const given = keyOf.traits.filter((t) => answers[t.id] !== undefined);
  const settled = candidates.filter((c) => c.share >= LIMITS.doubt).length === 1;
  const done = trait === null || (settled && given.length > 0);
  const toggle = (s: KeySeason): void => {
    const next = shows.includes(s) ? shows.filter((x) => x !== s) : [...shows, s];
    set("shows", next.join(","), true);
  };
  return (
    <Box>
      <Typography variant="h1">{plant ? `Which is it: ${plant.label}?` : keyOf.name}</Typography>
      <Typography sx={{ color: "text.secondary", mb: 1.5, maxWidth: "70ch" }}>{keyOf.about}</Typography>
      <Chips label="What is there to see?" options={SHOWS} chosen={(s) => shows.includes(s)} onPress={toggle} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0, 7fr) minmax(0, 4fr)" },
          gap: { xs: 3, md: 5 },
        }}
      >
        <Box>
          {done ? (
            <Verdict keyOf={keyOf} answers={answers} plant={plant} />
          ) : (
            <Question key={trait.id} trait={trait} onAnswer={(a) => set(`a.${trait.id}`, a)} />
          )}
          {given.length > 0 && (
            <Box sx={{ mt: 2.5 }}>
              <Typography component="h3" sx={{ fontWeight: 700 }}>
                What you said
              </Typography>
              <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
                {given.map((t) => (
                  <Box
                    component="li"
                    key={t.id}
                    sx={{ display: "flex", alignItems: "center", gap: 1, borderBottom: "1px solid var(--line)" }}
                  >
                    <Box sx={{ flex: 1 }}>
                      {t.question}{" "}
                      <strong>{t.answers.find((a) => a.id === answers[t.id])?.label ?? "I don’t know"}</strong>
                    </Box>
                    <Button size="small" onClick={() => set(`a.${t.id}`, null)} aria-label={`Take back: ${t.question}`}>
                      Take back
                    </Button>
                  </Box>
                ))}
              </Box>
              <Button onClick={clear} sx={{ mt: 0.5 }}>
                Begin again
              </Button>
            </Box>
          )}
        </Box>
        <Box>
          <Section title="How likely">
            <Bars keyOf={keyOf} candidates={candidates} />
          </Section>
          <Section title="If you pick wrong">
            <WrongPicks keyOf={keyOf} candidates={candidates} />
          </Section>
          {keyOf.id === "unknown-shrub" && <Watch />}
        </Box>
      </Box>
    </Box>
  );
}

function Choose() {
  const { garden } = useGarden();
  const unsettled = garden.plants.filter((p) => p.identity !== null);
  const [params] = useSearchParams();
  const plant = params.get("plant");
  const more = plant === null ? {} : { plant };
  const keyFor = (p: Plant): Key =>
    KEYS.find((k) => p.identity?.candidates.every((c) => c.taxonId in k.candidates)) ?? KEYS[0]!;
  return (
    <Box>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        Which is it?
      </Typography>
      <Typography sx={{ color: "text.secondary", mb: 2, maxWidth: "70ch" }}>
        A few looks at leaf, bud and flower. “I don’t know” is always an answer; what is not settled is treated safely.
      </Typography>
      <Box
        component="ul"
        sx={{
          listStyle: "none",
          p: 0,
          m: 0,
          display: "grid",
          gap: 1,
          gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" },
        }}
      >
        {KEYS.map((k) => (
          <li key={k.id}>
            <Button
              component={DayLink}
              to={`/which/${k.id}`}
              more={more}
              variant="outlined"
              sx={{
                width: "100%",
                height: "100%",
                justifyContent: "flex-start",
                textAlign: "left",
                flexDirection: "column",
                alignItems: "flex-start",
                p: 1.5,
              }}
            >
              <Typography component="span" variant="h3">
                {k.name}
              </Typography>
              <Typography component="span" sx={{ color: "text.secondary" }}>
                {k.about}
              </Typography>
            </Button>
          </li>
        ))}
      </Box>
      {unsettled.length > 0 && (
        <Section title="Not settled in your garden">
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
            {unsettled.map((p) => (
              <Button
                key={p.id}
                component={DayLink}
                to={`/which/${keyFor(p).id}`}
                more={{ plant: p.id }}
                variant="outlined"
              >
                {p.label}
              </Button>
            ))}
          </Box>
        </Section>
      )}
    </Box>
  );
}

export function IdentifyScreen() {
  const { key: id } = useParams();
  const key = id === undefined ? null : keyById(id);
  return key ? <Asking key={key.id} keyOf={key} /> : <Choose />;
}
