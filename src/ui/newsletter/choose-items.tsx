"use client";

import { Button } from "../parts/button";
import type { NewsletterState } from "./use-newsletter";

/** Which items stand in the next issue: what came since the last one, until somebody chooses. */
export function ChooseItems({
  state,
  disabled,
  onChoose,
}: {
  state: NewsletterState;
  disabled: boolean;
  onChoose: (change: { chosen: string[] } | { onlyNew: true }) => unknown;
}) {
  const all = state.sections.flatMap((section) => section.items);
  const within = all.filter((item) => item.isIn).map((item) => item.id);
  const fresh = all.filter((item) => item.isNew).length;
  const toggle = (id: string) =>
    onChoose({ chosen: within.includes(id) ? within.filter((one) => one !== id) : [...within, id] });
  return (
    <fieldset disabled={disabled} className="flex flex-col gap-2">
      <legend className="text-sm font-semibold">What stands in it</legend>
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px] text-quiet">
        {within.length} of {all.length}. {fresh === 0 ? "Nothing is new." : `${fresh} new.`}
        {state.isChosen && (
          <Button small look="quiet" onClick={() => onChoose({ onlyNew: true })}>
            Only what is new
          </Button>
        )}
      </p>
      {all.length > 0 && (
        <div
          className="max-h-80 overflow-y-auto rounded-md border border-line px-3 py-1 scrolls"
          tabIndex={0}
          aria-label="Items"
        >
          {state.sections.map((section) =>
            section.items.length ? (
              <div key={section.id ?? ""} role="group" aria-label={section.title || "At the beginning"}>
                {section.title && <p className="pt-2 text-sm font-semibold">{section.title}</p>}
                {section.items.map((item) => (
                  <label key={item.id} className="flex min-h-9 cursor-pointer items-start gap-2.5 py-1.5">
                    <input
                      type="checkbox"
                      className="mt-0.5 size-5 shrink-0 accent-accent"
                      checked={item.isIn}
                      onChange={() => toggle(item.id)}
                    />
                    <span className="min-w-0 text-[15px] break-words">
                      {item.context || item.title}
                      {item.isNew && <b className="ml-2 text-sm font-semibold text-accent">new</b>}
                      {item.context && <span className="block text-sm text-quiet">{item.title}</span>}
                    </span>
                  </label>
                ))}
              </div>
            ) : null,
          )}
        </div>
      )}
    </fieldset>
  );
}
