/** A hedge's line as it was measured: posts, gaps, other kinds in it, and when nests are left in peace. */
import { zodResolver } from "@hookform/resolvers/zod";
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import {
  BOUNDS,
  CATALOGUE,
  hedgeIssues,
  issueText,
  lengthInField,
  MOST,
  parseMonthDay,
  type Hedge,
  type Taxon,
} from "@wren/core";
import { useState, type ReactNode } from "react";
import { Controller, useFieldArray, useForm, type Control } from "react-hook-form";
import * as z from "zod";
import { today } from "../../data/clock.ts";
import { Choice, DateField, Field } from "../../forms/Field.tsx";
import { bareUnit, lengthText } from "../../forms/fields.ts";
import { KindField } from "../../forms/KindField.tsx";
import { dayInField } from "../../forms/placeForm.ts";
import { useGarden } from "../../state/garden.tsx";

type Bare = "cm" | "in";
const orNothing = (bare: Bare, bounds: Parameters<typeof lengthText>[1]) =>
  z.union([z.literal("").transform(() => null), lengthText(bare, bounds)]);
const schemaOf = (bare: Bare, hedge: Hedge) =>
  z
    .strictObject({
      posts: z.array(
        z.strictObject({
          alongM: lengthText(bare, BOUNDS.runM),
          groundM: lengthText(bare, BOUNDS.groundM),
          heightM: orNothing(bare, BOUNDS.heightM),
          footM: orNothing(bare, BOUNDS.footM),
          topM: orNothing(bare, BOUNDS.topM),
        }),
      ),
      stretches: z.array(
        z.strictObject({
          kind: z.custom<Taxon | null>().transform((t, ctx) => {
            if (t) return t.id;
            ctx.addIssue({ code: "custom", message: "Choose a kind by its common or botanical name" });
            return z.NEVER;
          }),
          toM: lengthText(bare, BOUNDS.runM),
        }),
      ),
      gaps: z.array(
        z.strictObject({
          fromM: lengthText(bare, BOUNDS.runM),
          toM: lengthText(bare, BOUNDS.runM),
          what: z.enum(["gap", "young"]),
        }),
      ),
      birdsFrom: z.string(),
      birdsTo: z.string(),
    })
    .transform((v, ctx): Hedge => {
      const [from, to] = [parseMonthDay(v.birdsFrom.slice(-5)), parseMonthDay(v.birdsTo.slice(-5))];
      const needed = from === null ? "birdsFrom" : "birdsTo";
      if ((from === null) !== (to === null))
        ctx.addIssue({ code: "custom", path: [needed], message: "Both days are needed, or neither" });
      const next: Hedge = {
        ...hedge,
        on: today(),
        posts: v.posts,
        stretches: v.stretches.map((s) => ({ taxonId: s.kind, toM: s.toM })),
        gaps: v.gaps,
        birds: from !== null && to !== null ? { from, to } : null,
        // A trim under way that no longer lies on the line is not under way.
        done: hedge.done !== null && hedge.done.toM <= v.posts.at(-1)!.alongM ? hedge.done : null,
      };
      for (const i of hedgeIssues(next, [], CATALOGUE))
        ctx.addIssue({ code: "custom", path: [...i.path], message: issueText(i) });
      return next;
    });
type Schema = ReturnType<typeof schemaOf>;
type Input = z.input<Schema>;

const ROW = {
  display: "flex",
  gap: 1,
  flexWrap: "wrap",
  alignItems: "flex-start",
  borderTop: "1px solid var(--line)",
  pt: 1.5,
} as const;
const CELL = { flex: "1 1 6.5rem", minWidth: "6.5rem" } as const;

/** Sizes that are asked at a post, and what each is called. */
const SIZES = [
  ["alongM", "Along"],
  ["groundM", "Ground"],
  ["heightM", "Height"],
  ["footM", "Foot"],
  ["topM", "Top"],
] as const;

interface LinesProps {
  readonly title: string;
  readonly hint?: string;
  /** Keys of the lines there are. */
  readonly fields: readonly { readonly id: string }[];
  /** What a line is, for its press that takes it out. */
  readonly name: string;
  readonly least?: number;
  readonly most: number;
  readonly more: string;
  readonly onMore: () => void;
  readonly onWithout: (index: number) => void;
  readonly line: (index: number) => ReactNode;
}
/** Lines of fields that can be added to and taken out. */
function Lines({ title, hint, fields, name, least = 0, most, more, onMore, onWithout, line }: LinesProps) {
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
      <Typography component="legend" className="strong">
        {title}
      </Typography>
      {hint && (
        <Typography variant="body2" sx={{ mb: 1, color: "text.secondary" }}>
          {hint}
        </Typography>
      )}
      {fields.map((f, i) => (
        <Box key={f.id} sx={ROW}>
          {line(i)}
          <Button
            size="small"
            disabled={fields.length <= least}
            onClick={() => onWithout(i)}
            aria-label={`Without ${name} ${i + 1}`}
          >
            Without
          </Button>
        </Box>
      ))}
      <Button size="small" disabled={fields.length >= most} onClick={onMore}>
        {more}
      </Button>
    </Box>
  );
}

