export type Named = { readonly id: string };

/**
 * Remembers what was changed here, because it shows at once and is sent behind: an answer that was put together before
 * a change arrived would take it back.
 */
export function ownChanges<I extends Named>() {
  const at = new Map<string, number>();
  let count = 0;
  /** All changes up to here had been answered when nothing was under way. */
  let answered = 0;
  return {
    /** Notes what differs between two states of the list: what was changed, added or taken out. */
    note(before: readonly I[], after: readonly I[]): void {
      count++;
      const same = new Set(before);
      for (const item of after) if (!same.has(item)) at.set(item.id, count);
      const left = new Set(after.map((item) => item.id));
      for (const { id } of before) if (!left.has(id)) at.set(id, count);
    },
    /**
     * To be called when something is asked for.
     * @param underWay whether anything done here has not been answered yet
     * @returns whether an item was, by the time this is called, changed here in a way the answer may not know of
     */
    asking(underWay: boolean): (id: string) => boolean {
      if (!underWay) answered = count;
      const known = answered;
      return (id) => (at.get(id) ?? 0) > known;
    },
  };
}

/**
 * The list after an answer was heard: what it says takes the place of what is here, but for what was changed later.
 * @param asked ids the answer would have if they were still there; all of the list when it was read as a whole
 * @param isLater whether an item was changed here in a way the answer may not know of
 */
export function hear<I extends Named>(
  here: readonly I[],
  heard: readonly I[],
  asked: readonly string[] | "all",
  isLater: (id: string) => boolean,
): I[] {
  const told = new Map(heard.filter((item) => !isLater(item.id)).map((item) => [item.id, item]));
  const gone = asked === "all" ? null : new Set(asked);
  const list: I[] = [];
  for (const item of here) {
    const newer = told.get(item.id);
    told.delete(item.id);
    if (newer) list.push(newer);
    else if (isLater(item.id) || (gone !== null && !gone.has(item.id))) list.push(item);
  }
  return [...list, ...told.values()];
}
