import type { FieldValues, Path, UseFormRegister } from "react-hook-form";
import { Field } from "../parts/field";

type Props<T extends FieldValues> = {
  label: string;
  name: Path<T>;
  register: UseFormRegister<T>;
  error?: string;
};

/** A field for a password that is being chosen, with what is asked of one. */
export function NewPasswordField<T extends FieldValues>({ label, name, register, error }: Props<T>) {
  return (
    <Field
      label={label}
      type="password"
      autoComplete="new-password"
      hint="At least 12 characters."
      error={error}
      {...register(name, {
        required: "Choose a password.",
        minLength: { value: 12, message: "At least 12 characters, please." },
      })}
    />
  );
}
