import { sayDone } from "../../../shell/use-undo";
import { call, callInTurn } from "../../../talk/call";
import { newId } from "../../../talk/ids";
import { inPlace } from "../../../talk/in-place";
import type { Ground } from "./ground";
import type { Landing } from "../types";

/** Commands that change where items stand: within the collection, out of it, into another. */
export function movingOn({ now, client, find, headAgain, again, failed, positionsAt, along }: Ground) {
  /** Puts items behind another one, in the order they have now. */
  const move = (ids: readonly string[], landing: Landing) => {
    const moving = now.current.items.filter((item) => ids.includes(item.id)).map((item) => item.id);
    if (!moving.length || (moving.length === 1 && landing.after === moving[0])) return;
    // Behind one that moves itself: behind the last before it that stays.
    const mates = now.current.items.filter((item) => item.section === landing.section);
    let at = mates.findIndex((item) => item.id === landing.after);
    while (at >= 0 && moving.includes(mates[at]!.id)) at--;
    const to = { section: landing.section, after: landing.after === null ? null : (mates[at]?.id ?? null) };
    const positions = positionsAt(to, moving, moving.length);
    now.current.change((items) =>
      items.map((item) => {
        const i = moving.indexOf(item.id);
        return i < 0 ? item : { ...item, section: to.section, position: positions[i]! };
      }),
    );
    // Their final order keys come with the events.
    if (moving.length === 1) callInTurn("placements.move", { placement: moving[0]!, ...to }).catch(failed);
    else
      callInTurn("placements.move-many", { placements: moving, collection: now.current.collection, ...to })
        .then(({ entry }) => sayDone(`Moved ${moving.length} items.`, now.current.team, entry, again))
        .catch(failed);
  };

  /** One step up or down, over the borders of sections. */
  const step = (id: string, by: 1 | -1) => {
    const { items, sections, announce } = now.current;
    const item = find(id);
    if (!item) return;
    const mates = items.filter((other) => other.section === item.section);
    const at = mates.indexOf(item);
    const order = [null, ...sections.map((section) => section.id)];
    const next = order[order.indexOf(item.section) + by];
    let landing: Landing;
    if (by === -1 && at > 0) landing = { section: item.section, after: mates[at - 2]?.id ?? null };
    else if (by === 1 && at < mates.length - 1) landing = { section: item.section, after: mates[at + 1]!.id };
    else if (next !== undefined)
      landing = {
        section: next,
        after: by === -1 ? (items.filter((other) => other.section === next).at(-1)?.id ?? null) : null,
      };
    else return announce(by === -1 ? "It stands first already." : "It stands last already.");
    move([id], landing);
    const others = items.filter((other) => other.section === landing.section && other.id !== id);
    const place = landing.after === null ? 1 : others.findIndex((other) => other.id === landing.after) + 2;
    const name = sections.find((section) => section.id === landing.section)?.title;
    announce(`Moved to place ${place} of ${others.length + 1}${name ? ` in ${name}` : ""}.`);
  };

  const remove = (id: string) => {
    const { items, select, team, marked } = now.current;
    const gone = along(id);
    if (!gone.length) return;
    const ids = gone.map((item) => item.id);
    const rest = items.filter((item) => !ids.includes(item.id));
    const at = items.findIndex((item) => item.id === id);
    const next = items.slice(at).find((item) => !ids.includes(item.id)) ?? rest.at(-1);
    now.current.change((all) => all.filter((item) => !ids.includes(item.id)));
    if (marked.has(id) || next) select(next?.id ?? null);
    call("placements.remove-many", { team, placements: ids })
      .then(({ entry }) => {
        headAgain();
        const [first] = gone;
        const words =
          gone.length === 1
            ? `Taken out: ${first!.heading || first!.resource.title}`
            : `Taken out: ${gone.length} items`;
        sayDone(words, team, entry, () => {
          again();
          now.current.select(first!.id);
          now.current.focusNew(first!.id);
        });
      })
      .catch(failed);
  };

  /**
   * Puts items into another collection, or places them there too.
   * @param words the context line of a single one there; undefined: the same as here
   */
  const send = (
    ids: readonly string[],
    to: { collection: string; title: string; section?: string | null },
    copy = false,
    words?: string,
  ) => {
    const { team, collection, items } = now.current;
    const going = items.filter((item) => ids.includes(item.id));
    if (!going.length) return;
    if (to.collection === collection && !copy) {
      const last = items.filter((item) => item.section === (to.section ?? null)).at(-1);
      return move(ids, { section: to.section ?? null, after: last?.id ?? null });
    }
    const count = going.length === 1 ? "1 item" : `${going.length} items`;
    const placements = going.map((item) => item.id);
    const spot = { collection: to.collection, ...(to.section !== undefined && { section: to.section }) };
    if (!copy) now.current.change((all) => all.filter((item) => !placements.includes(item.id)));
    const made = placements.map(newId);
    const [one] = going;
    const done = !copy
      ? call("placements.move-many", { placements, ...spot })
      : words === undefined
        ? call("placements.copy-many", { placements, ...spot, ids: made })
        : call("placements.add", {
            ...{ ...spot, resource: one!.resource.id, placement: made[0]! },
            ...{ heading: one!.heading, context: words },
          });
    done
      .then(({ entry }) => {
        headAgain();
        if (to.collection === collection) again();
        void client.invalidateQueries({ queryKey: ["tree", team] });
        sayDone(`${copy ? "Placed" : "Moved"} ${count} in ${to.title}.`, team, entry, again, {
          words: "Go there",
          go: () =>
            now.current.go(inPlace({ collection: to.collection, placement: (copy ? made : placements)[0]! })),
        });
      })
      .catch(failed);
  };

  /** Moves here what was cut elsewhere. */
  const moveHere = (placements: string[], landing: Landing) => {
    const { team, collection } = now.current;
    call("placements.move-many", { placements, collection, ...landing })
      .then(({ moved, entry }) => {
        again();
        sayDone(`Moved ${moved === 1 ? "1 item" : `${moved} items`} here.`, team, entry, again);
      })
      .catch(failed);
  };

  return { move, step, remove, send, moveHere };
}
