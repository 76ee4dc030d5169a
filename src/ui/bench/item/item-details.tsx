"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import type { Answer } from "@/services/registry";
import { ask } from "../../talk/call";
import { useWorkshop } from "../bench-provider";
import { useBench } from "../state/bench-context";
import type { Workshop } from "../state/use-bench";
import { AskedOf } from "./asked-of";
import { Elsewhere } from "./elsewhere";
import { History } from "./history";
import { KeptElsewhere } from "./kept-elsewhere";
import { OwnNote } from "./own-note";
import { TakenFrom } from "./taken-from";
import { Theirs } from "./theirs";
import { SavedText } from "../../parts/saved-text";
import { TagField } from "./tag-field";
import { WhatIsKnown } from "./what-is-known";
import type { DetailField, Item } from "../state/types";

const ItemMend = dynamic(() => import("./item-mend").then((m) => m.ItemMend), { ssr: false });

const ItemMarks = dynamic(() => import("./item-marks").then((m) => m.ItemMarks), { ssr: false });

const TalkAbout = dynamic(() => import("../talk/talk-about").then((m) => m.TalkAbout), {
  ssr: false,
  // As high as its empty field, so that nothing below moves under the hand when it comes.
  loading: () => <div className="h-10" />,
});

const Weighed = dynamic(() => import("../../weigh/weighed").then((m) => m.Weighed), {
  ssr: false,
  loading: () => <div className="h-8" />,
});

const FilmPart = dynamic(() => import("./film-part").then((m) => m.FilmPart), { ssr: false });

/** The details of an item, in place: what is of this place first, then what is known of the thing wherever it stands. */
export function ItemDetails({ item, focus }: { item: Item; focus?: DetailField }) {
  const { team, me, arranges, brings, guest, loose, commands } = useBench();
  // In the catalogue there is none.
  const workshop: Workshop | null = useWorkshop();
  const { resource } = item;
  const full = useQuery({
    queryKey: ["resource", resource.id],
    queryFn: () => ask("resources.read", { resource: resource.id }),
  });
  const client = useQueryClient();
  const writeNotes = async (text: string, base: string[]) => {
    const { notes = text } = (await commands.mend(item, "notes", text, base)) ?? {};
    client.setQueryData<Answer<"resources.read">>(
      ["resource", resource.id],
      (old) => old && { ...old, resource: { ...old.resource, notes } },
    );
  };
  const elsewhere = (full.data?.places ?? []).filter((place) => place.placement !== item.id);
  return (
    <div role="row">
      <div
        className="flex flex-col gap-4 border-b border-line bg-sunk py-4 pr-4 pl-4 sm:pl-[42px]"
        role="gridcell"
        aria-label={`Details of ${item.heading || resource.title}`}
      >
        {!loose && (
          <SavedText
            lines
            label="Context: why it stands here"
            placeholder="Why does it stand here?"
            inputClass="font-serif text-[17px]"
            value={item.context}
            maxLength={4000}
            autoFocus={focus === "context"}
            onSave={(text, base) => commands.edit(item.id, "context", text, base)}
            {...locked(!arranges)}
          />
        )}
        <div className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-2">
          {!loose && (
            <SavedText
              label="Heading here"
              placeholder={resource.title}
              hint="Only in this collection; without one its own title stands."
              value={item.heading}
              maxLength={300}
              autoFocus={focus === "heading"}
              onSave={(text, base) => commands.edit(item.id, "heading", text, base)}
              {...locked(!arranges)}
            />
          )}
          <TagField
            key={String(focus === "tags")}
            team={team}
            resource={resource.id}
            tags={resource.tags}
            focus={focus === "tags"}
            readOnly={!brings}
            onChange={(tags) =>
              commands.change(item.id, (old) => ({ ...old, resource: { ...old.resource, tags } }))
            }
          />
        </div>
        {full.data && (resource.kind === "video" || resource.kind === "sound") && (
          <FilmPart item={item} full={full.data.resource} />
        )}
        {!loose && (
          <section aria-label="Comments">
            <h2 className="mb-1.5 text-sm font-semibold">Comments</h2>
            <TalkAbout
              key={String(focus === "talk")}
              about={{ placement: item.id }}
              focus={focus === "talk"}
              label="Say something about it to the team"
            />
          </section>
        )}
        {!loose && <AskedOf item={item} />}
        {item.shownLive && (
          <Theirs
            shown={item.shownLive}
            onKeep={
              arranges && workshop
                ? (items) =>
                    workshop.takeLent(
                      item.shownLive!,
                      { items, instead: item.id },
                      { section: item.section, after: item.id },
                    )
                : undefined
            }
          />
        )}
        {!loose && <TakenFrom credit={item.credit} placement={item.id} />}
        <WhatIsKnown item={item} full={full.data?.resource} onNotes={writeNotes} />
        <OwnNote resource={resource.id} />
        {!guest && me && full.data && (
          <Weighed team={team} me={me.id} brings={brings} resource={full.data.resource} />
        )}
        <ItemMarks resource={resource.id} placement={loose ? null : item.id} />
        {elsewhere.length > 0 && <Elsewhere places={elsewhere} title={loose ? "Stands in" : "Also in"} />}
        {!guest && resource.address && (
          <KeptElsewhere
            resource={resource.id}
            onTake={arranges && workshop ? (from, id) => workshop.takeLent(from, { items: [id] }) : undefined}
          />
        )}
        {brings && full.data && <ItemMend item={item} full={full.data.resource} />}
        <History resource={resource.id} placement={item.id} />
      </div>
    </div>
  );
}

const locked = (yes: boolean) => (yes ? { readOnly: true } : {});
