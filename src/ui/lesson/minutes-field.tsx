"use client";

import { useState } from "react";
import { Field } from "../parts/field";

/** A number of minutes, or none; saved when it is left or Enter is pressed. */
export function MinutesField({
  label,
  short,
  value,
  disabled,
  onSave,
}: {
  label: string;
  /** What stands behind it where its label is not to be seen. */
  short?: string;
  value: number | null;
  disabled: boolean;
  onSave: (minutes: number | null) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const save = () => {
    if (typed === null) return;
    const minutes = typed === "" ? null : Math.max(0, Math.min(1_440, Math.round(Number(typed))));
    setTyped(null);
    if (minutes !== value && !Number.isNaN(minutes)) onSave(minutes);
  };
  return (
    <div className="flex items-end gap-2">
      <Field
        label={label}
        hideLabel={short !== undefined}
        type="number"
        min={0}
        max={1_440}
        inputClass="w-20 tabular-nums"
        value={typed ?? (value === null ? "" : String(value))}
        disabled={disabled}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === "Enter" && save()}
      />
      {short && (
        <span aria-hidden className="pb-2 text-[15px] text-quiet">
          {short}
        </span>
      )}
    </div>
  );
}
