"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Bookmark, X } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { Button, IconButton } from "../parts/button";
import { Field } from "../parts/field";
import { ask, call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

/** Searches one keeps under a name, with what has come in since one last looked. */
export function SavedSearches({
  team,
  query,
  onPick,
}: {
  team: string;
  query: string;
  onPick: (query: string) => void;
}) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const saved = useQuery({ queryKey: ["saved", team], queryFn: () => ask("saved-searches.read", { team }) });
  const again = () => client.invalidateQueries({ queryKey: ["saved", team] });
  const searches = saved.data?.searches ?? [];
  const fresh = searches.reduce((sum, one) => sum + one.fresh, 0);
  const save = () => {
    call("saved-searches.save", { team, name: name.trim() || query, query, search: newId() })
      .then(() => {
        setName("");
        return again();
      })
      .catch(sayFailure);
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button look="quiet">
          <Bookmark size={16} aria-hidden />
          <span className="max-sm:sr-only">Saved searches</span>
          {fresh > 0 && (
            <span className="rounded-full bg-accent px-1.5 text-sm text-on-accent">
              {fresh}
              <span className="sr-only"> new</span>
            </span>
          )}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Saved searches"
          className="z-50 w-80 rounded-md border border-line bg-sheet p-3 shadow-lift"
        >
          {searches.length === 0 && (
            <p className="text-[15px] text-quiet">
              A search you come back to can be saved under a name; it says what is new in it.
            </p>
          )}
          <ul>
            {searches.map((one) => (
              <li key={one.id} className="flex items-center gap-1">
                <button
                  type="button"
                  onClick={() => {
                    setOpen(false);
                    onPick(one.query);
                    call("saved-searches.look", { team, search: one.id }).then(again).catch(sayFailure);
                  }}
                  className="flex min-w-0 flex-1 items-baseline justify-between gap-3 rounded-sm px-2 py-1.5 text-left hover:bg-wash"
                >
                  <span className="min-w-0">
                    <span className="block truncate">{one.name}</span>
                    {one.name !== one.query && (
                      <span className="block truncate text-sm text-quiet">{one.query}</span>
                    )}
                  </span>
                  {one.fresh > 0 && (
                    <span className="text-sm whitespace-nowrap text-accent">
                      {one.fresh > 99 ? "over 99" : one.fresh} new
                    </span>
                  )}
                </button>
                <IconButton
                  label={`Let ${one.name} go`}
                  onClick={() =>
                    void call("saved-searches.forget", { team, search: one.id }).then(again).catch(sayFailure)
                  }
                >
                  <X size={16} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
          {query.trim() && (
            <form
              className="mt-3 flex items-end gap-2 border-t border-line pt-3"
              onSubmit={(event) => {
                event.preventDefault();
                save();
              }}
            >
              <Field
                label="Keep this search as"
                placeholder={query}
                value={name}
                maxLength={120}
                onChange={(event) => setName(event.target.value)}
                className="flex-1"
              />
              <Button type="submit" look="accent">
                Keep
              </Button>
            </form>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
