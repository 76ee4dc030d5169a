"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import { TagInput } from "../../parts/tag-input";

/** What the collection as a whole is about. */
export function CollectionTags({ collection }: { collection: Answer<"collections.read">["collection"] }) {
  const { arranges } = useBench();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const { id, team, tags } = collection;
  const all = useQuery({
    queryKey: ["tags", team],
    queryFn: () => ask("tags.read", { team }),
    enabled: open,
  });
  const set = (names: string[]) =>
    void call("collections.tag", { collection: id, tags: names })
      .then(() => client.invalidateQueries({ queryKey: ["collection", id] }))
      .catch(sayFailure);
  if (open)
    return (
      <div
        className="mt-1 max-w-lg"
        onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setOpen(false)}
      >
        <TagInput
          autoFocus
          label="Tags of the collection"
          tags={tags}
          known={all.data?.tags ?? []}
          onAdd={(names) => set([...tags, ...names])}
          onRemove={(name) => set(tags.filter((tag) => tag !== name))}
          onEmptyEnter={() => setOpen(false)}
        />
      </div>
    );
  return (
    <p className="flex min-h-6 flex-wrap items-center gap-x-2.5 text-sm text-quiet">
      {tags.map((tag) => (
        <span key={tag} className="border-b border-dotted border-quiet">
          {tag}
        </span>
      ))}
      {arranges && (
        <Button
          small
          look="quiet"
          className="-ml-1.5 h-6! px-1.5! font-normal! text-quiet!"
          onClick={() => setOpen(true)}
        >
          {tags.length ? "Change tags" : "Tag the collection"}
        </Button>
      )}
    </p>
  );
}
