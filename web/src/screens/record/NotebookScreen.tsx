/** The garden's notebook: what was done and seen, what was expected, what it taught, and the year on a page. */
import { Box, Button, Typography } from "@mui/material";
import { lazy, Suspense } from "react";
import { useSearchParams } from "react-router";
import { useGarden } from "../../state/garden.tsx";
import { OneOf } from "../../ui/Chips.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { Happened } from "./Happened.tsx";

const Taught = lazy(async () => ({ default: (await import("./TaughtPart.tsx")).TaughtPart }));
const Expected = lazy(async () => ({ default: (await import("./ExpectedPart.tsx")).ExpectedPart }));
const YearPage = lazy(async () => ({ default: (await import("./YearPart.tsx")).YearPage }));
const Pairs = lazy(async () => ({ default: (await import("./PairsPart.tsx")).PairsPart }));

const PARTS = [
  ["happened", "What happened"],
  ["taught", "What it taught"],
  ["expected", "Expected and was"],
  ["pictures", "Pictures"],
  ["year", "The year"],
] as const;
type PartName = (typeof PARTS)[number][0];
const QUESTIONS: Readonly<Record<PartName, string>> = {
  happened: "What was done here, and what followed?",
  taught: "What has this garden taught?",
  expected: "Did it come as expected?",
  pictures: "How did it look a year before?",
  year: "How was the year?",
};
const isPart = (x: string | null): x is PartName => PARTS.some(([p]) => p === x);

export function NotebookScreen() {
  const { garden } = useGarden();
  const [params, setParams] = useSearchParams();
  const asked = params.get("part");
  const part: PartName = isPart(asked) ? asked : "happened";
  const found = garden.plants.find((p) => p.id === params.get("plant"));
  const set = (key: string, value: string | null): void => {
    const next = new URLSearchParams(params);
    if (value === null) next.delete(key);
    else next.set(key, value);
    setParams(next, { replace: true });
  };
  return (
    <Box>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        {QUESTIONS[part]}
      </Typography>
      <Box className="no-print">
        <OneOf
          label="The notebook"
          value={part}
          options={PARTS.map(([value, label]) => ({ value, label }))}
          onChange={(p) => set("part", p)}
        />
      </Box>
      {found && (
        <Box className="no-print" sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1.5, flexWrap: "wrap" }}>
          <Typography>
            Of <DayLink to={`/plant/${found.id}`}>{found.label}</DayLink> alone.
          </Typography>
          <Button size="small" onClick={() => set("plant", null)}>
            Of the whole garden
          </Button>
        </Box>
      )}
      <Suspense fallback={<p className="waiting">Looking it up…</p>}>
        {part === "happened" && <Happened plant={found ?? null} />}
        {part === "taught" && <Taught plant={found ?? null} />}
        {part === "expected" && <Expected plant={found ?? null} />}
        {part === "pictures" && <Pairs plant={found ?? null} />}
        {part === "year" && <YearPage />}
      </Suspense>
    </Box>
  );
}
