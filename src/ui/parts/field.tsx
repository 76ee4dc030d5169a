import { clsx } from "clsx";
import { forwardRef, useId } from "react";

const LOOK =
  "w-full rounded-md border border-edge bg-sheet px-3 text-ink placeholder:text-quiet focus-visible:outline-2 aria-invalid:border-stop";

type Shared = {
  label: string;
  hint?: string;
  error?: string;
  hideLabel?: boolean;
  /** Of the field itself; `className` is of all around it. */
  inputClass?: string;
};

/** A labelled field of one line; what is wrong with it stands right beneath. */
export const Field = forwardRef<HTMLInputElement, Shared & React.InputHTMLAttributes<HTMLInputElement>>(
  function Field({ label, hint, error, hideLabel, className, inputClass, ...rest }, ref) {
    const id = useId();
    return (
      <Around {...{ id, label, hint, error, hideLabel, className }}>
        <input
          ref={ref}
          id={id}
          className={clsx(LOOK, "h-10", inputClass)}
          aria-invalid={!!error}
          aria-describedby={described(id, hint, error)}
          {...rest}
        />
      </Around>
    );
  },
);

/** A labelled field of several lines that grows with what is typed. */
export const Area = forwardRef<
  HTMLTextAreaElement,
  Shared & React.TextareaHTMLAttributes<HTMLTextAreaElement>
>(function Area({ label, hint, error, hideLabel, className, inputClass, ...rest }, ref) {
  const id = useId();
  return (
    <Around {...{ id, label, hint, error, hideLabel, className }}>
      <textarea
        ref={ref}
        id={id}
        className={clsx(LOOK, "field-sizing-content min-h-10 resize-none py-2", inputClass)}
        aria-invalid={!!error}
        aria-describedby={described(id, hint, error)}
        {...rest}
      />
    </Around>
  );
});

/** A labelled choice among a few. */
export function Choice({
  label,
  options,
  className,
  hideLabel,
  ...rest
}: {
  label: string;
  hideLabel?: boolean;
  options: readonly (readonly [value: string, words: string])[];
} & React.SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId();
  return (
    <Around {...{ id, label, hideLabel, className }}>
      <select id={id} className={clsx(LOOK, "h-10")} {...rest}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Around>
  );
}

const described = (id: string, hint?: string, error?: string) =>
  error ? `${id}-error` : hint ? `${id}-hint` : undefined;

function Around({
  id,
  label,
  hint,
  error,
  hideLabel,
  className,
  children,
}: Shared & { id: string; className?: string; children: React.ReactNode }) {
  return (
    <div className={clsx("flex flex-col gap-1", className)}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-sm font-semibold"}>
        {label}
      </label>
      {children}
      {error ? (
        <p id={`${id}-error`} role="alert" className="text-sm text-stop">
          {error}
        </p>
      ) : hint ? (
        <p id={`${id}-hint`} className="text-sm text-quiet">
          {hint}
        </p>
      ) : null}
    </div>
  );
}
