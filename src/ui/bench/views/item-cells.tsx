"use client";

import { ArrowDown, ArrowUp } from "lucide-react";
import { memo } from "react";
import { type Column, COLUMN_WORDS, type Sort, type ViewSetting } from "@/core/list/view-setting";
import { tagNames } from "@/core/tags/tag-name";
import { sayMinutes } from "@/core/text/minutes";
import { KindWord } from "../../parts/kind";
import { KIND_WORDS } from "@/core/look/kind-words";
import { NewsDot } from "../news/news-word";
import { useBench } from "../state/bench-context";
import { type ItemState, useItemFrame } from "../item/item-frame";
import { ItemMenu } from "../item/item-menu";
import { type Cell, EditableCell } from "./editable-cell";

/** How wide each column is at least, in pixels, and its share of what is left over. */
const WIDTHS: Record<Column | "title", readonly [least: number, share: number]> = {
  title: [150, 2],
  context: [130, 2],
  kind: [92, 0],
  site: [90, 0.5],
  authors: [120, 0.5],
  published: [88, 0],
  minutes: [72, 0],
  tags: [100, 1],
  added: [92, 0],
  section: [110, 0.5],
};
const GAP = 12;

/** The columns as a grid, and the width below which the table scrolls sideways. */
function gridOf(columns: readonly Column[]): { gridTemplateColumns: string; minWidth: number } {
  const all = ["title", ...columns] as const;
  return {
    gridTemplateColumns: `2rem ${all
      .map((column) => {
        const [least, share] = WIDTHS[column];
        return share ? `minmax(${least}px,${share}fr)` : `${least}px`;
      })
      .join(" ")} 36px`,
    minWidth: 32 + 36 + all.reduce((sum, column) => sum + WIDTHS[column][0] + GAP, GAP),
  };
}

/** What the table can be sorted by, by the column that shows it. */
const SORT_OF: Partial<Record<Column | "title", Sort>> = {
  title: "title",
  minutes: "length",
  added: "added",
};

/** The names of the columns. Those it can be sorted by go round: upwards, downwards, its own order again. */
export function TableHead({
  setting,
  onSet,
}: {
  setting: ViewSetting;
  onSet: (wish: Partial<ViewSetting>) => void;
}) {
  return (
    <div role="rowgroup" className="sticky top-0 z-20 bg-sheet">
      <div
        role="row"
        className="grid gap-x-3 border-b border-edge py-2 text-sm font-semibold text-quiet"
        style={gridOf(setting.columns)}
      >
        <span role="columnheader" className="text-right">
          <span className="sr-only">Number</span>
          <span aria-hidden>#</span>
        </span>
        {(["title", ...setting.columns] as const).map((column) => (
          <ColumnHead key={column} column={column} setting={setting} onSet={onSet} />
        ))}
        <span role="columnheader">
          <span className="sr-only">What to do</span>
        </span>
      </div>
    </div>
  );
}

function ColumnHead({
  column,
  setting,
  onSet,
}: {
  column: Column | "title";
  setting: ViewSetting;
  onSet: (wish: Partial<ViewSetting>) => void;
}) {
  const sort = SORT_OF[column];
  const words = column === "title" ? "Title" : COLUMN_WORDS[column];
  if (!sort)
    return (
      <span role="columnheader" className="truncate">
        {words}
      </span>
    );
  const on = setting.sort === sort;
  return (
    <span
      role="columnheader"
      aria-sort={on ? (setting.down ? "descending" : "ascending") : "none"}
      className="min-w-0"
    >
      <button
        type="button"
        onClick={() => onSet(on && setting.down ? { sort: "own", down: false } : { sort, down: on })}
        className={`-mx-1 flex max-w-full items-center gap-1 rounded px-1 font-semibold hover:text-ink ${on ? "text-ink" : ""}`}
      >
        <span className="truncate">{words}</span>
        {on && (setting.down ? <ArrowDown size={14} aria-hidden /> : <ArrowUp size={14} aria-hidden />)}
      </button>
    </span>
  );
}

type Props = ItemState & { columns: readonly Column[]; sectionTitle: string };

/** An item as a row of cells. Right and left go from cell to cell; Enter, F2 or a double click edits one in place. */
export const ItemCells = memo(function ItemCells({ columns, sectionTitle, ...state }: Props) {
  const { item, number, opened, reachable } = state;
  const { arranges, brings, commands } = useBench();
  const { frame, shade } = useItemFrame(state);
  const { resource } = item;
  const cells: Record<Column | "title", Cell> = {
    title: item.heading
      ? {
          label: "Heading here",
          text: item.heading,
          save: arranges ? (text, base) => commands.edit(item.id, "heading", text, base) : undefined,
        }
      : {
          label: "Title",
          text: resource.title,
          save: brings ? (text, base) => commands.mend(item, "title", text, base) : undefined,
        },
    context: {
      label: "Context",
      text: item.context,
      save: arranges ? (text, base) => commands.edit(item.id, "context", text, base) : undefined,
    },
    kind: { label: "Kind", text: KIND_WORDS[resource.kind] },
    site: {
      label: "Site",
      text: resource.siteName || resource.host,
      save: brings ? (text, base) => commands.mend(item, "siteName", text, base) : undefined,
    },
    authors: {
      label: "Authors, separated by ;",
      text: resource.authors.join("; "),
      save: brings ? (text, base) => commands.mend(item, "authors", text, base) : undefined,
    },
    published: {
      label: "Date",
      text: resource.published ?? "",
      save: brings ? (text, base) => commands.mend(item, "published", text, base) : undefined,
    },
    minutes: { label: "Length", text: resource.minutes ? sayMinutes(resource.minutes) : "" },
    tags: {
      label: "Tags, separated by commas",
      text: resource.tags.join(", "),
      save: brings ? (text) => commands.retag(item, tagNames(text)) : undefined,
    },
    added: { label: "Added", text: String(item.addedAt).slice(0, 10) },
    section: { label: "Section", text: sectionTitle },
  };
  return (
    <div
      {...frame}
      className={`grid items-center gap-x-3 border-b border-line outline-offset-[-2px] ${shade}`}
      style={gridOf(columns)}
    >
      <span role="rowheader" data-number className="py-2.5 text-right text-sm text-quiet select-none">
        <NewsDot item={item.id} />
        {number}
      </span>
      {(["title", ...columns] as const).map((column) => (
        <EditableCell key={column} name={column} cell={cells[column]}>
          {column === "kind" ? <KindWord kind={resource.kind} /> : null}
        </EditableCell>
      ))}
      <span role="gridcell">
        <ItemMenu item={item} opened={opened} reachable={reachable} />
      </span>
    </div>
  );
});
