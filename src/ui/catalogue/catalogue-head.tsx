import { Search, X } from "lucide-react";
import type { RefObject } from "react";
import { toggleFilter } from "@/core/search/query";
import type { Answer } from "@/services/registry";
import { IconButton } from "../parts/button";
import { Facets } from "./narrow-by-counts";
import { SavedSearches } from "./saved-searches";
import { sayChip } from "./say-chip";
import type { Page } from "./use-catalogue";

type Props = {
  team: string;
  typed: string;
  query: string;
  /** What narrows, as it was understood. */
  chips: Page["chips"];
  facets: Answer<"search.facets"> | null;
  box: RefObject<HTMLInputElement | null>;
  onType: (text: string) => void;
  /** Something else is asked by a press. */
  onAsk: (text: string) => void;
};

/** The box one asks in, what narrows, and what could narrow further. */
export function CatalogueHead({ team, typed, query, chips, facets, box, onType, onAsk }: Props) {
  return (
    <header className="flex flex-col gap-2 border-b border-line px-4 pt-4 pb-2 sm:px-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="font-serif text-[26px] leading-tight font-semibold">Catalogue</h1>
        <div className="relative min-w-60 flex-1">
          <Search size={16} aria-hidden className="absolute top-3 left-3 text-quiet" />
          <input
            ref={box}
            type="search"
            aria-label="Find in the catalogue"
            placeholder="Words of a title, a text, a note"
            value={typed}
            onChange={(event) => onType(event.target.value)}
            className="h-10 w-full rounded-md border border-edge bg-sheet pr-3 pl-9 [&::-webkit-search-cancel-button]:hidden"
          />
        </div>
        <SavedSearches team={team} query={query} onPick={onAsk} />
      </div>
      {chips.length > 0 && (
        <ul aria-label="Narrowed by" className="flex flex-wrap gap-1.5">
          {chips.map((chip, i) => {
            const { label, words } = sayChip(chip);
            return (
              <li
                key={`${chip.raw} ${i}`}
                className="inline-flex items-center gap-0.5 rounded bg-wash pl-2 text-sm"
              >
                {label && <span className="mr-1 text-quiet">{label}</span>}
                {words}
                <IconButton
                  label={`Leave out ${label} ${words}`}
                  className="size-6!"
                  onClick={() => onAsk(typed.replace(chip.raw, "").replace(/\s+/g, " ").trim())}
                >
                  <X size={14} aria-hidden />
                </IconButton>
              </li>
            );
          })}
        </ul>
      )}
      <Facets
        facets={facets?.facets ?? null}
        best={facets?.best ?? null}
        onToggle={(name, value) => onAsk(toggleFilter(typed, name, value))}
      />
    </header>
  );
}
