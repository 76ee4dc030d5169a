"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { tagKey } from "@/core/tags/tag-name";
import { Key } from "../../parts/key";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { TagInput } from "../../parts/tag-input";

type Props = {
  team: string;
  resource: string;
  tags: string[];
  onChange: (tags: string[]) => void;
  focus?: boolean;
  readOnly?: boolean;
  /** Something else is looked at first: what is offered comes later. */
  waits?: boolean;
};

/** The tags of a resource, with those its text suggests; Alt and a number takes one of these. */
export function TagField({ team, resource, tags, onChange, focus, readOnly, waits }: Props) {
  const client = useQueryClient();
  const all = useQuery({
    queryKey: ["tags", team],
    queryFn: () => ask("tags.read", { team }),
    enabled: !readOnly && !waits,
  });
  const suggested = useQuery({
    queryKey: ["tags-suggested", resource],
    queryFn: () => ask("tags.suggest", { resource }),
    enabled: !readOnly && !waits,
  });
  const has = new Set(tags.map(tagKey));
  const offers = (suggested.data?.tags ?? []).filter((tag) => !has.has(tagKey(tag.name))).slice(0, 6);

  // One after the other, so that tags stand in the order in which they were given.
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const inTurn = <T,>(work: () => Promise<T>): Promise<T> => {
    const turn = queue.current.then(work);
    queue.current = turn.catch(() => undefined);
    return turn;
  };
  const add = async (fresh: string[]) => {
    onChange([...tags, ...fresh]);
    try {
      onChange((await inTurn(() => call("tags.add", { resource, tags: fresh }))).tags);
      void client.invalidateQueries({ queryKey: ["tags", team] });
    } catch (error) {
      onChange(tags);
      sayFailure(error);
    }
  };
  const remove = async (name: string) => {
    onChange(tags.filter((tag) => tag !== name));
    try {
      onChange((await inTurn(() => call("tags.remove", { resource, tag: name }))).tags);
    } catch (error) {
      onChange(tags);
      sayFailure(error);
    }
  };
  return (
    <div
      onKeyDown={(event) => {
        const offer = event.altKey ? offers[Number(event.code.replace(/^Digit/, "")) - 1] : undefined;
        if (!offer) return;
        event.preventDefault();
        event.stopPropagation();
        void add([offer.name]);
      }}
    >
      <TagInput
        label="Tags"
        tags={tags}
        known={all.data?.tags ?? []}
        readOnly={readOnly}
        autoFocus={focus}
        onAdd={(names) => void add(names)}
        onRemove={(name) => void remove(name)}
      />
      {/* They come a moment later; the line is theirs from the beginning, so that nothing below moves. */}
      {!readOnly && (
        <p className="mt-1.5 flex min-h-7 flex-wrap items-center gap-1.5 text-sm text-quiet">
          {offers.length > 0 && "Suggested:"}
          {offers.map((tag, i) => (
            <button
              key={tag.name}
              type="button"
              title={tag.why}
              onClick={() => void add([tag.name])}
              className="flex items-center gap-1 rounded px-1.5 py-0.5 text-accent hover:bg-wash"
            >
              <Key>Alt {i + 1}</Key> {tag.name}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
