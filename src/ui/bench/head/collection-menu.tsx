"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { linksText } from "@/core/formats/clipboard";
import { type Use, USES } from "@/core/publish/model";
import type { Answer } from "@/services/registry";
import { MenuItem, MenuLabel, MenuLine, useLateEntries } from "../../parts/menu";
import { KEYS } from "../../shell/commands";
import { sayDone } from "../../shell/use-undo";
import { choosePicture } from "../../parts/choose-picture";
import { call } from "../../talk/call";
import { copyText } from "../../talk/copy-text";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import { openOriginals } from "../../talk/originals";
import type { Item } from "../state/types";

type Props = {
  head: Answer<"collections.read">;
  onSection: () => void;
  onText: () => void;
  onInside: () => void;
  onSave: () => void;
  onHandOut: () => void;
  onGuests: () => void;
  onLeave: () => void;
  onRemove: () => void;
};

const USE_WORDS: Record<Use, string> = {
  newsletter: "A newsletter",
  lesson: "A lesson",
  portfolio: "A portfolio",
};
const SAID: Record<Use, string> = {
  newsletter: "It has the sections of a newsletter now; “Next issue” writes and sends it.",
  lesson: "It has the phases of a lesson now; “Plan” says what happens in each.",
  portfolio: "It has the sections of a portfolio now; “Put in collections” shows your public ones.",
};

/** What can be done with the open collection as a whole. */
export function CollectionMenu({
  head,
  onSection,
  onText,
  onInside,
  onSave,
  onHandOut,
  onGuests,
  onLeave,
  onRemove,
}: Props) {
  useLateEntries();
  const { arranges, guest, team } = useBench();
  const curates = arranges && !guest;
  const client = useQueryClient();
  const router = useRouter();
  const { collection } = head;
  const { id } = collection;
  const items = () => client.getQueryData<{ items: Item[] }>(["items", id])?.items ?? head.items;
  const again = () => void client.invalidateQueries({ queryKey: ["collection", id] });
  const duplicate = (withItems: boolean) =>
    void call("collections.duplicate", { collection: id, items: withItems })
      .then(({ collection: made, entry }) => {
        sayDone(`Made: ${made.title}`, team, entry, () => router.push(`/bench/${id}`));
        router.push(`/bench/${made.id}`);
      })
      .catch(sayFailure);
  const putAway = () =>
    void call("collections.put-away", { collection: id, away: !collection.away })
      .then(({ entry }) => {
        again();
        void client.invalidateQueries({ queryKey: ["tree", team] });
        sayDone(
          collection.away
            ? "Out again."
            : "Put away. It keeps its place and its links; Collections shows it.",
          team,
          entry,
          again,
        );
      })
      .catch(sayFailure);
  const cover = (change: { coverHash: string }) =>
    void call("collections.edit", { collection: id, ...change })
      .then(again)
      .catch(sayFailure);
  /** Pressed once more it is a collection again; its sections stay. */
  const turnInto = (use: Use) =>
    void call("collections.use", { collection: id, use: collection.use === use ? "" : use })
      .then(({ entry }) => {
        again();
        sayDone(collection.use === use ? "A collection again." : SAID[use], team, entry, again);
      })
      .catch(sayFailure);
  const upload = () =>
    choosePicture((picture) => {
      void call("collections.cover", { collection: id, picture }).then(again).catch(sayFailure);
    });
  const open = () =>
    openOriginals(
      items()
        .filter((item) => item.look === "item")
        .map((item) => item.resource),
    );
  return (
    <>
      {arranges && (
        <>
          <MenuItem onSelect={onSection} keys={KEYS.section}>
            New section
          </MenuItem>
          <MenuItem onSelect={onText} keys={KEYS.text}>
            Write text between the items
          </MenuItem>
          {!guest && <MenuItem onSelect={onInside}>New collection in this one</MenuItem>}
          <MenuLine />
        </>
      )}
      <MenuItem onSelect={open}>Open everything</MenuItem>
      <MenuItem onSelect={() => void copyText(linksText(items()), `Copied ${items().length} links`)}>
        Copy all links
      </MenuItem>
      <MenuLine />
      {!guest && <MenuItem href={`/team/${team}/time/${id}`}>How long it takes</MenuItem>}
      <MenuItem href={`/bench/${id}/references`}>Bibliography</MenuItem>
      <MenuItem href={`/bench/${id}/marks`}>Marks</MenuItem>
      <MenuItem href={`/bench/${id}/history`}>What happened</MenuItem>
      <MenuItem onSelect={onSave}>Save as a file …</MenuItem>
      {curates && <MenuItem onSelect={onHandOut}>Hand out to a group …</MenuItem>}
      {curates && <MenuItem href={`/team/${team}/suggestions/${id}`}>Suggestions</MenuItem>}
      {curates && <MenuItem onSelect={onGuests}>Guests …</MenuItem>}
      {guest && arranges && (
        <>
          <MenuLine />
          <MenuItem onSelect={upload}>Upload a cover</MenuItem>
        </>
      )}
      {guest && !collection.parent && (
        <>
          <MenuLine />
          <MenuItem stop onSelect={onLeave}>
            Leave this collection …
          </MenuItem>
        </>
      )}
      {curates && (
        <>
          <MenuLine />
          <MenuLabel>Use it as</MenuLabel>
          {USES.map((use) => (
            <MenuItem key={use} current={collection.use === use} onSelect={() => turnInto(use)}>
              {USE_WORDS[use]}
            </MenuItem>
          ))}
          <MenuLine />
          <MenuItem onSelect={upload}>Upload a cover</MenuItem>
          {collection.coverHash && (
            <MenuItem onSelect={() => cover({ coverHash: "" })}>Weave the cover again</MenuItem>
          )}
          <MenuLine />
          <MenuItem onSelect={() => duplicate(true)}>Duplicate</MenuItem>
          <MenuItem onSelect={() => duplicate(false)}>Duplicate without the items</MenuItem>
          <MenuItem href={`/team/${team}/collections`}>Move it in the tree</MenuItem>
          <MenuItem onSelect={putAway}>{collection.away ? "Take it out again" : "Put it away"}</MenuItem>
          <MenuItem stop onSelect={onRemove}>
            Delete the collection
          </MenuItem>
        </>
      )}
    </>
  );
}
