/** "What does this kind ask for here?": every kind by group or by name, with what its yearly care makes of the strip's day. */
import { Box, Button, TextField, Typography } from "@mui/material";
import { CATALOGUE, GROUPS, TASK_TABLE, VERDICTS, isColder, type Taxon, type Verdict } from "@wren/core";
import { memo, useDeferredValue, useMemo } from "react";
import { useSearchParams } from "react-router";
import { useDay } from "../../state/day.tsx";
import { useGarden } from "../../state/garden.tsx";
import { VerdictMark } from "../../ui/VerdictMark.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { GROUP_LABELS } from "../../words/taxonTexts.ts";

const WOOD: Readonly<Record<Taxon["floweringWood"], string>> = {
  old: "old wood",
  new: "new wood",
  both: "both woods",
  foliage: "foliage",
};

interface RowProps {
  readonly taxon: Taxon;
  readonly verdict: Verdict;
  readonly tender: boolean;
  readonly to: string;
}

const Row = memo(function Row({ taxon, verdict, tender, to }: RowProps) {
  return (
    <Box component="li" sx={{ borderBottom: "1px solid var(--line)" }}>
      <Box
        component={DayLink}
        to={to}
        sx={{
          display: "flex",
          gap: 1.5,
          alignItems: "center",
          color: "inherit",
          textDecoration: "none",
          py: 0.75,
          minHeight: 44,
        }}
      >
        <VerdictMark verdict={verdict} size={20} />
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Box component="span" sx={{ fontWeight: 700 }}>
            {taxon.common[0]}
          </Box>{" "}
          <Box component="em" sx={{ color: "text.secondary" }}>
            {taxon.botanical}
          </Box>
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {WOOD[taxon.floweringWood]} · {TASK_TABLE[taxon.routineTask].label.toLowerCase()} · zone {taxon.coldestZone}
            {tender && " · not hardy here"}
          </Typography>
        </Box>
      </Box>
    </Box>
  );
});

export function CatalogueScreen() {
  const { garden, model } = useGarden();
  const { on } = useDay();
  const settled = useDeferredValue(on);
  const [params, setParams] = useSearchParams();
  const query = params.get("find") ?? "";
  const group = params.get("group");
  const typed = useDeferredValue(query);
  const found = useMemo(
    () =>
      (typed.trim() === "" ? CATALOGUE.taxa : CATALOGUE.search(typed)).filter(
        (t) => typed.trim() !== "" || (group === null ? t.group === GROUPS[0] : t.group === group),
      ),
    [typed, group],
  );
  const { seasonDay } = model.season(settled);
  const rows = useMemo(
    () =>
      found.map((taxon) => ({
        taxon,
        verdict: VERDICTS[model.kindYear(taxon, taxon.routineTask).verdicts[seasonDay]!]!,
        tender: isColder(model.climate.zone, taxon.coldestZone),
      })),
    [found, model, seasonDay],
  );
  const set = (name: string, value: string | null): void => {
    const next = new URLSearchParams(params);
    if (value === null || value === "") next.delete(name);
    else next.set(name, value);
    setParams(next, { replace: true });
  };
  return (
    <Box>
      <Typography variant="h1">What does this kind ask for here?</Typography>
      <Typography sx={{ color: "text.secondary", mb: 1.5 }}>
        {CATALOGUE.taxa.length} kinds, each with its year for {garden.place.name}. The mark is its yearly care on the
        strip’s day.
      </Typography>
      <TextField
        label="Find a kind"
        placeholder="lilac, Hydrangea, clematis…"
        value={query}
        onChange={(e) => set("find", e.target.value)}
        sx={{ mb: 1.5, maxWidth: 420 }}
      />
      {query.trim() === "" && (
        <Box role="group" aria-label="Group" sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mb: 2 }}>
          {GROUPS.filter((g) => g !== "unknown").map((g) => {
            const chosen = (group ?? GROUPS[0]) === g;
            return (
              <Button
                key={g}
                size="small"
                aria-pressed={chosen}
                variant={chosen ? "contained" : "outlined"}
                onClick={() => set("group", g)}
                sx={{ px: 1 }}
              >
                {GROUP_LABELS[g]}
              </Button>
            );
          })}
        </Box>
      )}
      {rows.length === 0 ? (
        <Typography>
          No kind of that name. Try another of its names, or{" "}
          <DayLink to="/which" style={{ color: "inherit" }}>
            find out which it is
          </DayLink>
          .
        </Typography>
      ) : (
        <Box
          component="ul"
          aria-label="Kinds"
          sx={{
            listStyle: "none",
            p: 0,
            m: 0,
            display: "grid",
            gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 320px), 1fr))",
            columnGap: 4,
          }}
        >
          {rows.map((r) => (
            <Row key={r.taxon.id} {...r} to={`/kinds/${r.taxon.id}`} />
          ))}
        </Box>
      )}
    </Box>
  );
}
