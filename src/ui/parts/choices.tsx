"use client";

import { RadioGroup } from "radix-ui";

/** A few choices of which one holds, each with what it means. */
export function Choices<V extends string>({
  label,
  value,
  options,
  disabled,
  onChange,
}: {
  label: string;
  value: V;
  options: { value: V; words: React.ReactNode; means: string }[];
  disabled: boolean;
  onChange: (value: V) => void;
}) {
  return (
    <RadioGroup.Root
      value={value}
      disabled={disabled}
      onValueChange={(next) => onChange(next as V)}
      aria-label={label}
      className="flex flex-col"
    >
      {options.map((option) => {
        const id = `choice-${option.value}`;
        return (
          <div key={option.value} className="flex gap-3 border-t border-line py-2.5 last:border-b">
            <RadioGroup.Item
              value={option.value}
              id={id}
              aria-describedby={option.means ? `${id}-means` : undefined}
              className="mt-0.5 flex size-5 shrink-0 items-center justify-center rounded-full border-2 border-edge bg-sheet data-[state=checked]:border-accent"
            >
              <RadioGroup.Indicator className="size-2.5 rounded-full bg-accent" />
            </RadioGroup.Item>
            <label htmlFor={id} className="cursor-pointer">
              <span className="flex items-center gap-2 font-semibold">{option.words}</span>
              {option.means && (
                <span id={`${id}-means`} className="block text-[15px] text-quiet">
                  {option.means}
                </span>
              )}
            </label>
          </div>
        );
      })}
    </RadioGroup.Root>
  );
}