interface PartProps {
  readonly control: Control<Input, unknown, Hedge>;
  readonly bare: Bare;
}
function Posts({ control, bare }: PartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: "posts" });
  return (
    <Lines
      title="Posts, from one end to the other"
      hint="Where along it, how high the ground lies there over the lowest; what was not measured at one may be left out."
      fields={fields}
      name="post"
      least={2}
      most={MOST.posts}
      more="One more post"
      onMore={() => append({ alongM: "", groundM: "0", heightM: "", footM: "", topM: "" })}
      onWithout={remove}
      line={(i) =>
        SIZES.map(([key, label]) => (
          <Box key={key} sx={CELL}>
            <Field
              control={control}
              name={`posts.${i}.${key}`}
              label={`${label} (${bare})`}
              size="small"
              slotProps={{ htmlInput: { "aria-label": `${label} at post ${i + 1}` } }}
            />
          </Box>
        ))
      }
    />
  );
}

function Gaps({ control, bare }: PartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: "gaps" });
  return (
    <Lines
      title="Gaps, and young plants that fill one"
      fields={fields}
      name="gap"
      most={MOST.gaps}
      more="A gap"
      onMore={() => append({ fromM: "", toM: "", what: "gap" })}
      onWithout={remove}
      line={(i) => (
        <>
          <Box sx={CELL}>
            <Field control={control} name={`gaps.${i}.fromM`} label={`From (${bare})`} size="small" />
          </Box>
          <Box sx={CELL}>
            <Field control={control} name={`gaps.${i}.toM`} label={`To (${bare})`} size="small" />
          </Box>
          <Box sx={CELL}>
            <Choice
              control={control}
              name={`gaps.${i}.what`}
              label="What"
              options={[
                ["gap", "A gap"],
                ["young", "Young plants"],
              ]}
            />
          </Box>
        </>
      )}
    />
  );
}

function Stretches({ control, bare }: PartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: "stretches" });
  return (
    <Lines
      title="Several kinds, each up to a place"
      fields={fields}
      name="kind"
      most={MOST.stretches}
      more="A kind"
      onMore={() => append({ kind: null, toM: "" })}
      onWithout={remove}
      line={(i) => (
        <>
          <Box sx={{ flex: "3 1 14rem" }}>
            <Controller
              control={control}
              name={`stretches.${i}.kind`}
              render={({ field, fieldState }) => (
                <KindField value={field.value} onChange={field.onChange} error={fieldState.error?.message ?? null} />
              )}
            />
          </Box>
          <Box sx={CELL}>
            <Field control={control} name={`stretches.${i}.toM`} label={`Up to (${bare})`} />
          </Box>
        </>
      )}
    />
  );
}

interface Props {
  readonly hedge: Hedge;
  readonly onSave: (next: Hedge) => Promise<boolean>;
  readonly onClose: () => void;
}
function LineDialog({ hedge, onSave, onClose }: Props) {
  const { garden } = useGarden();
  const bare = bareUnit(garden.rules.units);
  const inField = (m: number | null): string => (m === null ? "" : lengthInField(m, bare));
  const { control, handleSubmit } = useForm<Input, unknown, Hedge>({
    resolver: zodResolver(schemaOf(bare, hedge)),
    defaultValues: {
      posts: hedge.posts.map((p) => ({
        alongM: inField(p.alongM),
        groundM: inField(p.groundM),
        heightM: inField(p.heightM),
        footM: inField(p.footM),
        topM: inField(p.topM),
      })),
      stretches: hedge.stretches.map((s) => ({ kind: CATALOGUE.byId(s.taxonId) ?? null, toM: inField(s.toM) })),
      gaps: hedge.gaps.map((g) => ({ fromM: inField(g.fromM), toM: inField(g.toM), what: g.what })),
      birdsFrom: dayInField(hedge.birds?.from ?? null),
      birdsTo: dayInField(hedge.birds?.to ?? null),
    },
  });
  const save = async (next: Hedge): Promise<void> => {
    if (await onSave(next)) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="line-title">
      <Box component="form" noValidate onSubmit={(e) => void handleSubmit(save)(e)}>
        <DialogTitle id="line-title">The line as it was measured</DialogTitle>
        <DialogContent>
          <Posts control={control} bare={bare} />
          <Gaps control={control} bare={bare} />
          <Stretches control={control} bare={bare} />
          <Typography className="strong" sx={{ mt: 1 }}>
            Nests left in peace
          </Typography>
          <Typography variant="body2" sx={{ mb: 1, color: "text.secondary" }}>
            No trim is set between these days. What the law asks differs from place to place; look before any cut.
          </Typography>
          <Box sx={ROW}>
            <Box sx={CELL}>
              <DateField control={control} name="birdsFrom" label="From" helperText="Only the day and month count" />
            </Box>
            <Box sx={CELL}>
              <DateField control={control} name="birdsTo" label="To" />
            </Box>
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Keep
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}

/** The press that opens it. */
export function Line({ hedge, onSave }: Omit<Props, "onClose">) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" size="small" className="no-print" onClick={() => setOpen(true)} sx={{ mt: 1 }}>
        Posts, gaps, kinds, nests
      </Button>
      {open && <LineDialog hedge={hedge} onSave={onSave} onClose={() => setOpen(false)} />}
    </>
  );
}
