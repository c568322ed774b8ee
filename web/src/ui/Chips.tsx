/** A handful of large buttons of which one is chosen (or any number): for a thumb, in the sun, with gloves on. */
import { Box, Button, Typography } from "@mui/material";
import { useId, type ReactNode } from "react";

export interface Option<T extends string> {
  readonly value: T;
  readonly label: ReactNode;
}

interface Props<T extends string> {
  readonly label: string;
  readonly options: readonly Option<T>[];
  readonly chosen: (value: T) => boolean;
  readonly onPress: (value: T) => void;
  readonly hint?: ReactNode;
}

export function Chips<T extends string>({ label, options, chosen, onPress, hint }: Props<T>) {
  const id = useId();
  return (
    <Box role="group" aria-labelledby={id} sx={{ mb: 1.75 }}>
      <Typography id={id} component="p" sx={{ fontWeight: 700, mb: 0.5 }}>
        {label}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75 }}>
        {options.map((o) => {
          const on = chosen(o.value);
          return (
            <Button
              key={o.value}
              aria-pressed={on}
              variant={on ? "contained" : "outlined"}
              onClick={() => onPress(o.value)}
              sx={{
                px: 1.5,
                maxWidth: "100%",
                overflowWrap: "anywhere",
                ...(on && { bgcolor: "var(--ink)", color: "var(--mist)", "&:hover": { bgcolor: "var(--ink)" } }),
              }}
            >
              {o.label}
            </Button>
          );
        })}
      </Box>
      {hint && (
        <Typography variant="body2" sx={{ color: "text.secondary", mt: 0.5 }}>
          {hint}
        </Typography>
      )}
    </Box>
  );
}

/** One of a few: pressing the chosen one again lets it go when `clear` is given. */
export function OneOf<T extends string>({
  value,
  onChange,
  ...rest
}: Omit<Props<T>, "chosen" | "onPress"> & { readonly value: T | null; readonly onChange: (v: T) => void }) {
  return <Chips {...rest} chosen={(v) => v === value} onPress={onChange} />;
}
