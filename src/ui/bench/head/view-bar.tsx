"use client";

import { ArrowDownUp, Check, ListChecks, ListFilter } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import {
  COLUMN_WORDS,
  COLUMNS,
  type Sort,
  SORTS,
  type View,
  VIEW_WORDS,
  VIEWS,
  type ViewSetting,
} from "@/core/list/view-setting";
import { Button, IconButton } from "../../parts/button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "../../parts/menu";
import { KEYS } from "../../shell/commands";

const SORT_WORDS: Record<Sort, string> = {
  own: "Own order",
  title: "Title",
  added: "Date added",
  used: "Recently used",
  length: "Length",
};
/** Which way each order goes at first. */
const DOWN: Record<Sort, boolean> = { own: false, title: false, added: true, used: true, length: false };
type Props = {
  setting: ViewSetting;
  onSet: (change: Partial<ViewSetting>) => void;
  onNarrow: () => void;
  /** On the Board a new section is made from here. */
  onSection?: () => void;
  /** Whether a press on an item chooses it with the others. */
  choosing: boolean;
  onChoosing: (on: boolean) => void;
};

/** In which view and order one sees the collection; remembered for oneself. */
export function ViewBar({ setting, onSet, onNarrow, onSection, choosing, onChoosing }: Props) {
  const { view, sort, down, columns } = setting;
  return (
    <div className="flex min-w-0 items-center gap-1 max-sm:gap-0 max-sm:overflow-x-auto">
      <ToggleGroup.Root
        type="single"
        value={view}
        aria-label="View"
        onValueChange={(next) => next && onSet({ view: next as View })}
        className="flex min-w-0 max-sm:shrink-0 sm:overflow-x-auto"
      >
        {VIEWS.map((one) => (
          <ToggleGroup.Item
            key={one}
            value={one}
            className="h-8 rounded-md px-2.5 text-[15px] text-quiet max-sm:px-2 hover:text-ink data-[state=on]:bg-wash data-[state=on]:font-semibold data-[state=on]:text-ink"
          >
            {VIEW_WORDS[one]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <Menu
        button={
          <Button look="quiet" small className="text-quiet!" aria-label={`Order: ${SORT_WORDS[sort]}`}>
            <ArrowDownUp size={16} aria-hidden />
            <span className="max-xl:sr-only">{sort === "own" ? "" : SORT_WORDS[sort]}</span>
          </Button>
        }
      >
        <MenuLabel>Order</MenuLabel>
        {SORTS.map((one) => (
          <MenuItem
            key={one}
            current={one === sort}
            keys={one === "own" ? KEYS.own : undefined}
            onSelect={() => onSet({ sort: one, down: one === sort ? !down : DOWN[one] })}
          >
            {SORT_WORDS[one]}
            {one === sort && one !== "own" && (down ? ", downwards" : ", upwards")}
          </MenuItem>
        ))}
        {view === "table" && (
          <>
            <MenuLine />
            <MenuLabel>Columns</MenuLabel>
            {COLUMNS.map((column) => {
              const shown = columns.includes(column);
              return (
                <MenuItem
                  key={column}
                  current={shown}
                  onSelect={() =>
                    onSet({
                      columns: shown
                        ? columns.filter((one) => one !== column)
                        : COLUMNS.filter((one) => one === column || columns.includes(one)),
                    })
                  }
                >
                  <span className="inline-flex items-center gap-2">
                    <Check size={14} aria-hidden className={shown ? "" : "invisible"} />
                    {COLUMN_WORDS[column]}
                  </span>
                </MenuItem>
              );
            })}
          </>
        )}
      </Menu>
      {view === "board" && onSection && (
        <Button look="quiet" small className="shrink-0 text-quiet!" onClick={onSection}>
          New section
        </Button>
      )}
      <IconButton label={`Show only some (${KEYS.narrow})`} className="size-8! shrink-0" onClick={onNarrow}>
        <ListFilter size={16} aria-hidden />
      </IconButton>
      <IconButton
        label="Choose several"
        aria-pressed={choosing}
        className={`size-8! shrink-0 ${choosing ? "bg-wash text-ink!" : ""}`}
        onClick={() => onChoosing(!choosing)}
      >
        <ListChecks size={16} aria-hidden />
      </IconButton>
    </div>
  );
}
