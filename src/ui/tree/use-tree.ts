"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { movedInTree, stepInTree, treeLines, type TreeSpot, type TreeStep } from "@/core/list/tree-moves";
import { sumTree } from "@/core/list/tree-sums";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call, callInTurn } from "../talk/call";
import { saveWords } from "../talk/save-words";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { useTreeFocus } from "./use-tree-focus";

type Tree = Answer<"collections.tree">;

/** The collections of a team as a tree, and what can be done with them. Moves show at once and are sent behind. */
export function useTree(team: string, first: Tree) {
  const router = useRouter();
  const client = useQueryClient();
  const key = useMemo(() => ["tree", team], [team]);
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => ask("collections.tree", { team }),
    initialData: first,
  });
  // While moves are on their way, what is shown is ahead of what the server would answer.
  const moving = useRef(0);
  const again = () => (moving.current ? Promise.resolve() : client.invalidateQueries({ queryKey: key }));
  useUndo(team, () => void again());
  useLive(team, {
    onEvents: (events) => events.some((event) => reloads(event, "tree", "counts")) && void again(),
    onReload: () => void again(),
  });
  const focusing = useTreeFocus();
  const { focus } = focusing;
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [renaming, setRenaming] = useState<string | null>(null);
  const [words, setWords] = useState("");
  const [away, setAway] = useState(false);
  const [inside, setInside] = useState<{ id: string; title: string } | "top" | null>(null);
  const [said, announce] = useState("");

  const shown = data.collections.filter((one) => !one.away);
  const nodes = away ? data.collections : shown;
  const letters = words.trim().toLocaleLowerCase();
  const lines = letters
    ? nodes
        .filter((node) => node.title.toLocaleLowerCase().includes(letters))
        .map((node, i, all) => ({ node, depth: 0, parents: false, place: i + 1, of: all.length }))
    : treeLines(nodes, closed);
  const sums = useMemo(() => sumTree(data.collections), [data.collections]);

  const failed = (error: unknown) => {
    sayFailure(error);
    void again();
  };
  const done = (words: string, entry: string | null) => sayDone(words, team, entry, () => void again());
  const move = (id: string, spot: TreeSpot, words: string) => {
    client.setQueryData<Tree>(
      key,
      (tree) => tree && { collections: movedInTree(tree.collections, id, spot) },
    );
    if (spot.parent) setClosed((old) => new Set([...old].filter((one) => one !== spot.parent)));
    announce(words);
    focus(id);
    moving.current++;
    void client.cancelQueries({ queryKey: key });
    callInTurn("collections.move", { collection: id, ...spot })
      .finally(() => moving.current--)
      .then(() => void again(), failed);
  };
  const commands = {
    open: (id: string) => router.push(`/bench/${id}`),
    rename: async (id: string, title: string, before: string) => {
      await saveWords("collections.edit", id, "title", title, [before]);
      void again();
    },
    duplicate: (id: string, items: boolean) =>
      void call("collections.duplicate", { collection: id, items })
        .then(({ collection, entry }) => {
          void again().then(() => focus(collection.id));
          done(`Made: ${collection.title}`, entry);
        })
        .catch(failed),
    putAway: (id: string, on: boolean) =>
      void call("collections.put-away", { collection: id, away: on })
        .then(({ entry }) => {
          void again();
          done(on ? "Put away. Links to it hold." : "Out again.", entry);
        })
        .catch(failed),
    remove: (id: string) =>
      void call("collections.remove", { collection: id })
        .then(({ inside, entry }) => {
          void again();
          done(inside ? `In the bin, with ${inside} inside.` : "In the bin.", entry);
        })
        .catch(failed),
    step: (id: string, how: TreeStep) => {
      const spot = stepInTree(nodes, id, how);
      if (!spot) return announce("There is nowhere to go that way.");
      const title = (of: string | null) => nodes.find((one) => one.id === of)?.title;
      move(id, spot, spot.parent ? `Now in ${title(spot.parent)}.` : "Now at the top.");
    },
    inside: (id: string) => {
      const node = nodes.find((one) => one.id === id);
      if (node) setInside({ id, title: node.title });
    },
    startRename: setRenaming,
    toggle: (id: string) =>
      setClosed((old) => {
        const next = new Set(old);
        if (!next.delete(id)) next.add(id);
        return next;
      }),
  };
  /** Reads the tree again, and brings the focus to what was just made. */
  const made = (id: string) => {
    setInside(null);
    void client.invalidateQueries({ queryKey: key }).then(() => focus(id));
  };
  const hidden = data.collections.length - shown.length;
  return {
    ...{ nodes, lines, sums, hidden, letters, words, setWords, away, setAway, closed, said },
    ...{ renaming, setRenaming, inside, setInside, made, move, commands, focusing },
  };
}
