/** Every key there is, for the sheet, the menus and whoever acts on them. Letters act on the selected item. */
export const KEYS = {
  palette: { keys: "Ctrl K", words: "Go to or do anything", where: "Everywhere" },
  find: { keys: "/", words: "Find anything", where: "Everywhere" },
  bring: { keys: "B", words: "Bring in an address", where: "Everywhere" },
  sheet: { keys: "?", words: "Show all keys", where: "Everywhere" },
  paste: { keys: "Ctrl V", words: "Bring in what was copied", where: "On the Bench" },
  undo: { keys: "Ctrl Z", words: "Undo what you did last", where: "Everywhere" },
  redo: { keys: "Ctrl Shift Z", words: "Do it again", where: "Everywhere" },
  fold: { keys: "S", words: "Fold the supply side away, or back", where: "On the Bench" },
  section: { keys: "N", words: "New section", where: "On the Bench" },
  text: { keys: "W", words: "Write text between the items", where: "On the Bench" },
  narrow: { keys: "F", words: "Narrow the open collection", where: "On the Bench" },
  go: { keys: "G", words: "Go to another collection by the path", where: "On the Bench" },
  views: { keys: "1 … 5", words: "Rows, Cards, Board, Table, Steps", where: "On the Bench" },
  own: { keys: "0", words: "Back to its own order", where: "On the Bench" },
  all: { keys: "Ctrl A", words: "Choose all", where: "On the Bench" },
  invert: { keys: "I", words: "Choose the others instead", where: "On the Bench" },
  up: { keys: "↑ ↓", words: "Choose the item above or below", where: "On an item" },
  range: { keys: "Shift ↑ ↓", words: "Choose several in a row", where: "On an item" },
  choose: { keys: "X", words: "Choose it with the others, or no more", where: "On an item" },
  lift: { keys: "Space", words: "Pick up; arrows, then space drops, Escape puts back", where: "On an item" },
  move: { keys: "Alt ↑ ↓", words: "Move one step up or down", where: "On an item" },
  moveTo: { keys: "M", words: "Move to another collection or section", where: "On an item" },
  copyTo: { keys: "Shift M", words: "Place in another collection too", where: "On an item" },
  cut: { keys: "Ctrl C, X", words: "Copy or cut, to paste elsewhere", where: "On an item" },
  kind: { keys: "K", words: "Say what kind it is", where: "On an item" },
  open: { keys: "Enter", words: "Open the item’s details, or close them", where: "On an item" },
  context: { keys: "C", words: "Write the context line", where: "On an item" },
  heading: { keys: "H", words: "Write a heading for here", where: "On an item" },
  tag: { keys: "T", words: "Tag", where: "On an item" },
  original: { keys: "O", words: "Open the original", where: "On an item" },
  remove: { keys: "Del", words: "Take out", where: "On an item" },
  rename: { keys: "F2", words: "Rename", where: "In the tree of collections, and in a cell" },
  inside: {
    keys: "N",
    words: "New collection in this one",
    where: "In the tree of collections, and in a cell",
  },
  duplicate: { keys: "D", words: "Duplicate it", where: "In the tree of collections, and in a cell" },
  stepTree: {
    keys: "Alt ↑ ↓ ← →",
    words: "Move up, down, out, in",
    where: "In the tree of collections, and in a cell",
  },
  cells: {
    keys: "← →",
    words: "From cell to cell; Enter edits",
    where: "In the tree of collections, and in a cell",
  },
  place: { keys: "→", words: "Place in the collection", where: "On something in the supply" },
  away: { keys: "E", words: "Put away", where: "On something in the Tray" },
} as const;

/** Whether a key press is meant for what is being typed in. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}
