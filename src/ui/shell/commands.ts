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
  jump: "V",
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
  choose: "Space",
  lift: "L",
  move: "Alt ↑ ↓",
  moveTo: "M",
  copyTo: "Shift M",
  cut: "Ctrl C, X",
  kind: "K",
  open: "Enter",
  context: "C",
  heading: "H",
  tag: "T",
  talk: "R",
  original: "O",
  remove: "Del",
  rename: "F2",
  inside: "N",
  duplicate: "D",
  putAway: "P",
  stepTree: "Alt ↑ ↓ ← →",
  cells: "← → ↑ ↓",
  cell: "Enter, F2",
  place: "→",
  away: "← P",
  use: "U",
  oneByOne: "W",
  mark: "M",
  onward: "N",
  mean: "1 … 9",
  sentence: ". ,",
  note: "↑ ↓",
  judge: "1 … 5",
  reason: "A … Z",
  cannotSay: "0",
  why: "W",
  nextThing: "N",
  wall: "W",
  extension: "Alt Shift B",
  atOnce: "Alt Shift K",
  pageMarks: "Alt Shift M",
} as const;

/** Whether a key press is meant for what is being typed in. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

/** The last letter that went into a field, and which. */
let letter: { at: number; field: Element } | null = null;
/** So long after a letter the next one is still meant for the same field, in milliseconds. */
const FLOW = 1_000;
if (typeof window !== "undefined") {
  window.addEventListener(
    "keydown",
    (event) => {
      if (!(event.target instanceof Element) || !isTyping(event.target)) return;
      if (isLetter(event)) letter = { at: event.timeStamp, field: event.target };
      // Whoever leaves the field by a key means the page with the next one.
      else if (!MODIFIERS.has(event.key)) letter = null;
    },
    true,
  );
  window.addEventListener("pointerdown", () => (letter = null), true);
}
const MODIFIERS = new Set(["Shift", "Control", "Alt", "AltGraph", "Meta", "CapsLock"]);

const isLetter = (event: KeyboardEvent) =>
  event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;

/**
 * Whether a key is meant for a field: the one that has the focus, or one that has just gone from under the hands of who
 * writes in it, because somebody else took out what it belonged to.
 */
export function isForField(event: KeyboardEvent): boolean {
  if (isTyping(event.target)) return true;
  if (!letter || letter.field.isConnected || event.target !== document.body) return false;
  if (!isLetter(event) || event.timeStamp - letter.at > FLOW) return false;
  letter.at = event.timeStamp;
  return true;
}
