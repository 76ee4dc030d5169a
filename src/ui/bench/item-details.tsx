"use client";

import { useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import Link from "next/link";
import { KINDS } from "@/core/page/facts";
import { Choice } from "../parts/field";
import { KIND_WORDS } from "../parts/kind";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { type DetailField, useBench } from "./bench-context";
import { originalOf } from "../parts/original";
import { SavedText } from "./saved-text";
import { TagField } from "./tag-field";
import type { Item } from "./use-items";

const ItemMend = dynamic(() => import("./item-mend").then((m) => m.ItemMend), { ssr: false });
const KIND_OPTIONS = KINDS.map((kind) => [kind, KIND_WORDS[kind]] as const);
type Fields = Partial<Pick<Item["resource"], "title" | "description" | "siteName" | "authors" | "kind">> & {
  published?: string;
};

/** The details of an item, in place: its words here, then the resource itself, which is the same everywhere. */
export function ItemDetails({ item, focus }: { item: Item; focus?: DetailField }) {
  const { team, arranges, brings, deeds } = useBench();
  const { resource } = item;
  const full = useQuery({
    queryKey: ["resource", resource.id],
    queryFn: () => call("resources.read", { resource: resource.id }),
  });
  const edit = async (fields: Fields) => {
    const { resource: card } = await call("resources.edit", { resource: resource.id, ...fields });
    deeds.change(item.id, (old) => ({ ...old, resource: card }));
  };
  const elsewhere = (full.data?.places ?? []).filter((place) => place.placement !== item.id);
  return (
    <div
      className="border-b border-line bg-sunk py-4 pr-4 pl-4 sm:pl-[42px]"
      role="group"
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
            onSave={(context) => deeds.edit(item.id, { context })}
            {...locked(!arranges)}
          />
          <SavedText
            label="Heading here"
            hint="Only in this collection; without one its own title stands."
            value={item.heading}
            maxLength={300}
            autoFocus={focus === "heading"}
            onSave={(heading) => deeds.edit(item.id, { heading })}
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
              deeds.change(item.id, (old) => ({ ...old, resource: { ...old.resource, tags } }))
            }
          />
          <div className="text-[15px] text-quiet">
            <p className="break-all">
              <a href={originalOf(resource)} target="_blank" rel="noreferrer" className="text-deed underline">
                {resource.address || (resource.file ?? "Open it")}
              </a>
            </p>
            {elsewhere.length > 0 && (
              <p className="mt-1">
                Also in{" "}
                {elsewhere.map((place, i) => (
                  <span key={place.placement}>
                    {i > 0 && ", "}
                    <Link href={`/bench/${place.collection}`} className="text-deed underline">
                      {place.title}
                    </Link>
                  </span>
                ))}
              </p>
            )}
          </div>
        </div>
        <div className="flex flex-col gap-4">
          <SavedText
            label="Title"
            value={resource.title}
            maxLength={500}
            onSave={(title) => edit({ title })}
            {...locked(!brings)}
          />
          <SavedText
            lines
            label="Description"
            value={resource.description}
            maxLength={4000}
            onSave={(description) => edit({ description })}
            {...locked(!brings)}
          />
          <div className="grid grid-cols-2 gap-4">
            <SavedText
              label="Site"
              value={resource.siteName}
              maxLength={200}
              onSave={(siteName) => edit({ siteName })}
              {...locked(!brings)}
            />
            <SavedText
              label="Date"
              placeholder="2026-03-09"
              value={resource.published ?? ""}
              maxLength={10}
              onSave={(published) => edit({ published })}
              {...locked(!brings)}
            />
            <SavedText
              label="Authors"
              placeholder="Separated by ;"
              value={resource.authors.join("; ")}
              onSave={(text) =>
                edit({
                  authors: text
                    .split(";")
                    .map((name) => name.trim())
                    .filter(Boolean),
                })
              }
              {...locked(!brings)}
            />
            <Choice
              label="Kind"
              options={KIND_OPTIONS}
              value={resource.kind}
              disabled={!brings}
              onChange={(event) =>
                void edit({ kind: event.target.value as Item["resource"]["kind"] }).catch(sayFailure)
              }
            />
          </div>
        </div>
      </div>
      {brings && full.data && <ItemMend item={item} full={full.data.resource} />}
    </div>
  );
}

const locked = (yes: boolean) => (yes ? { readOnly: true } : {});
