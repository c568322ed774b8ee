/** A file of daily weather: what was recognised in it, line by line what was not, and what it would add. All or nothing. */
import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { issueText, withWeather, type Result, type WeatherIssueCode, type WeatherTable } from "@wren/core";
import { useGarden } from "../../state/garden.tsx";
import { dateText } from "../../words/dates.ts";

export interface WeatherFound {
  readonly file: string;
  readonly read: Result<WeatherTable, WeatherIssueCode>;
}

const gapsText = (n: number): string => {
  if (n === 0) return ", none missing";
  return n === 1
    ? "; 1 day between them is missing and stays a gap"
    : `; ${n} days between them are missing and stay gaps`;
};

const UNITS: Readonly<Record<WeatherTable["unit"], string>> = {
  C: "degrees Celsius",
  F: "degrees Fahrenheit, turned into Celsius",
  tenths: "tenths of a degree Celsius",
};

function Recognised({ t }: { readonly t: WeatherTable }) {
  return (
    <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
      <li>
        {t.days} days, {dateText(t.from)} to {dateText(t.to)}
        {gapsText(t.gaps)}.
      </li>
      <li>
        Read as {UNITS[t.unit]}, by the {t.unitFrom === "heading" ? "headings" : "size of the numbers"}.
      </li>
      {t.swapped && <li>The columns of minimum and maximum stood the wrong way round: turned.</li>}
    </Box>
  );
}

export function WeatherDialog({ found, onClose }: { readonly found: WeatherFound; readonly onClose: () => void }) {
  const { change } = useGarden();
  const { read, file } = found;
  const keep = async (t: WeatherTable): Promise<void> => {
    if (await change(`${t.days} days of weather kept`, (g) => withWeather(g, t.years))) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="weather-title">
      <DialogTitle id="weather-title">{read.ok ? `Weather in ${file}` : "This file cannot be read"}</DialogTitle>
      <DialogContent>
        {read.ok ? (
          <Recognised t={read.value} />
        ) : (
          <>
            <Typography sx={{ mb: 1 }}>{file} is refused. Nothing has been changed.</Typography>
            <Box component="ul" sx={{ pl: 2.5, m: 0, "& li": { overflowWrap: "anywhere" } }}>
              {read.issues.slice(0, 30).map((i) => (
                <li key={`${i.path.join()} ${i.code}`}>
                  {Number(i.path[0]) > 0 ? `Line ${i.path[0]}: ` : ""}
                  {issueText(i)}
                </li>
              ))}
            </Box>
            {read.issues.length > 30 && <Typography>and {read.issues.length - 30} more.</Typography>}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{read.ok ? "Leave it" : "Close"}</Button>
        {read.ok && (
          <Button variant="contained" onClick={() => void keep(read.value)}>
            Keep these days
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
