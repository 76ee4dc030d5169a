"use client";

import dynamic from "next/dynamic";
import { memo } from "react";
import { hashOfWords } from "@/core/read/words-asked";
import { tagNames } from "@/core/tags/tag-name";
import { sayMinutes } from "@/core/text/minutes";
import { sayProblem } from "@/core/page/facts";
import { useBench } from "../bench/state/bench-context";
import { ItemMenu } from "../bench/item/item-menu";
import { EditableCell } from "../bench/views/editable-cell";
import { KindMark } from "../parts/kind";
import { Link } from "../parts/link";
import { inPlace } from "../talk/in-place";
import { Marked } from "../parts/marked";
import { COLUMNS } from "./result-head";
import type { Found } from "./use-catalogue-commands";
import type { Item } from "../bench/state/types";

const ItemDetails = dynamic(() => import("../bench/item/item-details").then((m) => m.ItemDetails), {
  ssr: false,
});

type Props = {
  found: Found;
  item: Item;
  selected: boolean;
  current: boolean;
  reachable: boolean;
  /** Its details are open below it. */
  opened: boolean;
  onTag: (name: string) => void;
};

/** A thing that was found: its title with the words marked, the passage in which they stand, tags, where it is placed. */
export const ResultRow = memo(function ResultRow({
  found,
  item,
  selected,
  current,
  reachable,
  opened,
  onTag,
}: Props) {
  const { brings, commands } = useBench();
  const { passage } = found;
  return (
    <>
      <div
        role="row"
        data-item={found.id}
        tabIndex={reachable ? 0 : -1}
        aria-selected={selected}
        aria-label={found.title}
        onFocus={(event) => event.target === event.currentTarget && commands.select(found.id, "keep")}
        onClick={(event) => {
          if ((event.target as HTMLElement).closest("a,button,input")) return;
          if (!(event.target as HTMLElement).closest("[data-cell]"))
            event.currentTarget.focus({ preventScroll: true });
          commands.select(
            found.id,
            event.shiftKey ? "range" : event.ctrlKey || event.metaKey ? "toggle" : "only",
          );
        }}
        onDoubleClick={(event) => {
          if (!(event.target as HTMLElement).closest("a,button,input,[data-cell]")) commands.toggle(found.id);
        }}
        className={`${COLUMNS} border-b border-line py-2 outline-offset-[-2px] md:grid-cols-[1.5rem_minmax(0,1fr)_minmax(120px,220px)_minmax(100px,180px)_84px] ${selected ? "bg-wash" : "hover:bg-sunk"} ${current ? "shadow-[-4px_0_0_var(--accent)]" : ""}`}
      >
        <span role="gridcell" className="pt-1.5">
          <input
            type="checkbox"
            tabIndex={-1}
            aria-label={`Choose ${found.title}`}
            checked={selected}
            onChange={() => commands.select(found.id, "toggle")}
            className="size-4 accent-[var(--accent)]"
          />
        </span>
        <span role="gridcell" className="pt-1">
          <KindMark kind={found.kind} />
        </span>
        <div role="gridcell" className="min-w-0">
          <div role="presentation" className="-my-2 [&_[data-cell]]:pb-0!">
            <EditableCell
              plain
              name="title"
              cell={{
                label: "Title",
                text: found.title,
                save: brings ? (text, base) => commands.mend(item, "title", text, base) : undefined,
              }}
            >
              <Marked text={found.title} marks={found.marks} />
            </EditableCell>
          </div>
          <p className="mt-1.5 truncate text-sm text-quiet">
            {[found.siteName || found.host || found.file, found.minutes && sayMinutes(found.minutes)]
              .filter(Boolean)
              .join(" · ")}
          </p>
          {passage && (
            <p className="mt-0.5 font-serif text-[15px]">
              {passage.cut[0] && "… "}
              <Marked text={passage.text} marks={passage.marks} />
              {passage.cut[1] && " …"}{" "}
              {passage.inText && (
                <Link
                  href={`/read/${found.id}${hashOfWords(passage.text)}`}
                  aria-label={`Read on in ${found.title}`}
                  tabIndex={reachable ? 0 : -1}
                  className="ml-1 py-1 font-sans text-sm whitespace-nowrap text-accent hover:underline"
                >
                  Read on
                </Link>
              )}
            </p>
          )}
          {found.fetchProblem && <p className="text-sm text-warn">{sayProblem(found.fetchProblem)}</p>}
        </div>
        <div role="gridcell" className="-mt-2 min-w-0 text-sm max-md:order-1 max-md:col-start-3">
          {brings ? (
            <EditableCell
              plain
              name="tags"
              cell={{
                label: "Tags, separated by commas",
                text: found.tags.join(", "),
                save: (text) => commands.retag(item, tagNames(text)),
              }}
            >
              <Tags tags={found.tags} onTag={onTag} />
            </EditableCell>
          ) : (
            <Tags tags={found.tags} onTag={onTag} />
          )}
        </div>
        <div role="gridcell" className="min-w-0 text-sm text-quiet max-md:order-2 max-md:col-start-3">
          {found.places.slice(0, 2).map((place) => (
            <Link
              key={place.collection}
              href={inPlace(place)}
              className="block truncate py-0.5 leading-5 hover:text-accent hover:underline"
            >
              {place.title}
            </Link>
          ))}
          {found.places.length > 2 && <span>and {found.places.length - 2} more</span>}
          {found.places.length === 0 && <span className="block py-0.5 leading-5">in no collection</span>}
        </div>
        <div role="gridcell" className="pt-0.5 text-right text-sm whitespace-nowrap text-quiet max-md:hidden">
          {String(found.createdAt).slice(0, 10)}
        </div>
        <div role="gridcell">
          <ItemMenu item={item} opened={opened} reachable={reachable} />
        </div>
      </div>
      {opened && <ItemDetails item={item} />}
    </>
  );
});

function Tags({ tags, onTag }: { tags: readonly string[]; onTag: (name: string) => void }) {
  if (!tags.length) return <span className="text-quiet">no tag</span>;
  return (
    <>
      {tags.map((tag) => (
        <button
          key={tag}
          type="button"
          tabIndex={-1}
          title={`Narrow to ${tag}`}
          onClick={() => onTag(tag)}
          className="mr-2 border-b border-dotted border-quiet text-quiet hover:text-accent"
        >
          {tag}
        </button>
      ))}
    </>
  );
}
