/** A button that opens the browser's file picker; the same file may be chosen twice in a row. */
import { Button, type ButtonProps } from "@mui/material";
import { useRef } from "react";

type Props = Omit<ButtonProps, "onClick"> & {
  /** Name of the hidden input, for who cannot see the button. */
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
};

export function FileButton({ label, accept, onFile, ...rest }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...rest} onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) onFile(file);
        }}
      />
    </>
  );
}
