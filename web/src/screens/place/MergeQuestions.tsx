/** What both copies changed differently, one question a field, with both values and their days. */
import { Box, Button, Typography } from "@mui/material";
import type { Choices, Garden, MergeSide, PlainDate, Question } from "@wren/core";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { fieldWords, rowWords, valueWords } from "../../words/mergeWords.ts";

interface Props {
  readonly questions: readonly Question[];
  readonly choices: Choices;
  readonly own: Garden;
  readonly theirs: Garden;
  /** The day a row was changed here last; null: not known any more. */
  readonly changedOn: (q: Question) => PlainDate | null;
  readonly written: PlainDate | null;
  readonly onChoose: (choices: Choices) => void;
}

export function MergeQuestions({ questions, choices, own, theirs, changedOn, written, onChoose }: Props) {
  const say = useVoice();
  if (questions.length === 0)
    return <Typography sx={{ mb: 1 }}>The two do not contradict each other: nothing has to be chosen.</Typography>;
  const all = (side: MergeSide) => onChoose(new Map(questions.map((q) => [q.key, side])));
  return (
    <Box sx={{ my: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        Changed on both: {questions.length === 1 ? "1 choice" : `${questions.length} choices`}
      </Typography>
      <Typography sx={{ mb: 1 }}>The value you do not choose stays in the notebook.</Typography>
      {questions.length > 2 && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
          <Button size="small" variant="outlined" onClick={() => all("own")}>
            All as here
          </Button>
          <Button size="small" variant="outlined" onClick={() => all("theirs")}>
            All as in the file
          </Button>
        </Box>
      )}
      {questions.map((q) => {
        const names = { garden: own, say };
        const day = changedOn(q);
        const here = day === null ? "Here" : `Here, changed ${say.date(day)}`;
        const there = written === null ? "In the file" : `In the file, written ${say.date(written)}`;
        return (
          <OneOf
            key={q.key}
            label={`${rowWords(q, own, theirs)}, ${fieldWords(q.field)}`}
            value={choices.get(q.key) ?? q.stands}
            options={[
              { value: "own", label: `${here}: ${valueWords(q.field, q.own, names)}` },
              { value: "theirs", label: `${there}: ${valueWords(q.field, q.theirs, { garden: theirs, say })}` },
            ]}
            onChange={(side) => onChoose(new Map([...choices, [q.key, side]]))}
            {...(q.was === undefined ? {} : { hint: `Before: ${valueWords(q.field, q.was, names)}` })}
          />
        );
      })}
    </Box>
  );
}
