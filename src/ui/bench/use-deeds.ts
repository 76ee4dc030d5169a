"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef } from "react";
import { toast } from "sonner";
import { readAddress } from "@/core/address/read-address";
import { placeAfter } from "@/core/order/place";
import type { Answer } from "@/services/registry";
import { call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import type { BenchDeeds, DetailField } from "./bench-context";
import type { Landing } from "./making-list";
import type { Supplied } from "./supply-row";
import type { Item, Section } from "./use-items";

type State = {
  team: string;
  collection: string;
  items: Item[];
  sections: Section[];
  selected: string | null;
  change: (how: (items: Item[]) => Item[]) => void;
  anew: () => void;
  select: (id: string | null) => void;
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
    const failed = (error: unknown) => {
      sayFailure(error);
      now.current.anew();
    };

    /** The order key for a landing, as the server will most likely give it. */
    const positionAt = (landing: Landing, without: string | null) => {
      const others = now.current.items.filter(
        (item) => item.section === landing.section && item.id !== without,
      );
      return placeAfter(others, landing.after).position;
    };

    const move = (id: string, landing: Landing) => {
      const item = find(id);
      if (!item || landing.after === id) return;
      const position = positionAt(landing, id);
      change(id, (old) => ({ ...old, section: landing.section, position }));
      // Its final order key comes with the event.
      call("placements.move", { placement: id, section: landing.section, after: landing.after }).catch(
        failed,
      );
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
      move(id, landing);
      const others = items.filter((other) => other.section === landing.section && other.id !== id);
      const place = landing.after === null ? 1 : others.findIndex((other) => other.id === landing.after) + 2;
      const name = sections.find((section) => section.id === landing.section)?.title;
      announce(`Moved to place ${place} of ${others.length + 1}${name ? ` in ${name}` : ""}.`);
    };

    const remove = (id: string) => {
      const { items, select } = now.current;
      const at = items.findIndex((item) => item.id === id);
      const item = items[at];
      if (!item) return;
      now.current.change((all) => all.filter((other) => other.id !== id));
      select(items[at + 1]?.id ?? items[at - 1]?.id ?? null);
      call("placements.remove", { placement: id }).then(headAgain).catch(failed);
      toast(`Taken out: ${item.heading || item.resource.title}`, {
        action: {
          label: "Undo",
          onClick: () => {
            now.current.change((all) => [...all.filter((other) => other.id !== id), item]);
            select(id);
            call("bin.restore-placement", { placement: id }).then(headAgain).catch(failed);
          },
        },
      });
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
      const position = positionAt(landing, null);
      const addedAt = new Date().toISOString();
      now.current.change((all) => [
        ...all,
        { id, section: landing.section, position, heading: "", context: "", addedAt, resource, pending },
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
      select: (id) => now.current.select(id),
      toggle: (id, focus) => now.current.toggle(id, focus),
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
    return { deeds, move, place, capture, paste, note };
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
    createdAt: new Date().toISOString(),
    tags: [],
  };
}
