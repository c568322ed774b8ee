/** The survey walk: one plant after the other, a few presses each, nothing typed twice. */
import { Box, Button, TextField, Typography } from "@mui/material";
import {
  BOUNDS,
  CATALOGUE,
  DANGER_TABLE,
  GAUGES,
  GOAL_TABLE,
  goalHasHeight,
  lengthInField,
  LETTERS,
  parseLength,
  type Danger,
  type Form,
  type GoalKind,
  type Metres,
} from "@wren/core";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { today } from "../../data/clock.ts";
import { bareUnit, lengthText } from "../../forms/fields.ts";
import { KindField } from "../../forms/KindField.tsx";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { FORM_LABELS } from "../../words/labels.ts";
import { defaultLabel, UNKNOWN_KIND, withPressed, type Age, type Look, type WalkDanger } from "./walk.ts";

const AGES: readonly { readonly value: Age; readonly label: string }[] = [
  { value: "this-year", label: "This year" },
  { value: "last-year", label: "Last year" },
  { value: "few", label: "A few years" },
  { value: "old", label: "Long ago" },
  { value: "unknown", label: "Before my time" },
];
const LOOKS: readonly { readonly value: Look; readonly label: string }[] = [
  { value: "healthy", label: "Healthy" },
  { value: "unchecked", label: "Look later" },
  { value: "stressed", label: "Poorly" },
  { value: "dieback", label: "Much is dead" },
];
/** Wishes most plants have; the others stand in the full survey. */
const GOALS_AT_HAND: readonly GoalKind[] = ["routine", "leave", "keep-size", "screen", "outline", "off-path", "renew"];
const COUNTS = ["1", "2", "3", "5", "10"] as const;
const COUNT_LABELS: Readonly<Record<(typeof COUNTS)[number], string>> = {
  "1": "One",
  "2": "A pair",
  "3": "Row of 3",
  "5": "Row of 5",
  "10": "Row of 10",
};

/** Forms and dangers met most; the others stand in the full survey. */
const FORMS_AT_HAND: readonly Form[] = ["many-stems", "trunk", "standard", "weeping", "trained", "clipped", "pollard"];
const DANGERS_AT_HAND: readonly Danger[] = [
  "bird-nest",
  "insect-nest",
  "split-limb",
  "over-roof",
  "over-road",
  "protected",
];

interface Draft {
  readonly kind: string;
  readonly label: string;
  readonly heightM: Metres | null;
  readonly look: Look;
  readonly form: Form | null;
  readonly danger: WalkDanger;
  readonly goal: GoalKind;
  readonly wantedM: Metres | null;
  readonly count: number;
}
const blank = (kind: string): Draft => ({
  kind,
  label: "",
  heightM: null,
  look: "healthy",
  form: null,
  danger: "none",
  goal: "routine",
  wantedM: null,
  count: 1,
});

function Height({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: Metres | null;
  readonly onChange: (m: Metres | null) => void;
}) {
  const say = useVoice();
  const { units } = useGarden().garden.rules;
  const unit = bareUnit(units);
  const [text, setText] = useState("");
  return (
    <Box>
      <OneOf
        label={label}
        value={GAUGES.find((g) => g.heightM === value)?.id ?? null}
        options={GAUGES.map((g) => ({ value: g.id, label: `${g.label} · ${say.length(g.heightM)}` }))}
        onChange={(id) => {
          setText("");
          onChange(GAUGES.find((g) => g.id === id)!.heightM);
        }}
      />
      <TextField
        label={`or measured (${unit})`}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          const m = parseLength(e.target.value, unit);
          onChange(lengthText(unit, BOUNDS.heightM).safeParse(e.target.value).success ? m : null);
        }}
        error={text !== "" && value === null}
        helperText={text !== "" && value === null ? `Expected a length, like ${lengthInField(1.2, unit)}` : undefined}
        sx={{ maxWidth: 220, mt: -1, mb: 1.75 }}
      />
    </Box>
  );
}

