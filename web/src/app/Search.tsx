/** Finds a plant by its name or its kind's, as it is typed. */
import { Autocomplete, TextField } from "@mui/material";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useLinkNow } from "../state/day.tsx";
import { useGarden } from "../state/garden.tsx";

export interface SearchProps {
  readonly inputRef: React.RefObject<HTMLInputElement | null>;
  /** What was typed before this was fetched. */
  readonly start: string;
}

/** A longer list of suggestions helps nobody. */
const MOST_SHOWN = 40;

export default function Search({ inputRef, start }: SearchProps) {
  const { garden, model } = useGarden();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  const [text, setText] = useState(start);
  const [open, setOpen] = useState(start !== "");
  return (
    <Autocomplete
      open={open}
      onOpen={() => setOpen(true)}
      onClose={() => setOpen(false)}
      options={[...garden.plants]}
      getOptionLabel={(p) => p.label}
      getOptionKey={(p) => p.id}
      filterOptions={(options, { inputValue }) => {
        const words = inputValue.toLowerCase().split(/\s+/);
        const fits = options.filter((p) => {
          const t = model.taxonOf(p);
          const all = [p.label, ...t.common, t.botanical].join(" ").toLowerCase();
          return words.every((w) => all.includes(w));
        });
        return fits.slice(0, MOST_SHOWN);
      }}
      value={null}
      inputValue={text}
      onInputChange={(_, v, why) => {
        // The field it took the place of has typed something already.
        if (why !== "reset") setText(v);
      }}
      onChange={(_, p) => {
        if (!p) return;
        setText("");
        inputRef.current?.blur();
        void navigate(linkNow(`/plant/${p.id}`));
      }}
      blurOnSelect
      noOptionsText="No such plant here"
      sx={{ width: { xs: "100%", md: 230 } }}
      renderInput={(params) => (
        <TextField
          {...params}
          inputRef={inputRef}
          placeholder="Find a plant"
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps.htmlInput, "aria-label": "Find a plant" },
          }}
        />
      )}
    />
  );
}
