/** The list to carry outside: numbered as on the drawing, by pass and tool. Large, ticked as you go, and printed. */
import { Box, Button, Typography } from "@mui/material";
import { cutLineText, PASS_ROWS, type CutLine, type Pass } from "@wren/core";
import { useVoice } from "../../state/voice.ts";

interface Props {
  readonly lines: readonly CutLine[];
  readonly nameOf: (id: string) => string;
  /** What is ticked, by its number. */
  readonly done: ReadonlySet<number>;
  readonly onDone: (done: ReadonlySet<number>) => void;
}

export function CutList({ lines, nameOf, done, onDone }: Props) {
  const say = useVoice();
  const passes = [...new Set(lines.map((l) => l.pass))];
  const tick = (no: number): void => {
    const next = new Set(done);
    if (!next.delete(no)) next.add(no);
    onDone(next);
  };
  const block = (pass: Pass) => (
    <Box key={pass} component="section" aria-label={PASS_ROWS[pass].title} sx={{ mb: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        {PASS_ROWS[pass].title}
      </Typography>
      <p className="quiet small">{PASS_ROWS[pass].why}</p>
      <ol className="bare">
        {lines
          .filter((l) => l.pass === pass)
          .map((l) => (
            <li key={l.no} className="cut-line">
              <label>
                <input type="checkbox" checked={done.has(l.no)} onChange={() => tick(l.no)} />
                <span className="cut-no numeral">{l.no}</span>
                <span className={done.has(l.no) ? "cut-done" : undefined}>
                  {l.stem && <strong>{nameOf(l.stem.id)}. </strong>}
                  {cutLineText(l, say)}
                  <span className="quiet"> · {l.tool}</span>
                  {l.threeCuts && <span className="alarm"> · in three cuts</span>}
                </span>
              </label>
            </li>
          ))}
      </ol>
    </Box>
  );
  return (
    <Box>
      {passes.map(block)}
      <Typography sx={{ mb: 1 }}>Step back after each pass and look from every side.</Typography>
      <Button className="no-print" variant="outlined" onClick={() => window.print()}>
        Print
      </Button>
    </Box>
  );
}
