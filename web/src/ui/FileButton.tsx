/** A button that opens the browser's file picker; the same file may be chosen twice in a row. */
import { Button, type ButtonProps } from "@mui/material";
import { useRef } from "react";

type Props = Omit<ButtonProps, "onClick"> & {
  /** Name of the hidden input, for who cannot see the button. */
  readonly label: string;
  readonly accept: string;
  readonly onFile?: (file: File) => void;
  /** Several may be chosen at once. */
  readonly onFiles?: (files: readonly File[]) => void;
};

export function FileButton({ label, accept, onFile, onFiles, ...rest }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...rest} onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        multiple={onFiles !== undefined}
        aria-label={label}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          e.target.value = "";
          if (files.length === 0) return;
          if (onFiles) onFiles(files);
          else onFile?.(files[0]!);
        }}
      />
    </>
  );
}
