/** A text field tied to a form: its message and its error in one place. */
import { TextField, type TextFieldProps } from "@mui/material";
import { Controller, type Control, type FieldPath, type FieldValues } from "react-hook-form";

/** T is what is typed, O what the form's schema makes of it. */
type Props<T extends FieldValues, O> = Omit<TextFieldProps, "name"> & {
  readonly control: Control<T, unknown, O>;
  readonly name: FieldPath<T>;
};

export function Field<T extends FieldValues, O>({ control, name, helperText, ...rest }: Props<T, O>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { ref, ...field }, fieldState: { error } }) => (
        <TextField
          {...rest}
          {...field}
          inputRef={ref}
          error={error !== undefined}
          helperText={error?.message ?? helperText ?? " "}
        />
      )}
    />
  );
}

/** A choice from a few, with the browser's own list: quick on a phone, readable to every screen reader. */
export function Choice<T extends FieldValues, O>({
  options,
  ...rest
}: Props<T, O> & { readonly options: readonly (readonly [value: string, label: string])[] }) {
  return (
    <Field {...rest} select slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}>
      {options.map(([value, label]) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </Field>
  );
}

/** A date, with the browser's own picker. */
export function DateField<T extends FieldValues, O>(props: Props<T, O>) {
  return <Field {...props} type="date" slotProps={{ inputLabel: { shrink: true }, ...props.slotProps }} />;
}
