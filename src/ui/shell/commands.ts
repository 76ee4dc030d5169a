/** Every key there is, for the sheet, the menus and whoever acts on them. Letters act on the selected item. */
export const KEYS = {
  palette: { keys: "Ctrl K", words: "Go to or do anything", where: "Everywhere" },
  find: { keys: "/", words: "The same", where: "Everywhere" },
  bring: { keys: "B", words: "Bring in an address", where: "Everywhere" },
  sheet: { keys: "?", words: "Show all keys", where: "Everywhere" },
  paste: { keys: "Ctrl V", words: "Bring in what was copied", where: "On the Bench" },
  fold: { keys: "S", words: "Fold the supply side away, or back", where: "On the Bench" },
  section: { keys: "N", words: "New section", where: "On the Bench" },
  up: { keys: "↑ ↓", words: "Choose the item above or below", where: "On an item" },
  move: { keys: "Alt ↑ ↓", words: "Move the item up or down", where: "On an item" },
  open: { keys: "Enter", words: "Open the item’s details, or close them", where: "On an item" },
  context: { keys: "C", words: "Write the context line", where: "On an item" },
  heading: { keys: "H", words: "Write a heading for here", where: "On an item" },
  tag: { keys: "T", words: "Tag", where: "On an item" },
  original: { keys: "O", words: "Open the original", where: "On an item" },
  remove: { keys: "Del", words: "Take out", where: "On an item" },
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
