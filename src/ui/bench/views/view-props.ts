import type { ViewSetting } from "@/core/list/view-setting";
import type { Answer } from "@/services/registry";
import type { DetailField, Item, Landing, Section } from "../state/types";

/** What every view of a collection is given. */
export type ViewProps = {
  head: Answer<"collections.read">;
  /** In the order in which they are shown. */
  items: Item[];
  setting: ViewSetting;
  current: string | null;
  marked: ReadonlySet<string>;
  cut: ReadonlySet<string>;
  lifted: readonly string[] | null;
  opened: { id: string; field: DetailField | "open" } | null;
  /** Whether a press on an item chooses it with the others. */
  choosing: boolean;
  /** The item whose context line is being written where it stands. */
  writing: string | null;
  landing: Landing | null;
  newSection: string | null;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onSet: (wish: Partial<ViewSetting>) => void;
  onSection: () => void;
  onMoveSection: (section: Section, by: 1 | -1) => void;
  onRemoveSection: (section: Section) => void;
};

/** How one item stands in the view. */
export function stateOf(
  { items, current, marked, cut, lifted, opened, writing, choosing }: ViewProps,
  item: Item,
  number: number,
) {
  return {
    item,
    number,
    selected: marked.has(item.id),
    current: item.id === current,
    only: item.id === current && marked.size <= 1,
    reachable: item.id === (items.some((one) => one.id === current) ? current : items[0]?.id),
    opened: opened?.id === item.id,
    writing: writing === item.id,
    choosing,
    cut: cut.has(item.id),
    lifted: lifted?.includes(item.id) ?? false,
  };
}
