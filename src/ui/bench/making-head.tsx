"use client";

import { Globe, Link2, MoreHorizontal, Users } from "lucide-react";
import Link from "next/link";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { buttonLook, IconButton } from "../parts/button";
import { Cover } from "../parts/cover";
import { Menu, MenuItem, MenuLine } from "../parts/menu";
import { Progress } from "../parts/progress";
import { KEYS } from "../shell/commands";
import { call } from "../talk/call";
import { useBench } from "./bench-context";
import { InlineTitle } from "./inline-title";
import { SavedText } from "./saved-text";

type Props = {
  head: Answer<"collections.read">;
  reading: { done: number; of: number } | null;
  onSection: () => void;
  onInside: () => void;
  onRemove: () => void;
};

const AUDIENCE = {
  team: { Icon: Users, words: "Team only" },
  link: { Icon: Link2, words: "Anyone with the link" },
  public: { Icon: Globe, words: "Public" },
};

/** The collection that is being made: cover, title, what it is for, its sum, who sees it. */
export function MakingHead({ head, reading, onSection, onInside, onRemove }: Props) {
  const { arranges } = useBench();
  const { collection, sums, cover, inside } = head;
  const items = sums.reduce((sum, one) => sum + one.items, 0);
  const minutes = sums.reduce((sum, one) => sum + one.minutes, 0);
  const { Icon, words } = AUDIENCE[collection.audience];
  return (
    <header className="flex flex-col gap-3 border-b border-line px-4 pt-4 pb-3 sm:px-6">
      <div className="flex gap-5">
        <Cover
          threads={cover.threads}
          tags={cover.tags}
          width={104}
          height={64}
          className="h-16 w-[104px] shrink-0 max-sm:hidden"
        />
        <div className="min-w-0 flex-1">
          <InlineTitle
            level={1}
            label="Title of the collection"
            value={collection.title}
            readOnly={!arranges}
            onSave={(title) => call("collections.edit", { collection: collection.id, title })}
            className="font-serif text-[26px] leading-tight font-semibold"
          />
          {arranges ? (
            <SavedText
              lines
              hideLabel
              label="What the collection is for"
              placeholder="What is it for? One sentence helps whoever opens it."
              value={collection.description}
              maxLength={4000}
              onSave={(description) => call("collections.edit", { collection: collection.id, description })}
              className="-ml-1.5 [&_textarea]:min-h-8 [&_textarea]:resize-none [&_textarea]:border-transparent [&_textarea]:bg-transparent [&_textarea]:px-1.5 [&_textarea]:py-0.5 [&_textarea]:text-quiet [&_textarea:hover]:border-edge"
            />
          ) : (
            <p className="whitespace-pre-line text-quiet">{collection.description}</p>
          )}
        </div>
      </div>
      {inside.length > 0 && (
        <p className="flex flex-wrap gap-x-4 gap-y-1 text-[15px]">
          <span className="text-quiet">Inside:</span>
          {inside.map((one) => (
            <Link key={one.id} href={`/bench/${one.id}`} className="text-deed hover:underline">
              {one.title} <span className="text-quiet">({one.count})</span>
            </Link>
          ))}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="text-[15px] text-quiet">
          {items} {items === 1 ? "item" : "items"}
          {minutes > 0 && ` · ${sayMinutes(minutes)}`}
        </p>
        <p className="flex items-center gap-1.5 text-[15px] text-quiet">
          <Icon size={16} aria-hidden /> {words}
        </p>
        <div className="ml-auto flex items-center gap-2">
          <Link href={`/publish/${collection.id}`} className={buttonLook("line", true)}>
            Publish
          </Link>
          <Menu
            align="end"
            button={
              <IconButton label="What to do with this collection">
                <MoreHorizontal size={18} aria-hidden />
              </IconButton>
            }
          >
            {arranges && (
              <>
                <MenuItem onSelect={onSection} keys={KEYS.section.keys}>
                  New section
                </MenuItem>
                <MenuItem onSelect={onInside}>New collection in this one</MenuItem>
                <MenuLine />
              </>
            )}
            <MenuItem href={`/api/export/${collection.id}?format=bookmarks`} download>
              Save as a bookmark file
            </MenuItem>
            <MenuItem href={`/api/export/${collection.id}?format=markdown`} download>
              Save as Markdown
            </MenuItem>
            {arranges && (
              <>
                <MenuLine />
                <MenuItem stop onSelect={onRemove}>
                  Delete the collection
                </MenuItem>
              </>
            )}
          </Menu>
        </div>
      </div>
      {reading && (
        <Progress
          done={reading.done}
          of={reading.of}
          words={`Reading ${reading.of} pages: ${reading.done} done`}
        />
      )}
    </header>
  );
}
