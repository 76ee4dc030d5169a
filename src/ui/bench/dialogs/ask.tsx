"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { KINDS } from "@/core/page/facts";
import { tagNames } from "@/core/tags/tag-name";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { KindMark } from "../../parts/kind";
import { KIND_WORDS } from "@/core/look/kind-words";
import { ask } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import { SaveAsDialog } from "../../export/save-as-dialog";
import { Cite } from "./cite";
import { Destination, type Goal } from "./destination";
import { tagsAmong } from "./selection-bar";
import { TagInput } from "../../parts/tag-input";
import type { Asking, Item, Section } from "../state/types";

type Props = {
  asking: Asking;
  items: Item[];
  sections: Section[];
  collectionTitle: string;
  onClose: () => void;
  /** Moves items, or places them there too; of a single copy with the context line it gets there. */
  send: (ids: readonly string[], to: Goal, copy: boolean, words?: string) => void;
};

/** The small window that asks what is needed: where to, which tags, what kind. */
export function Ask({ asking, items, sections, collectionTitle, onClose, send }: Props) {
  const { team, collection, arranges, guest, loose, commands } = useBench();
  const { what, ids } = asking;
  const chosen = items.filter((item) => ids.includes(item.id));
  const count =
    chosen.length === 1 ? `“${chosen[0]!.heading || chosen[0]!.resource.title}”` : `${ids.length} items`;
  const close = (on: boolean) => !on && onClose();
  if (what === "move" || what === "copy")
    return (
      <Dialog
        open
        onOpenChange={close}
        title={what === "move" ? `Move ${count}` : loose ? `Place ${count}` : `Place ${count} elsewhere too`}
        about={
          what === "copy"
            ? "It stays one thing of the catalogue; its words in the new place can be others."
            : undefined
        }
      >
        <Destination
          team={team}
          here={loose ? undefined : { collection, title: collectionTitle, sections }}
          makes={arranges && !guest}
          words={what === "copy" && chosen.length === 1 ? chosen[0]!.context : undefined}
          onPick={(to, words) => {
            onClose();
            send(ids, to, what === "copy", words);
          }}
        />
      </Dialog>
    );
  if (what === "cite") return <Cite {...{ team, collection, ids, count, onClose }} />;
  if (what === "save") return <SaveAsDialog {...{ team, collection, ids, count, onClose }} />;
  if (what === "kind")
    return (
      <Dialog open onOpenChange={close} title={`What kind: ${count}`}>
        <ul className="grid grid-cols-2 gap-2">
          {KINDS.map((kind, i) => (
            <li key={kind}>
              <button
                type="button"
                autoFocus={i === 0}
                className="flex w-full items-center gap-3 rounded-md border border-line px-3 py-2 text-left hover:bg-wash"
                onClick={() => {
                  onClose();
                  commands.setKind(ids, kind);
                }}
              >
                <KindMark kind={kind} />
                {KIND_WORDS[kind]}
              </button>
            </li>
          ))}
        </ul>
      </Dialog>
    );
  return what === "tag" ? (
    <TagMany {...{ ids, count, close, onClose }} />
  ) : (
    <Dialog open onOpenChange={close} title={`Take tags off ${count}`}>
      <ul className="flex flex-wrap gap-2">
        {tagsAmong(chosen).map(({ name, count }) => (
          <li key={name}>
            <Button
              small
              onClick={() => {
                onClose();
                commands.tag(ids, [], [name]).catch(sayFailure);
              }}
            >
              {name} ({count})
            </Button>
          </li>
        ))}
        {tagsAmong(chosen).length === 0 && <li className="text-quiet">None of these has a tag.</li>}
      </ul>
    </Dialog>
  );
}

function TagMany({
  ids,
  count,
  close,
  onClose,
}: {
  ids: string[];
  count: string;
  close: (on: boolean) => void;
  onClose: () => void;
}) {
  const { team, commands } = useBench();
  const client = useQueryClient();
  const [names, setNames] = useState<string[]>([]);
  /** What stands in the field without a comma behind it. */
  const [typed, setTyped] = useState<string[]>([]);
  const all = useQuery({ queryKey: ["tags", team], queryFn: () => ask("tags.read", { team }) });
  const put = (all: string[]) => {
    if (!all.length) return;
    onClose();
    commands
      .tag(ids, all, [])
      .then(() => client.invalidateQueries({ queryKey: ["tags", team] }))
      .catch(sayFailure);
  };
  return (
    <Dialog open onOpenChange={close} title={`Tag ${count}`}>
      <TagInput
        label="Tags to put on"
        tags={names}
        known={all.data?.tags ?? []}
        autoFocus
        onAdd={(fresh) => setNames((old) => [...old, ...fresh])}
        onRemove={(name) => setNames((old) => old.filter((one) => one !== name))}
        onTyped={setTyped}
        onEmptyEnter={() => put(names)}
      />
      <Button
        look="accent"
        className="self-end"
        disabled={!names.length && !typed.length}
        // What is typed has become a tag when the field was left, or not yet.
        onClick={() => put(tagNames([...names, ...typed].join(",")))}
      >
        Tag them
      </Button>
    </Dialog>
  );
}
