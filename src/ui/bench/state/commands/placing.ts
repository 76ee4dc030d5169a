import { toast } from "../../../talk/toast";
import { readAddress } from "@/core/address/read-address";
import type { Answer } from "@/services/registry";
import { holdLetters } from "../../../shell/hold-letters";
import { sayDone } from "../../../shell/use-undo";
import { call, Refusal } from "../../../talk/call";
import { deliver } from "../../../talk/deliver";
import { newId } from "../../../talk/ids";
import { sayFailure } from "../../../talk/say-failure";
import { focusItem } from "../use-item-keys";
import type { Ground } from "./ground";
import type { Item, Landing, Supplied } from "../types";

/** Commands that bring something to where it will stand: from the supply, from the clipboard, from an address. */
export function placingOn({ now, client, headAgain, again, failed, positionsAt }: Ground) {
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
        forReaders: true,
        givesCopy: false,
        clipFrom: null,
        clipTo: null,
        askedOf: null,
        askedName: null,
        askedUntil: null,
        credit: null,
        shownLive: null,
        addedAt,
        resource,
        pending,
      },
    ]);
    now.current.select(id);
    now.current.focusNew(id);
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
      const input = { team, address, collection, placement: id, ...(apart && { apart }), ...landing };
      const answer = await deliver("capture.address", input, `placement:${id}`, address);
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

  /** Shows what was made. It may be here already: the event of it can come before its answer. */
  const put = (item: Item) => {
    now.current.change((all) => [...all.filter((other) => other.id !== item.id), item]);
    now.current.select(item.id);
  };

  /** Keeps a text as a note. */
  const note = (text: string, landing: Landing = spot()) => {
    const { team, collection } = now.current;
    const id = newId();
    deliver("capture.note", { team, text, collection, placement: id, ...landing }, `placement:${id}`, text)
      .then(({ item }) => {
        if (!item) return;
        put(item);
        headAgain();
      })
      .catch(failed);
  };

  /** Opens a text between the items to be written; it is kept once it has words. */
  const writeText = () => {
    const id = newId();
    const landing = spot();
    const [position] = positionsAt(landing, [], 1);
    const addedAt = new Date().toISOString();
    const resource: Supplied = {
      ...provisional("https://none.example/", ""),
      kind: "note",
      fetchState: "done",
      address: "",
      title: "",
    };
    const words = {
      heading: "",
      context: "",
      look: "text" as const,
      forReaders: true,
      givesCopy: false,
      clipFrom: null,
      clipTo: null,
      askedOf: null,
      askedName: null,
      askedUntil: null,
      credit: null,
      shownLive: null,
    };
    now.current.change((all) => [
      ...all,
      { id, section: landing.section, position: position!, addedAt, resource, draft: landing, ...words },
    ]);
    now.current.select(id);
    holdLetters();
    now.current.toggle(id);
  };

  /** What was pasted: one address. */
  const paste = (text: string) =>
    void capture(text).catch((error) => {
      if (error instanceof Refusal && error.fields.address)
        toast.error(`${error.fields.address} You pasted “${text.trim().slice(0, 60)}”.`);
      else sayFailure(error);
    });

  /** Takes items that others have made public, with their words and from where they are. */
  const takeLent = (
    from: string,
    what: { items: string[]; instead?: string } | { part: string; count: number },
    to?: Landing,
  ) => {
    const count = "items" in what ? what.items.length : what.count;
    const landing = "items" in what ? (to ?? spot()) : {};
    const ids = Array.from({ length: count }, newId);
    const { collection } = now.current;
    const wanted = "items" in what ? what : { part: what.part };
    call("shelves.take", { collection, from, ...wanted, ...landing, ids })
      .then(({ items, entry }) => {
        arrived(ids, items, entry);
        // What was pressed is gone with what was shown: whoever pressed it goes on from what came.
        if ("instead" in wanted) requestAnimationFrame(() => focusItem(ids.at(-1)!));
      })
      .catch(failed);
  };

  /** Shows a public collection here as it stands there. */
  const showLent = (shown: string) => {
    const placement = newId();
    const { collection } = now.current;
    call("shelves.show", { collection, shown, ...spot(), placement })
      .then(({ items, entry }) => arrived([placement], items, entry))
      .catch(failed);
  };

  /** Shows several that have come, and says so. */
  const arrived = (ids: string[], items: Item[], entry: string | null) => {
    const { team, announce } = now.current;
    const came = new Set([...ids, ...items.map((item) => item.id)]);
    now.current.change((all) => [...all.filter((item) => !came.has(item.id)), ...items]);
    // What is placed next goes behind these.
    if (ids.length) now.current.select(ids.at(-1)!, "keep");
    headAgain();
    void client.invalidateQueries({ queryKey: ["tray", team] });
    void client.invalidateQueries({ queryKey: ["near", now.current.collection] });
    announce(`Placed ${ids.length}.`);
    sayDone(ids.length === 1 ? "Placed 1 item." : `Placed ${ids.length} items.`, team, entry, again);
  };

  /** Places several resources, or several items of other collections with their words. */
  const placeMany = (what: { resources?: string[]; placements?: string[] }, landing: Landing = spot()) => {
    const { collection } = now.current;
    const count = (what.resources ?? what.placements ?? []).length;
    const ids = Array.from({ length: count }, newId);
    call("placements.copy-many", { ...what, collection, ...landing, ids })
      .then(({ items, entry }) => arrived(ids, items, entry))
      .catch(failed);
  };

  return { spot, place, placeMany, takeLent, showLent, capture, paste, note, writeText };
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
    licence: "",
    authors: [],
    published: null,
    minutes: null,
    pages: null,
    picture: null,
    player: null,
    file: null,
    duplicateOf: null,
    fetchState: "waiting",
    fetchProblem: null,
    usedAt: null,
    createdAt: new Date().toISOString(),
    tags: [],
  };
}
