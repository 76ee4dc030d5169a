"use client";

import { sayFailure } from "../talk/say-failure";
import { useSaved } from "../talk/use-saved";

type Props = {
  /** What it is called for who does not see what stands beside it. */
  label?: string;
  value: boolean;
  disabled: boolean;
  onSave: (on: boolean) => Promise<unknown>;
};

/** A box that is ticked at once and kept; where that cannot be, it is as it was and says why. */
export function SavedCheck({ label, value, disabled, onSave }: Props) {
  const [saved, setSaved] = useSaved(String(value));
  return (
    <input
      type="checkbox"
      className="size-4 accent-accent"
      aria-label={label}
      checked={saved === null ? value : saved === "true"}
      disabled={disabled}
      onChange={({ target }) => {
        setSaved(String(target.checked));
        onSave(target.checked).catch((failure: unknown) => {
          setSaved(null);
          sayFailure(failure);
        });
      }}
    />
  );
}
