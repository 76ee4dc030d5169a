"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef } from "react";
import { toast } from "sonner";
import { readAddress } from "@/core/address/read-address";
import { placeManyAfter } from "@/core/order/place";
import type { Kind } from "@/core/page/facts";
import { tagChanges, tagKey } from "@/core/tags/tag-name";
import type { Answer } from "@/services/registry";
import { call, callInTurn, Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import { KIND_WORDS } from "../parts/kind";
import { sayDone } from "../shell/use-undo";
import type { Asking, BenchDeeds, DetailField, Mending } from "./bench-context";
import type { Landing } from "./views/view-props";
import type { How } from "./use-selection";
import type { Supplied } from "./supply-row";
import type { Item, Section } from "./use-items";

type State = {
  team: string;
  collection: string;
  items: Item[];
  sections: Section[];
  selected: string | null;
  marked: ReadonlySet<string>;
  change: (how: (items: Item[]) => Item[]) => void;
  renew: (placements: string[], resources: string[]) => Promise<void>;
  anew: () => void;
  select: (id: string | null, how?: How) => void;
  ask: (asking: Asking) => void;
  toggle: (id: string, focus?: DetailField) => void;
  announce: (words: string) => void;
};

/** What can be done with the items of the open collection. Everything shows at once and is sent behind it. */
export function useDeeds(state: State) {
  const client = useQueryClient();
  const now = useRef(state);
  // eslint-disable-next-line react-hooks/refs -- the deeds below always act on the newest state and never change themselves
  now.current = state;

  return useMemo(() => {
    const find = (id: string) => now.current.items.find((item) => item.id === id);
    const change = (id: string, how: (item: Item) => Item) =>
      now.current.change((items) => items.map((item) => (item.id === id ? how(item) : item)));
    const headAgain = () =>
      void client.invalidateQueries({ queryKey: ["collection", now.current.collection] });
    /** Reads again what was taken back. */
    const again = () => {
      now.current.anew();
      headAgain();
    };
    const failed = (error: unknown) => {
      sayFailure(error);
      now.current.anew();
    };

    /** The order keys for a landing, as the server will most likely give them. */
    const positionsAt = (landing: Landing, without: readonly string[], count: number) => {
      const others = now.current.items.filter(
        (item) => item.section === landing.section && !without.includes(item.id),
      );
      return placeManyAfter(others, landing.after, count).positions;
    };

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
          .then(({ deed }) => sayDone(`Moved ${moving.length} items.`, now.current.team, deed, again))
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
      else if (by === 1 && at < mates.length - 1)
        landing = { section: item.section, after: mates[at + 1]!.id };
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

    /** This item, or all that are chosen with it. */
    const along = (id: string): Item[] => {
      const { items, marked } = now.current;
      return items.filter((item) => (marked.has(id) ? marked.has(item.id) : item.id === id));
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
        .then(({ deed }) => {
          headAgain();
          const [first] = gone;
          const words =
            gone.length === 1
              ? `Taken out: ${first!.heading || first!.resource.title}`
              : `Taken out: ${gone.length} items`;
          sayDone(words, team, deed, again);
        })
        .catch(failed);
    };

    /** Puts items into another collection, or places them there too. */
    const send = (
      ids: readonly string[],
      to: { collection: string; title: string; section?: string | null },
      copy = false,
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
      const done = copy
        ? call("placements.copy-many", { placements, ...spot, ids: placements.map(newId) })
        : call("placements.move-many", { placements, ...spot });
      done
        .then(({ deed }) => {
          headAgain();
          if (to.collection === collection) again();
          void client.invalidateQueries({ queryKey: ["tree", team] });
          sayDone(`${copy ? "Placed" : "Moved"} ${count} in ${to.title}.`, team, deed, again);
        })
        .catch(failed);
    };

    /** Places several resources, or several items of other collections with their words. */
    const placeMany = (what: { resources?: string[]; placements?: string[] }, landing: Landing = spot()) => {
      const { team, collection, announce } = now.current;
      const count = (what.resources ?? what.placements ?? []).length;
      const ids = Array.from({ length: count }, newId);
      call("placements.copy-many", { ...what, collection, ...landing, ids })
        .then(({ items, deed }) => {
          now.current.change((all) => [...all.filter((item) => !ids.includes(item.id)), ...items]);
          headAgain();
          void client.invalidateQueries({ queryKey: ["tray", team] });
          announce(`Placed ${count}.`);
          sayDone(count === 1 ? "Placed 1 item." : `Placed ${count} items.`, team, deed, again);
        })
        .catch(failed);
    };

    /** Moves here what was cut elsewhere. */
    const moveHere = (placements: string[], landing: Landing = spot()) => {
      const { team, collection } = now.current;
      call("placements.move-many", { placements, collection, ...landing })
        .then(({ moved, deed }) => {
          again();
          sayDone(`Moved ${moved === 1 ? "1 item" : `${moved} items`} here.`, team, deed, again);
        })
        .catch(failed);
    };

    const resourcesOf = (ids: readonly string[]) => [
      ...new Set(now.current.items.filter((item) => ids.includes(item.id)).map((item) => item.resource.id)),
    ];
    const changeResources = (ids: readonly string[], how: (card: Item["resource"]) => Item["resource"]) =>
      now.current.change((all) =>
        all.map((item) =>
          ids.includes(item.resource.id) ? { ...item, resource: how(item.resource) } : item,
        ),
      );

    const tag = async (ids: readonly string[], add: string[], remove: string[]) => {
      const { team } = now.current;
      const resources = resourcesOf(ids);
      const off = new Set(remove.map(tagKey));
      changeResources(resources, (card) => ({
        ...card,
        tags: [
          ...card.tags.filter((name) => !off.has(tagKey(name))),
          ...add.filter((name) => !card.tags.some((one) => tagKey(one) === tagKey(name))),
        ],
      }));
      const { deed } = await call("tags.change", { team, resources, add, remove });
      void client.invalidateQueries({ queryKey: ["tags", team] });
      if (ids.length > 1)
        sayDone(
          `${add.length ? "Tagged" : "Took tags off"} ${ids.length} items.`,
          team,
          deed,
          () => void now.current.renew([], resources),
        );
    };

    const setKind = (ids: readonly string[], kind: Kind) => {
      const { team } = now.current;
      const resources = resourcesOf(ids);
      changeResources(resources, (card) => ({ ...card, kind }));
      call("resources.set-kind", { team, resources, kind })
        .then(({ deed }) =>
          sayDone(
            ids.length === 1 ? `Now a ${KIND_WORDS[kind].toLowerCase()}.` : `Changed ${ids.length} items.`,
            team,
            deed,
            () => void now.current.renew([], resources),
          ),
        )
        .catch(failed);
    };

    const mend = async (item: Item, fields: Mending) => {
      const { resource } = await call("resources.edit", { resource: item.resource.id, ...fields });
      changeResources([resource.id], () => resource);
    };

    /** Where something new goes: behind the chosen item, else at the end. */
    const spot = (): Landing => {
      const { items, sections, selected } = now.current;
      const chosen = items.find((item) => item.id === selected);
      if (chosen) return { section: chosen.section, after: chosen.id };
      const section = sections.at(-1)?.id ?? null;
      return { section, after: items.filter((item) => item.section === section).at(-1)?.id ?? null };
    };

    const show = (id: string, landing: Landing, resource: Supplied, pending: boolean) => {
      const [position] = positionsAt(landing, [], 1);
      const addedAt = new Date().toISOString();
      now.current.change((all) => [
        ...all,
        {
          id,
          section: landing.section,
          position: position!,
          heading: "",
          context: "",
          look: "item",
          addedAt,
          resource,
          pending,
        },
      ]);
      now.current.select(id);
    };

    const settle = (id: string, item: Item | undefined) => {
      now.current.change((all) => all.flatMap((other) => (other.id === id ? (item ?? []) : other)));
      headAgain();
      void client.invalidateQueries({ queryKey: ["tray", now.current.team] });
    };

    /** Places a resource of the catalogue. */
    const place = (resource: Supplied, landing: Landing = spot()) => {
      const id = newId();
      show(id, landing, resource, false);
      now.current.announce(`Placed: ${resource.title}`);
      call("placements.add", {
        collection: now.current.collection,
        resource: resource.id,
        placement: id,
        ...landing,
      })
        .then(({ item }) => settle(id, item))
        .catch((error) => {
          settle(id, undefined);
          failed(error);
        });
    };

    /** Brings in an address, which stands there before the server has answered. */
    const capture = async (address: string, landing: Landing = spot(), apart = false) => {
      const read = readAddress(address);
      const id = newId();
      if (read.ok) show(id, landing, provisional(read.address, read.host), true);
      const { team, collection } = now.current;
      try {
        const answer = await call("capture.address", {
          team,
          address,
          collection,
          placement: id,
          ...(apart && { apart }),
          ...landing,
        });
        settle(id, answer.item);
        if (answer.already) offerPlacing(answer, landing);
      } catch (error) {
        settle(id, undefined);
        throw error;
      }
    };

    const offerPlacing = ({ resource, places }: Answer<"capture.address">, landing: Landing) => {
      const where = places
        .map((one) => one.title)
        .slice(0, 3)
        .join(", ");
      toast(`You have this already: ${resource.title}`, {
        description: where
          ? `It stands in ${where}${places.length > 3 ? " and others" : ""}.`
          : "It is in the catalogue, in no collection.",
        duration: 15_000,
        action: { label: "Place it here", onClick: () => place(resource, landing) },
        cancel: {
          label: "Keep it apart",
          onClick: () => void capture(resource.address, landing, true).catch(sayFailure),
        },
      });
    };

    /** Keeps a text as a note. */
    const note = (text: string, landing: Landing = spot()) => {
      const { team, collection } = now.current;
      call("capture.note", { team, text, collection, placement: newId(), ...landing })
        .then(
          ({ item }) =>
            item && (now.current.change((all) => [...all, item]), now.current.select(item.id), headAgain()),
        )
        .catch(failed);
    };

    /** What was pasted: one address. */
    const paste = (text: string) =>
      void capture(text).catch((error) => {
        if (error instanceof Refusal && error.fields.address)
          toast.error(`${error.fields.address} You pasted “${text.trim().slice(0, 60)}”.`);
        else sayFailure(error);
      });

    const deeds: BenchDeeds = {
      select: (id, how) => now.current.select(id, how),
      ask: (what, id) => now.current.ask({ what, ids: along(id).map((item) => item.id) }),
      toggle: (id, focus) => now.current.toggle(id, focus),
      mend,
      retag: (item, tags) => {
        const { add, remove } = tagChanges(item.resource.tags, tags);
        return add.length || remove.length ? tag([item.id], add, remove) : Promise.resolve();
      },
      tag,
      setKind,
      setLook: (id, look) => {
        change(id, (old) => ({ ...old, look }));
        call("placements.edit", { placement: id, look }).then(headAgain).catch(failed);
      },
      change,
      edit: async (id, fields) => {
        change(id, (old) => ({ ...old, ...fields }));
        await call("placements.edit", { placement: id, ...fields });
      },
      remove,
      step,
      fetchAgain: (resource) => {
        now.current.change((all) =>
          all.map((item) =>
            item.resource.id === resource
              ? {
                  ...item,
                  resource: { ...item.resource, fetchState: "waiting" as const, fetchProblem: null },
                }
              : item,
          ),
        );
        call("resources.fetch-again", { resource }).catch(failed);
      },
    };
    return { deeds, along, move, send, place, placeMany, moveHere, capture, paste, note };
  }, [client]);
}

/** How a resource looks before the server has said anything. */
function provisional(address: string, host: string): Supplied {
  const path = new URL(address).pathname;
  return {
    id: newId(),
    kind: "page",
    address,
    host,
    title: host + (path === "/" ? "" : path),
    description: "",
    siteName: "",
    authors: [],
    published: null,
    minutes: null,
    pages: null,
    picture: null,
    player: null,
    file: null,
    twinOf: null,
    fetchState: "waiting",
    fetchProblem: null,
    usedAt: null,
    createdAt: new Date().toISOString(),
    tags: [],
  };
}
