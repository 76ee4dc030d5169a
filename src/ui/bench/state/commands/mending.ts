import type { Kind } from "@/core/page/facts";
import { tagChanges, tagKey } from "@/core/tags/tag-name";
import { KIND_WORDS } from "@/core/look/kind-words";
import { sayDone } from "../../../shell/use-undo";
import { call } from "../../../talk/call";
import { deliver } from "../../../talk/deliver";
import { saveResourceText, saveWords } from "../../../talk/save-words";
import type { BenchCommands } from "../bench-context";
import { focusItem } from "../use-item-keys";
import type { Ground } from "./ground";
import type { Item, Mending } from "../types";

/** Commands that change the words of items and of their resources: tags, kind, fields, heading and context. */
export function mendingOn({ now, client, change, headAgain, failed }: Ground) {
  const resourcesOf = (ids: readonly string[]) => [
    ...new Set(now.current.items.filter((item) => ids.includes(item.id)).map((item) => item.resource.id)),
  ];
  const changeResources = (ids: readonly string[], how: (card: Item["resource"]) => Item["resource"]) =>
    now.current.change((all) =>
      all.map((item) => (ids.includes(item.resource.id) ? { ...item, resource: how(item.resource) } : item)),
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
    const { entry } = await call("tags.change", { team, resources, add, remove });
    void client.invalidateQueries({ queryKey: ["tags", team] });
    if (ids.length > 1)
      sayDone(
        `${add.length ? "Tagged" : "Took tags off"} ${ids.length} items.`,
        team,
        entry,
        () => void now.current.renew([], resources),
      );
  };

  const setKind = (ids: readonly string[], kind: Kind) => {
    const { team } = now.current;
    const resources = resourcesOf(ids);
    changeResources(resources, (card) => ({ ...card, kind }));
    call("resources.set-kind", { team, resources, kind })
      .then(({ entry }) =>
        sayDone(
          ids.length === 1 ? `Now a ${KIND_WORDS[kind].toLowerCase()}.` : `Changed ${ids.length} items.`,
          team,
          entry,
          () => void now.current.renew([], resources),
        ),
      )
      .catch(failed);
  };

  const mend = async (item: Item, field: Mending, text: string, base: string[]) => {
    const { resource, words } = await saveResourceText(item.resource.id, field, text, base);
    changeResources([resource.id], () => resource);
    return words;
  };

  /** Drafts whose first words are on their way. */
  const keeping = new Map<string, Promise<Item | undefined>>();
  const keepText: BenchCommands["keepText"] = async (item, text, base) => {
    if (!item.draft || !text.trim()) return;
    const { team, collection } = now.current;
    const first = keeping.get(item.id);
    if (first) {
      const made = await first;
      return made && mend(made, "description", text, base);
    }
    change(item.id, (old) => ({ ...old, resource: { ...old.resource, description: text } }));
    const what = { team, collection, text, look: "text" as const, placement: item.id, ...item.draft };
    const made = deliver("capture.note", what, `placement:${item.id}`, text).then(({ item: kept }) => {
      if (kept) change(item.id, () => kept);
      headAgain();
      return kept;
    });
    keeping.set(item.id, made);
    return made.catch((error: unknown) => {
      keeping.delete(item.id);
      throw error;
    });
  };
  const dropText = (id: string) => {
    const behind = now.current.items.find((item) => item.id === id)?.draft?.after;
    if (keeping.has(id) || behind === undefined) return;
    // Whoever was in it is where they came from; whoever pressed something else is there.
    const active = document.activeElement;
    const wasIn = active === document.body || !!active?.closest(`[data-item="${id}"]`);
    now.current.change((all) => all.filter((item) => item.id !== id));
    if (!wasIn || !behind) return;
    now.current.select(behind);
    focusItem(behind);
  };

  const retag: BenchCommands["retag"] = (item, tags) => {
    const { add, remove } = tagChanges(item.resource.tags, tags);
    return add.length || remove.length ? tag([item.id], add, remove) : Promise.resolve();
  };
  const setLook = (id: string, look: Item["look"]) => {
    change(id, (old) => ({ ...old, look }));
    call("placements.edit", { placement: id, look }).then(headAgain).catch(failed);
  };
  const setForThem = (id: string, said: { forReaders?: boolean; givesCopy?: boolean }, words: string) => {
    change(id, (old) => ({ ...old, ...said }));
    call("placements.edit", { placement: id, ...said })
      .then(({ entry }) => sayDone(words, now.current.team, entry, () => void now.current.renew([id], [])))
      .catch(failed);
  };
  const setForReaders = (id: string, forReaders: boolean) =>
    setForThem(
      id,
      { forReaders },
      forReaders ? "Readers see it." : "Readers do not see it; it stays where it stands.",
    );
  const giveCopy = (id: string, givesCopy: boolean) =>
    setForThem(
      id,
      { givesCopy },
      givesCopy ? "Readers can read the copy kept here, too." : "Readers are given the original alone.",
    );
  const showTheirs = (id: string, shownLive: boolean) =>
    call("placements.edit", { placement: id, shownLive })
      .then(({ placement, entry }) => {
        change(id, (old) => ({ ...old, shownLive: placement.shownLive }));
        sayDone(
          shownLive ? "Readers see here what stands there." : "Readers are given the link alone.",
          now.current.team,
          entry,
          () => void now.current.renew([id], []),
        );
      })
      .catch(failed);
  const askOf: BenchCommands["askOf"] = (id, { of, name, until }) => {
    const day = of === null ? null : until;
    change(id, (old) => ({ ...old, askedOf: of, askedName: name, askedUntil: day }));
    call("placements.ask", { placement: id, person: of, until: day })
      .then(({ entry }) =>
        sayDone(
          of === null ? "Nobody is asked any more." : `${name} is asked to see to it.`,
          now.current.team,
          entry,
          () => void now.current.renew([id], []),
        ),
      )
      .catch((failure: unknown) => (failed(failure), void now.current.renew([id], [])));
  };
  const seenTo = (id: string) => {
    change(id, (old) => ({ ...old, askedOf: null, askedName: null, askedUntil: null }));
    call("placements.done", { placement: id })
      .then(({ entry }) =>
        sayDone("Seen to.", now.current.team, entry, () => void now.current.renew([id], [])),
      )
      .catch((failure: unknown) => (failed(failure), void now.current.renew([id], [])));
  };
  const edit: BenchCommands["edit"] = async (id, field, text, base) => {
    change(id, (old) => ({ ...old, [field]: text }));
    try {
      const { placement } = await saveWords("placements.edit", id, field, text, base);
      // What others wrote meanwhile stands there too; unless one has written on.
      change(id, (old) => (old[field] === text ? { ...old, [field]: placement[field] } : old));
    } catch (error) {
      // The words are with who wrote them; the list shows what is.
      void now.current.renew([id], []).catch(() => undefined);
      throw error;
    }
  };
  const write = (id: string) => {
    now.current.select(id);
    now.current.write(id);
  };
  const stopWriting = (id: string, back = false) => {
    now.current.written(id);
    if (back) focusItem(id);
  };
  const writeNext = (id: string) => {
    const { items } = now.current;
    const at = items.findIndex((item) => item.id === id);
    const next = items.slice(at + 1).find((item) => item.look === "item");
    if (next) write(next.id);
    else stopWriting(id, true);
  };
  const fetchAgain = (resource: string) => {
    changeResources([resource], (card) => ({ ...card, fetchState: "waiting", fetchProblem: null }));
    call("resources.fetch-again", { resource }).catch(failed);
  };

  return {
    write,
    writeNext,
    stopWriting,
    keepText,
    dropText,
    tag,
    setKind,
    mend,
    retag,
    setLook,
    setForReaders,
    giveCopy,
    showTheirs,
    askOf,
    seenTo,
    edit,
    fetchAgain,
  };
}
