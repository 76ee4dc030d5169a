import type { KEYS } from "./commands";

/** What every key does and where, for the sheet that shows them all. Letters act on the selected item. */
export const EXPLAINED: Record<keyof typeof KEYS, { words: string; where: string }> = {
  palette: { words: "Go to or do anything", where: "Everywhere" },
  find: { words: "Find anything", where: "Everywhere" },
  bring: { words: "Bring in an address", where: "Everywhere" },
  sheet: { words: "Show all keys", where: "Everywhere" },
  paste: { words: "Bring in what was copied", where: "Everywhere" },
  undo: { words: "Undo what you did last", where: "Everywhere" },
  redo: { words: "Do it again", where: "Everywhere" },
  fold: { words: "Fold the sources away, or back", where: "On the Bench" },
  jump: { words: "Over to the other side: sources or collection", where: "On the Bench" },
  section: { words: "New section", where: "On the Bench" },
  text: { words: "Write text between the items", where: "On the Bench" },
  narrow: { words: "Narrow the open collection", where: "On the Bench" },
  go: { words: "Go to another collection by the path", where: "On the Bench" },
  views: { words: "Rows, Cards, Board, Table, Steps", where: "On the Bench" },
  own: { words: "Back to its own order", where: "On the Bench" },
  all: { words: "Choose all", where: "On the Bench" },
  invert: { words: "Choose the others instead", where: "On the Bench" },
  up: { words: "Choose the item above or below", where: "On an item" },
  range: { words: "Choose several in a row", where: "On an item" },
  choose: { words: "Choose it with the others, or no more", where: "On an item" },
  lift: { words: "Pick up; arrows, then L drops, Escape puts back", where: "On an item" },
  move: { words: "Move one step up or down", where: "On an item" },
  moveTo: { words: "Move to another collection or section", where: "On an item" },
  copyTo: { words: "Place in another collection too", where: "On an item" },
  cut: { words: "Copy or cut, to paste elsewhere", where: "On an item" },
  kind: { words: "Say what kind it is", where: "On an item" },
  open: { words: "Open the item’s details, or close them", where: "On an item" },
  context: { words: "Write the context line", where: "On an item" },
  heading: { words: "Write a heading for here", where: "On an item" },
  tag: { words: "Tag", where: "On an item" },
  talk: { words: "Say something about it; what was said", where: "On an item" },
  original: { words: "Open the original", where: "On an item" },
  remove: { words: "Take out", where: "On an item" },
  rename: { words: "Rename", where: "In the tree of collections" },
  inside: { words: "New collection in this one", where: "In the tree of collections" },
  duplicate: { words: "Duplicate it", where: "In the tree of collections" },
  putAway: { words: "Put away, or out again", where: "In the tree of collections" },
  stepTree: { words: "Move up, down, out, in", where: "In the tree of collections" },
  cells: { words: "From cell to cell", where: "In the Table and the Catalogue" },
  cell: { words: "Edit the cell; Escape leaves it as it was", where: "In the Table and the Catalogue" },
  place: { words: "Place in the collection", where: "On something in the sources" },
  away: { words: "Put away, in the Tray", where: "On something in the sources" },
  mark: {
    words: "Mark what is selected, the second that plays, a part of a picture; without these, to the margin",
    where: "In the reading room",
  },
  onward: { words: "On to the next text of the collection, or of a set", where: "In the reading room" },
  mean: { words: "Mark it with a meaning of the team", where: "In the reading room" },
  sentence: {
    words: "Select the next sentence, or the one before; with Shift together",
    where: "In the reading room",
  },
  note: { words: "From note to note; Enter writes in it", where: "In the reading room" },
  use: { words: "Still to use: for what", where: "On something in the sources" },
  oneByOne: { words: "What waits one by one, large", where: "In the Tray" },
  judge: { words: "Answer with a step of the scale, and on to the next question", where: "In a round" },
  reason: { words: "Say for which reason it is out", where: "In a screening" },
  cannotSay: { words: "Say that you cannot tell", where: "In a round" },
  why: { words: "Write why", where: "In a round" },
  nextThing: { words: "On to the next thing", where: "In a round" },
  wall: { words: "Code and QR over the whole screen", where: "On Publish" },
  extension: { words: "Save with tags, a note and a place", where: "On any page, with the extension" },
  atOnce: { words: "Save to the last place at once", where: "On any page, with the extension" },
  pageMarks: {
    words: "Its marks on the page itself; mark what is selected",
    where: "On any page, with the extension",
  },
};

/** Where a group of keys acts; one that is not here acts on every screen. */
const AT: Record<string, RegExp> = {
  "On the Bench": /^\/bench\//,
  "On an item": /^\/bench\/|\/catalogue$/,
  "On something in the sources": /^\/bench\/|\/tray$/,
  "In the Tray": /\/tray$/,
  "In the reading room": /^\/read\//,
  "In a round": /\/appraisal\/[^/]+$/,
  "On Publish": /^\/publish\//,
  "In the tree of collections": /\/collections$/,
  "In the Table and the Catalogue": /^\/bench\/|\/catalogue$/,
};
/** Of the keys on an item and on the Bench, those that act in the Catalogue too, where nothing has a place. */
const IN_CATALOGUE = new Set<string>([
  ...["all", "invert", "up", "range", "choose", "open", "kind", "copyTo", "tag", "original", "remove"],
  ...["cells", "cell"],
]);

type Name = keyof typeof KEYS;

/**
 * The keys that act on a screen, and all others.
 * @param path of the screen
 */
export function keysAt(path: string): { here: Name[]; elsewhere: Name[] } {
  const names = Object.keys(EXPLAINED) as Name[];
  const acts = (name: Name) => {
    const at = AT[EXPLAINED[name].where];
    if (!at) return EXPLAINED[name].where === "Everywhere";
    if (path.endsWith("/catalogue")) return IN_CATALOGUE.has(name);
    return at.test(path);
  };
  return { here: names.filter(acts), elsewhere: names.filter((name) => !acts(name)) };
}
