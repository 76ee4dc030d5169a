"use client";

import { ALargeSmall } from "lucide-react";
import { COMFORT, COMFORT_WORDS, type Comfort } from "@/core/read/comfort";
import { buttonLook } from "../../parts/button";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { useUnfolded } from "../../parts/use-unfolded";

/** How one likes to read; it shows at once and holds on every device. */
export function ComfortMenu({
  comfort,
  onChange,
}: {
  comfort: Comfort;
  onChange: (comfort: Comfort) => void;
}) {
  const [open, setOpen, unfolded] = useUnfolded();
  const set = (change: Partial<Comfort>) => {
    const next = { ...comfort, ...change };
    onChange(next);
    call("reading.comfort", next).catch(sayFailure);
  };
  return (
    <details
      open={open}
      {...unfolded}
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.stopPropagation();
        setOpen(false);
        event.currentTarget.querySelector("summary")?.focus();
      }}
      className="sm:relative"
    >
      <summary className={`${buttonLook("quiet", true)} list-none [&::-webkit-details-marker]:hidden`}>
        <ALargeSmall size={18} aria-hidden /> How it reads
      </summary>
      <div className="absolute top-full left-0 z-20 mt-1 flex w-72 flex-col max-sm:right-0 max-sm:w-auto gap-3 rounded-md border border-line bg-sheet p-3 shadow-lift">
        {(Object.keys(COMFORT) as (keyof Comfort)[]).map((name) => (
          <fieldset key={name} className="flex flex-wrap gap-1">
            <legend className="mb-0.5 text-sm font-semibold">{COMFORT_WORDS[name].name}</legend>
            {COMFORT[name].map((value, i) => (
              <label
                key={value}
                className={`cursor-pointer rounded-md border px-2 py-1 text-sm has-focus-visible:outline-2 ${comfort[name] === value ? "border-accent bg-wash font-semibold" : "border-edge"}`}
              >
                <input
                  type="radio"
                  className="sr-only"
                  name={name}
                  checked={comfort[name] === value}
                  onChange={() => set({ [name]: value })}
                />
                {COMFORT_WORDS[name].words[i]}
              </label>
            ))}
          </fieldset>
        ))}
      </div>
    </details>
  );
}
