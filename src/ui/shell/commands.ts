/** Every key there is, for the menus and whoever acts on them; what each does is said in explained-keys.ts. */
export const KEYS = {
  palette: "Ctrl K",
  find: "/",
  bring: "B",
  sheet: "?",
  paste: "Ctrl V",
  undo: "Ctrl Z",
  redo: "Ctrl Shift Z",
  fold: "S",
  jump: "J",
  section: "N",
  text: "W",
  narrow: "F",
  go: "G",
  views: "1 … 5",
  own: "0",
  all: "Ctrl A",
  invert: "I",
  up: "↑ ↓",
  range: "Shift ↑ ↓",
  choose: "X",
  lift: "Space",
  move: "Alt ↑ ↓",
  moveTo: "M",
  copyTo: "Shift M",
  cut: "Ctrl C, X",
  kind: "K",
  open: "Enter",
  context: "C",
  heading: "H",
  tag: "T",
  original: "O",
  remove: "Del",
  rename: "F2",
  inside: "N",
  duplicate: "D",
  putAway: "E",
  stepTree: "Alt ↑ ↓ ← →",
  cells: "← → ↑ ↓",
  cell: "Enter, F2",
  place: "→",
  away: "E",
} as const;

/** Whether a key press is meant for what is being typed in. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}
