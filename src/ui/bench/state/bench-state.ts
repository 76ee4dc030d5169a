import type { ViewSetting } from "@/core/list/view-setting";
import type { Asking, DetailField } from "./types";

/** A small window by which something new comes into the open collection. */
export type BenchWindow =
  | "bring"
  | "inside"
  | "beside"
  | "save"
  | "hand-out"
  | "guests"
  | "leave"
  /** What is said in it; behind the colon the section that is meant. */
  | `talk:${string}`;

/** What one person sees of the Bench just now, beside the items themselves. */
export type BenchState = {
  setting: ViewSetting;
  /** The items that are left when the collection is narrowed; null: all of them. */
  found: ReadonlySet<string> | null;
  /** What is typed into the box that narrows; null: there is no box. */
  filtering: string | null;
  /** The item whose details are open, and the field that gets the focus. */
  opened: { id: string; field: DetailField | "open" } | null;
  /** The item whose context line is being written where it stands. */
  writing: string | null;
  /** What was said last to whoever does not see it. */
  said: string;
  window: BenchWindow | null;
  asking: Asking | null;
  /** Whether the supply side is folded away. */
  folded: boolean;
  /** Whether a press on an item chooses it with the others, as it is done by touch. */
  choosing: boolean;
};

export type BenchEvent =
  | { type: "view"; wish: Partial<ViewSetting> }
  | { type: "narrow"; text: string | null }
  | { type: "found"; found: ReadonlySet<string> | null }
  | { type: "toggle"; item: string; field?: DetailField }
  | { type: "close" }
  | { type: "write"; item: string }
  /** Ends the writing of this item's line; another one's goes on. */
  | { type: "written"; item: string }
  | { type: "say"; words: string }
  | { type: "window"; window: BenchWindow | null }
  | { type: "ask"; asking: Asking | null }
  /** Without `folded` it is the other way round afterwards. */
  | { type: "fold"; folded?: boolean }
  | { type: "choosing"; on: boolean };

/** The state in which a collection is opened. */
export const openedWith = (setting: ViewSetting): BenchState => ({
  setting,
  found: null,
  filtering: null,
  opened: null,
  writing: null,
  said: "",
  window: null,
  asking: null,
  folded: false,
  choosing: false,
});

/** What the state is after an event. A state that stays as it is stays the same object. */
export function reduce(state: BenchState, event: BenchEvent): BenchState {
  switch (event.type) {
    case "view":
      return { ...state, setting: { ...state.setting, ...event.wish } };
    case "narrow":
      // Who closes the box sees all items again.
      return { ...state, filtering: event.text, found: event.text === null ? null : state.found };
    case "found":
      return { ...state, found: event.found };
    case "toggle": {
      const { opened } = state;
      const again = opened?.id === event.item && (!event.field || opened.field === event.field);
      return {
        ...state,
        writing: null,
        opened: again ? null : { id: event.item, field: event.field ?? "open" },
      };
    }
    case "close":
      return state.opened ? { ...state, opened: null } : state;
    case "write":
      // Its details would have the same field once more.
      return { ...state, writing: event.item, opened: null };
    case "written":
      return state.writing === event.item ? { ...state, writing: null } : state;
    case "say":
      return { ...state, said: event.words };
    case "window":
      return { ...state, window: event.window };
    case "ask":
      return { ...state, asking: event.asking };
    case "choosing":
      return state.choosing === event.on ? state : { ...state, choosing: event.on };
    case "fold":
      return { ...state, folded: event.folded ?? !state.folded };
  }
}

/** Whether the items stand in another order than their own, or not all of them are there: then none can be moved. */
export const isOutOfOrder = ({ setting, found }: BenchState): boolean =>
  setting.sort !== "own" || found !== null;
