"use client";

import { originalOf } from "../parts/original";
import { useDraggable } from "@dnd-kit/core";
import { MoreHorizontal } from "lucide-react";
import dynamic from "next/dynamic";
import { memo } from "react";
import { type Kind, sayProblem } from "@/core/page/facts";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../parts/button";
import { KindWord } from "../parts/kind";
import { Menu, MenuItem, MenuLine } from "../parts/menu";
import { KEYS } from "../shell/commands";
import { type DetailField, useBench } from "./bench-context";
import type { Item } from "./use-items";

const ItemDetails = dynamic(() => import("./item-details").then((m) => m.ItemDetails), { ssr: false });

type Props = {
  item: Item;
  number: number;
  selected: boolean;
  reachable: boolean;
  opened: DetailField | "open" | null;
  landing: boolean;
  landingWords: string;
};

/** One item in a row: the curator's sentence first, what it is beneath. Its details open under it. */
export const ItemRow = memo(function ItemRow({
  item,
  number,
  selected,
  reachable,
  opened,
  landing,
  landingWords,
}: Props) {
  const { arranges, brings, deeds } = useBench();
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `item:${item.id}`,
    data: { item },
    disabled: !arranges || !!opened,
  });
  const { resource } = item;
  const title = item.heading || resource.title;
  const waits = resource.fetchState === "waiting";
  return (
    <div className="relative">
      <article
        ref={setNodeRef}
        {...listeners}
        data-item={item.id}
        tabIndex={reachable ? 0 : -1}
        aria-label={`${number}. ${item.context || title}`}
        onFocus={(event) => event.target === event.currentTarget && deeds.select(item.id)}
        onClick={(event) =>
          !(event.target as HTMLElement).closest("a,button,input,textarea") &&
          (deeds.select(item.id), (event.currentTarget as HTMLElement).focus({ preventScroll: true }))
        }
        onDoubleClick={() => deeds.toggle(item.id)}
        className={`grid grid-cols-[2rem_minmax(0,1fr)_auto] gap-x-2.5 border-b border-line py-2.5 pr-1 outline-offset-[-2px] sm:grid-cols-[2rem_minmax(0,1fr)_92px_36px] ${selected ? "bg-wash shadow-[-4px_0_0_var(--deed)]" : "hover:bg-sunk"} ${isDragging ? "opacity-40" : ""}`}
      >
        <span className="pt-0.5 text-right font-serif text-[15px] font-semibold text-quiet" aria-hidden>
          {number}
        </span>
        <div className="min-w-0">
          <p
            className={`font-serif text-[17px] leading-snug ${item.context ? "whitespace-pre-line" : "font-semibold"}`}
          >
            {item.context || title}
          </p>
          <p className="mt-0.5 text-sm leading-relaxed text-quiet">
            <KindWord kind={resource.kind} />
            {item.context && (
              <>
                <Dot />
                <b className="font-semibold text-ink">{title}</b>
              </>
            )}
            <Dot />
            {resource.siteName || resource.host || resource.file || "Kept here"}
            {resource.minutes && (
              <>
                <Dot />
                {sayMinutes(resource.minutes)}
              </>
            )}
            {resource.tags.map((tag) => (
              <span key={tag} className="ml-2.5 border-b border-dotted border-quiet">
                {tag}
              </span>
            ))}
          </p>
          {resource.twinOf && (
            <p className="mt-1 text-sm text-warn">
              It seems to be in the catalogue twice; its details say where.
            </p>
          )}
          {waits && (
            <p className="mt-1 text-sm text-deed">{item.pending ? "Bringing in …" : "Reading the page …"}</p>
          )}
          {resource.fetchProblem && (
            <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-warn">
              {sayProblem(resource.fetchProblem)} The address is kept.
              {brings && (
                <Button
                  small
                  look="quiet"
                  className="h-6! px-2! text-deed!"
                  onClick={() => deeds.fetchAgain(resource.id)}
                >
                  Fetch again
                </Button>
              )}
            </p>
          )}
        </div>
        {resource.picture ? (
          // eslint-disable-next-line @next/next/no-img-element -- kept pictures are small and made to size already
          <img
            src={`/api/pictures/${resource.picture}`}
            alt=""
            width={92}
            height={56}
            loading="lazy"
            draggable={false}
            className="h-14 w-[92px] rounded border border-line object-cover max-sm:hidden"
          />
        ) : (
          <span className="max-sm:hidden" />
        )}
        <Menu
          align="end"
          button={
            <button
              type="button"
              aria-label={`What to do with ${title}`}
              tabIndex={reachable ? 0 : -1}
              className="flex size-9 items-center justify-center rounded-md text-quiet hover:bg-sheet hover:text-ink"
            >
              <MoreHorizontal size={18} aria-hidden />
            </button>
          }
        >
          <MenuItem onSelect={() => deeds.toggle(item.id)} keys={KEYS.open.keys}>
            {opened ? "Close details" : "Details"}
          </MenuItem>
          <MenuItem href={originalOf(resource)} keys={KEYS.original.keys}>
            Open the original
          </MenuItem>
          <MenuItem href={`/read/${resource.id}`}>Read it here</MenuItem>
          {arranges && (
            <>
              <MenuLine />
              <MenuItem onSelect={() => deeds.toggle(item.id, "context")} keys={KEYS.context.keys}>
                Write the context line
              </MenuItem>
              <MenuItem onSelect={() => deeds.toggle(item.id, "heading")} keys={KEYS.heading.keys}>
                Write a heading for here
              </MenuItem>
            </>
          )}
          {brings && (
            <MenuItem onSelect={() => deeds.toggle(item.id, "tags")} keys={KEYS.tag.keys}>
              Tag
            </MenuItem>
          )}
          {brings && <MenuItem onSelect={() => deeds.fetchAgain(resource.id)}>Fetch again</MenuItem>}
          {arranges && (
            <>
              <MenuLine />
              <MenuItem onSelect={() => deeds.step(item.id, -1)} keys="Alt ↑">
                Move up
              </MenuItem>
              <MenuItem onSelect={() => deeds.step(item.id, 1)} keys="Alt ↓">
                Move down
              </MenuItem>
              <MenuItem onSelect={() => deeds.remove(item.id)} keys={KEYS.remove.keys} stop>
                Take out
              </MenuItem>
            </>
          )}
        </Menu>
      </article>
      {opened && <ItemDetails item={item} focus={opened === "open" ? undefined : opened} />}
      {landing && <LandingMark words={landingWords} />}
    </div>
  );
});

const Dot = () => <span aria-hidden> · </span>;

/** Where what is dragged will come to stand. */
export function LandingMark({ words }: { words: string }) {
  return (
    <div
      className="pointer-events-none absolute inset-x-0 bottom-0 z-10 flex translate-y-1/2 items-center"
      aria-hidden
    >
      <span className="ml-10 h-[3px] flex-1 rounded bg-deed" />
      <span className="rounded-full bg-deed px-2.5 py-0.5 text-xs font-semibold text-on-deed">{words}</span>
    </div>
  );
}

/** What is carried along while dragging. */
export function Carried({ title, kind }: { title: string; kind: Kind }) {
  return (
    <div className="pointer-events-none flex w-72 items-center gap-2 rounded-md border border-deed bg-sheet px-3 py-2 text-[15px] font-semibold shadow-lift">
      <KindWord kind={kind} />
      <span className="truncate">{title}</span>
    </div>
  );
}
