/** A length that is read as it is typed; what cannot be read is said and changes nothing. */
import { TextField } from "@mui/material";
import { lengthInField, parseLength, type Metres } from "@wren/core";
import { useState } from "react";
import { bareUnit } from "../../forms/fields.ts";
import { useGarden } from "../../state/garden.tsx";

export function LengthInput({
  label,
  value,
  onChange,
  hint,
}: {
  readonly label: string;
  readonly value: Metres | null;
  readonly onChange: (m: Metres | null) => void;
  readonly hint?: string;
}) {
  const unit = bareUnit(useGarden().garden.rules.units);
  const [text, setText] = useState(value === null ? "" : lengthInField(value, unit));
  const read = parseLength(text, unit);
  const wrong = text.trim() !== "" && (read === null || read < 0 || read > 100);
  return (
    <TextField
      label={`${label} (${unit})`}
      value={text}
      error={wrong}
      helperText={wrong ? `“${text}” is not a length: expected one like ${lengthInField(1.2, unit)}` : (hint ?? " ")}
      onChange={(e) => {
        setText(e.target.value);
        const m = parseLength(e.target.value, unit);
        onChange(m !== null && m >= 0 && m <= 100 ? m : null);
      }}
      sx={{ maxWidth: 240 }}
    />
  );
}
