/** A kind of plant, found by any of its names. */
import { Autocomplete, TextField } from "@mui/material";
import { CATALOGUE, type Taxon } from "@wren/core";

interface Props {
  readonly value: Taxon | null;
  readonly onChange: (t: Taxon | null) => void;
  readonly autoFocus?: boolean;
  readonly error?: string | null;
}

export function KindField({ value, onChange, autoFocus = false, error = null }: Props) {
  return (
    <Autocomplete
      options={[...CATALOGUE.taxa]}
      value={value}
      onChange={(_, t) => onChange(t)}
      filterOptions={(_, state) => CATALOGUE.search(state.inputValue).slice(0, MOST_SHOWN)}
      getOptionLabel={(t) => t.common[0]!}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      autoHighlight
      noOptionsText="No such kind. Try another of its names, or “Which is it?”"
      renderOption={({ key, ...props }, t) => (
        <li key={key} {...props}>
          <span>
            {t.common.join(", ")} · <em>{t.botanical}</em>
          </span>
        </li>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Kind"
          autoFocus={autoFocus}
          error={error !== null}
          helperText={error ?? "Common or botanical name"}
        />
      )}
    />
  );
}

/** More than a screenful of names helps nobody. */
const MOST_SHOWN = 60;
