/** A length that is read as it is typed; what cannot be kept is said at the field and changes nothing. */
import { TextField } from "@mui/material";
import { lengthInField, parseLength, type Bounds, type Metres } from "@wren/core";
import { useState } from "react";
import { bareUnit, lengthText } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";

interface Props {
  readonly label: string;
  readonly value: Metres | null;
  readonly bounds: Bounds;
  /** Called with what can be kept; with null when the field was emptied. */
  readonly onChange: (m: Metres | null) => void;
  /** It may not stay empty. */
  readonly required?: boolean;
  readonly hint?: string;
}

export function LengthInput({ label, value, bounds, onChange, required = false, hint }: Props) {
  const unit = bareUnit(useGarden().garden.rules.units);
  const schema = lengthText(unit, bounds);
  const [text, setText] = useState(value === null ? "" : lengthInField(value, unit));
  const empty = text.trim() === "";
  const read = empty ? null : schema.safeParse(text);
  const wrong = read ? !read.success : required;
  const message =
    read?.error?.issues[0]?.message ?? (required ? `Expected a length, like ${lengthInField(1.2, unit)}` : "");
  return (
    <TextField
      label={`${label} (${unit})`}
      value={text}
      error={wrong}
      helperText={wrong ? message : (hint ?? " ")}
      onChange={(e) => {
        setText(e.target.value);
        if (e.target.value.trim() === "") onChange(null);
        else if (schema.safeParse(e.target.value).success) onChange(parseLength(e.target.value, unit));
      }}
      sx={{ mr: 1.5, maxWidth: 240 }}
    />
  );
}
