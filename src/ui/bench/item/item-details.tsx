"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { KINDS } from "@/core/page/facts";
import type { Answer } from "@/services/registry";
import { Choice } from "../../parts/field";
import { KIND_WORDS } from "../../parts/kind-words";
import { ask } from "../../talk/call";
import { useBench } from "../state/bench-context";
import { Elsewhere } from "./elsewhere";
import { History } from "./history";
import { SavedText } from "./saved-text";
import { TagField } from "./tag-field";
import { originalLink } from "../../talk/originals";
import type { DetailField, Item } from "../state/types";

const ItemMend = dynamic(() => import("./item-mend").then((m) => m.ItemMend), { ssr: false });
const KIND_OPTIONS = KINDS.map((kind) => [kind, KIND_WORDS[kind]] as const);
/** The details of an item, in place: its words here, then the resource itself, which is the same everywhere. */
export function ItemDetails({ item, focus }: { item: Item; focus?: DetailField }) {
  const { team, arranges, brings, commands } = useBench();
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
        className="border-b border-line bg-sunk py-4 pr-4 pl-4 sm:pl-[42px]"
        role="gridcell"
        aria-label={`Details of ${item.heading || resource.title}`}
      >
        <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
          <div className="flex flex-col gap-4">
            <SavedText
              lines
              label="Context: why it stands here"
              placeholder="Watch this before the practical …"
              value={item.context}
              maxLength={4000}
              autoFocus={focus === "context"}
              onSave={(text, base) => commands.edit(item.id, "context", text, base)}
              {...locked(!arranges)}
            />
            <SavedText
              label="Heading here"
              hint="Only in this collection; without one its own title stands."
              value={item.heading}
              maxLength={300}
              autoFocus={focus === "heading"}
              onSave={(text, base) => commands.edit(item.id, "heading", text, base)}
              {...locked(!arranges)}
            />
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
            <SavedText
              lines
              label="Notes"
              hint="For the team, wherever it stands; readers never see them."
              value={full.data?.resource.notes ?? ""}
              maxLength={16_000}
              onSave={writeNotes}
              {...locked(!brings || !full.data)}
            />
            <div className="text-[15px] text-quiet">
              <p className="break-all">
                <a {...originalLink(resource)} className="text-accent underline">
                  {resource.address || (resource.file ?? "Open it")}
                </a>
              </p>
            </div>
            {elsewhere.length > 0 && <Elsewhere places={elsewhere} />}
          </div>
          <div className="flex flex-col gap-4">
            <SavedText
              label="Title"
              value={resource.title}
              maxLength={500}
              onSave={(text, base) => commands.mend(item, "title", text, base)}
              {...locked(!brings)}
            />
            <SavedText
              lines
              label="Description"
              value={resource.description}
              maxLength={4000}
              onSave={(text, base) => commands.mend(item, "description", text, base)}
              {...locked(!brings)}
            />
            <div className="grid grid-cols-2 gap-4">
              <SavedText
                label="Site"
                value={resource.siteName}
                maxLength={200}
                onSave={(text, base) => commands.mend(item, "siteName", text, base)}
                {...locked(!brings)}
              />
              <SavedText
                label="Date"
                placeholder="2026-03-09"
                value={resource.published ?? ""}
                maxLength={10}
                onSave={(text, base) => commands.mend(item, "published", text, base)}
                {...locked(!brings)}
              />
              <SavedText
                label="Authors"
                placeholder="Separated by ;"
                value={resource.authors.join("; ")}
                onSave={(text, base) => commands.mend(item, "authors", text, base)}
                {...locked(!brings)}
              />
              <Choice
                label="Kind"
                options={KIND_OPTIONS}
                value={resource.kind}
                disabled={!brings}
                onChange={(event) =>
                  commands.setKind([item.id], event.target.value as Item["resource"]["kind"])
                }
              />
            </div>
          </div>
        </div>
        <History resource={resource.id} placement={item.id} />
        {brings && full.data && <ItemMend item={item} full={full.data.resource} />}
      </div>
    </div>
  );
}

const locked = (yes: boolean) => (yes ? { readOnly: true } : {});