export function WalkScreen() {
  const { garden, change } = useGarden();
  const say = useVoice();
  const [params] = useSearchParams();
  const asked = params.get("kind") ?? "";
  const [bedId, setBedId] = useState(params.get("bed") ?? garden.beds[0]?.id ?? "");
  const [age, setAge] = useState<Age | null>(null);
  const [draft, setDraft] = useState(() => blank(CATALOGUE.byId(asked) ? asked : ""));
  const [walked, setWalked] = useState<readonly string[]>([]);
  const bed = garden.beds.find((b) => b.id === bedId) ?? garden.beds[0];
  const set = (more: Partial<Draft>): void => setDraft((d) => ({ ...d, ...more }));
  // Kinds met on this walk and in the garden come first: the next plant is often one of them.
  const recent = [...new Set([...walked, ...garden.plants.toReversed().map((p) => p.taxonId)])]
    .filter((id) => id !== UNKNOWN_KIND && CATALOGUE.byId(id)?.group !== "unknown")
    .slice(0, 8);
  const goalHeight = goalHasHeight(draft.goal);
  const missing = [
    !bed && "a bed",
    draft.kind === "" && "its kind",
    draft.heightM === null && "its height",
    age === null && "when it was planted",
    goalHeight && draft.wantedM === null && "the wanted height",
  ].filter((x) => x !== false);

  const save = async (): Promise<void> => {
    if (!bed || draft.heightM === null || age === null) return;
    const pressed = {
      ...draft,
      bedId: bed.id,
      heightM: draft.heightM,
      age,
      wantedM: goalHeight ? draft.wantedM : null,
    };
    const name = draft.label.trim() || defaultLabel(draft.kind);
    const kept = await change(draft.count === 1 ? `${name} added` : `${draft.count} × ${name} added`, (g) =>
      withPressed(g, pressed, today(), newId),
    );
    if (!kept) return;
    setWalked((w) => [draft.kind, ...w]);
    setDraft(blank(""));
    window.scrollTo(0, 0);
  };

  if (garden.beds.length === 0)
    return (
      <Box sx={{ py: 6, textAlign: "center" }}>
        <Typography variant="h1" sx={{ mb: 1 }}>
          First a bed
        </Typography>
        <Button component={DayLink} to="/garden" variant="contained">
          Add a bed
        </Button>
      </Box>
    );
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography variant="h1">What stands there?</Typography>
      <Typography sx={{ color: "text.secondary", mb: 2 }} role="status">
        {walked.length === 0
          ? "Walk along the bed, one plant after the other."
          : `${walked.length} written down on this walk. The next one:`}
      </Typography>
      {garden.beds.length > 1 && (
        <OneOf
          label="Bed"
          value={bed?.id ?? null}
          options={garden.beds.map((b) => ({ value: b.id, label: b.name }))}
          onChange={setBedId}
        />
      )}
      <OneOf
        label="Kind"
        value={draft.kind}
        options={[
          ...recent.map((id) => ({ value: id, label: CATALOGUE.byId(id)!.common[0]! })),
          { value: UNKNOWN_KIND, label: "I don’t know" },
        ]}
        onChange={(kind) => set({ kind })}
        hint={
          draft.kind === UNKNOWN_KIND ? (
            <>
              It is treated safely until its flowers have been seen, or{" "}
              <DayLink to="/which" style={{ color: "inherit" }}>
                find out which it is
              </DayLink>
              .
            </>
          ) : undefined
        }
      />
      <Box sx={{ mt: -0.5, mb: 1.5, maxWidth: 460 }}>
        <KindField value={CATALOGUE.byId(draft.kind)} onChange={(t) => set({ kind: t?.id ?? "" })} />
      </Box>
      <Height
        key={walked.length}
        label="How tall, against a person or a door?"
        value={draft.heightM}
        onChange={(heightM) => set({ heightM })}
      />
      <OneOf label="Planted" value={age} options={AGES} onChange={setAge} />
      <OneOf label="How does it look?" value={draft.look} options={LOOKS} onChange={(look) => set({ look })} />
      <OneOf
        label="How is it grown?"
        value={draft.form ?? "usual"}
        options={[
          { value: "usual", label: "As usual" },
          ...FORMS_AT_HAND.map((f) => ({ value: f, label: FORM_LABELS[f] })),
        ]}
        onChange={(form) => set({ form: form === "usual" ? null : form })}
      />
      <OneOf
        label="Anything dangerous?"
        value={draft.danger}
        options={[
          { value: "none", label: "Nothing to see" },
          { value: "wire", label: "A wire touches it" },
          ...DANGERS_AT_HAND.map((d) => ({ value: d, label: DANGER_TABLE[d].label })),
        ]}
        onChange={(danger) => set({ danger })}
      />
      <OneOf
        label="What do you want of it?"
        value={draft.goal}
        options={GOALS_AT_HAND.map((g) => ({ value: g, label: GOAL_TABLE[g].label }))}
        onChange={(goal) => set({ goal })}
      />
      {goalHeight && (
        <Height
          key={`wanted${walked.length}`}
          label="Wanted height"
          value={draft.wantedM}
          onChange={(wantedM) => set({ wantedM })}
        />
      )}
      <OneOf
        label="How many alike?"
        value={COUNTS.find((c) => Number(c) === draft.count) ?? null}
        options={COUNTS.map((c) => ({ value: c, label: COUNT_LABELS[c] }))}
        onChange={(c) => set({ count: Number(c) })}
        hint={draft.count > 1 ? "Each becomes a plant of its own: a row is decided one by one." : undefined}
      />
      <TextField
        label="What you call it (may stay empty)"
        placeholder={defaultLabel(draft.kind)}
        value={draft.label}
        onChange={(e) => set({ label: e.target.value.slice(0, LETTERS.name - 4) })}
        sx={{ maxWidth: 460, mb: 2 }}
      />
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
        <Button variant="contained" size="large" disabled={missing.length > 0} onClick={() => void save()}>
          Write it down, next
        </Button>
        <Button component={DayLink} to="/garden" variant="outlined">
          Done
        </Button>
        {missing.length > 0 && (
          <Typography sx={{ color: "text.secondary" }}>Still to press: {missing.join(", ")}.</Typography>
        )}
      </Box>
      {bed && (
        <Section title={`In ${bed.name}`}>
          <Typography>
            {garden.plants
              .filter((p) => p.bedId === bed.id)
              .map((p) => `${p.label} (${say.length(p.heightM)})`)
              .join(", ") || "Nothing yet."}
          </Typography>
        </Section>
      )}
    </Box>
  );
}
