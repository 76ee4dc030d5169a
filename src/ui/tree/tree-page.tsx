"use client";

import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useLayoutEffect, useMemo, useRef, useState } from "react";
import {
  insideOf,
  movedInTree,
  stepInTree,
  treeLines,
  type TreeSpot,
  type TreeStep,
} from "@/core/list/tree-moves";
import { sumTree } from "@/core/list/tree-sums";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { NewCollection } from "../desk/new-collection";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Field } from "../parts/field";
import { Key } from "../parts/key";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { call, callInTurn } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { TreeRow } from "./tree-row";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"collections.tree"> };
type Over = { id: string; where: "before" | "in" | "behind" };

/** All collections of the team as they stand in one another: to rename, move, duplicate, put away and delete. */
export function TreePage({ me, teams, team, first }: Props) {
  const router = useRouter();
  const client = useQueryClient();
  const key = useMemo(() => ["tree", team.id], [team.id]);
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => call("collections.tree", { team: team.id }),
    initialData: first,
  });
  // While moves are on their way, what is shown is ahead of what the server would answer.
  const moving = useRef(0);
  const again = () => (moving.current ? Promise.resolve() : client.invalidateQueries({ queryKey: key }));
  useUndo(team.id, () => void again());
  useLive(team.id, {
    onEvents: (events) =>
      events.some((event) => /^(collections|bin|intakes|placements|resources)\./.test(event.verb)) &&
      void again(),
    onAnew: () => void again(),
  });
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [current, setCurrent] = useState<string | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [words, setWords] = useState("");
  const [away, setAway] = useState(false);
  const [inside, setInside] = useState<{ id: string; title: string } | "top" | null>(null);
  const [said, announce] = useState("");
  const [over, setOver] = useState<Over | null>(null);
  const arranges = may(team.role, "arrange");
  const nodes = data.collections.filter((one) => away || !one.away);
  const hidden = data.collections.length - data.collections.filter((one) => !one.away).length;
  const letters = words.trim().toLocaleLowerCase();
  const lines = letters
    ? nodes
        .filter((node) => node.title.toLocaleLowerCase().includes(letters))
        .map((node, i, all) => ({ node, depth: 0, parents: false, place: i + 1, of: all.length }))
    : treeLines(nodes, closed);
  const sums = useMemo(() => sumTree(data.collections), [data.collections]);
  const reachable = lines.some((line) => line.node.id === current) ? current : lines[0]?.node.id;

  const [wanted, setWanted] = useState<string | null>(null);
  const focus = (id: string) => {
    setCurrent(id);
    setWanted(id);
  };
  // As soon as it is drawn; a row that is moved on the page loses the focus. A dialog that closes gives it back to
  // where it was before, so what it made is focused after that.
  useLayoutEffect(() => {
    if (!wanted) return;
    const take = () => {
      const row = document.querySelector<HTMLElement>(`[data-node="${wanted}"]`);
      if (!row || document.querySelector("[role=dialog]")) return;
      // Its name may be being written by now.
      if (!row.contains(document.activeElement)) row.focus();
      return row;
    };
    take();
    const timer = setTimeout(() => take() && setWanted(null));
    return () => clearTimeout(timer);
  });
  // A row that moves on the page, by whoever's hand, loses the focus to nothing; it has it again in its new place.
  const held = useRef(false);
  useLayoutEffect(() => {
    if (held.current && !wanted && current && document.activeElement === document.body)
      document.querySelector<HTMLElement>(`[data-node="${current}"]`)?.focus();
  });
  const failed = (error: unknown) => {
    sayFailure(error);
    void again();
  };
  const move = (id: string, spot: TreeSpot, words: string) => {
    client.setQueryData<typeof first>(
      key,
      (kept) => kept && { collections: movedInTree(kept.collections, id, spot) },
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
  const step = (id: string, how: TreeStep) => {
    const spot = stepInTree(nodes, id, how);
    if (!spot) return announce("There is nowhere to go that way.");
    const title = (of: string | null) => nodes.find((one) => one.id === of)?.title;
    move(id, spot, spot.parent ? `Now in ${title(spot.parent)}.` : "Now at the top.");
  };
  const deeds = {
    open: (id: string) => router.push(`/bench/${id}`),
    rename: async (id: string, title: string) => {
      await call("collections.edit", { collection: id, title });
      void again();
    },
    duplicate: (id: string, items: boolean) =>
      void call("collections.duplicate", { collection: id, items })
        .then(({ collection, deed }) => {
          void again().then(() => focus(collection.id));
          sayDone(`Made: ${collection.title}`, team.id, deed, () => void again());
        })
        .catch(failed),
    putAway: (id: string, on: boolean) =>
      void call("collections.put-away", { collection: id, away: on })
        .then(({ deed }) => {
          void again();
          sayDone(on ? "Put away. Links to it hold." : "Out again.", team.id, deed, () => void again());
        })
        .catch(failed),
    remove: (id: string) =>
      void call("collections.remove", { collection: id })
        .then(({ inside, deed }) => {
          void again();
          sayDone(
            inside ? `In the bin, with ${inside} inside.` : "In the bin.",
            team.id,
            deed,
            () => void again(),
          );
        })
        .catch(failed),
    step,
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

  const onKey = (event: React.KeyboardEvent) => {
    const id = (event.target as HTMLElement).dataset.node;
    const at = lines.findIndex((line) => line.node.id === id);
    const line = lines[at];
    if (!id || !line || event.ctrlKey || event.metaKey) return;
    const { node, parents } = line;
    const go = (to: number) => {
      const next = lines[Math.max(0, Math.min(to, lines.length - 1))];
      if (next) focus(next.node.id);
    };
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const steps: Record<string, TreeStep> = {
      ArrowUp: "up",
      ArrowDown: "down",
      ArrowRight: "in",
      ArrowLeft: "out",
    };
    if (event.altKey) {
      if (!arranges || !steps[key]) return;
      step(id, steps[key]);
    } else if (key === "ArrowDown") go(at + 1);
    else if (key === "ArrowUp") go(at - 1);
    else if (key === "Home") go(0);
    else if (key === "End") go(lines.length - 1);
    else if (key === "ArrowRight") {
      if (parents && closed.has(id)) deeds.toggle(id);
      else if (parents) go(at + 1);
    } else if (key === "ArrowLeft") {
      if (parents && !closed.has(id)) deeds.toggle(id);
      else if (node.parent) focus(node.parent);
    } else if (key === "Enter") deeds.open(id);
    else if (!arranges) return;
    else if (key === "F2") setRenaming(id);
    else if (key === "n") deeds.inside(id);
    else if (key === "d") deeds.duplicate(id, !event.shiftKey);
    else if (key === "e") deeds.putAway(id, !node.away);
    else if (key === "Delete" || key === "Backspace") {
      deeds.remove(id);
      go(at + 1);
    } else return;
    event.preventDefault();
  };

  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const drag = {
    onDragMove: (event: DragMoveEvent) => setOver(overUnder(event, insideOf(nodes, String(event.active.id)))),
    onDragCancel: () => setOver(null),
    onDragEnd: (event: DragEndEvent) => {
      setOver(null);
      const id = String(event.active.id);
      // Where the pointer is now: what was drawn last may be a move behind.
      const over = overUnder(event, insideOf(nodes, id));
      const target = over && nodes.find((one) => one.id === over.id);
      if (!target) return;
      const mates = nodes.filter((one) => one.parent === target.parent && one.id !== id);
      const before = mates[mates.findIndex((one) => one.id === target.id) - 1];
      const last = nodes.filter((one) => one.parent === target.id && one.id !== id).at(-1);
      const spot: TreeSpot =
        over.where === "in"
          ? { parent: target.id, after: last?.id ?? null }
          : { parent: target.parent, after: over.where === "behind" ? target.id : (before?.id ?? null) };
      move(id, spot, `Moved ${over.where} ${target.title}.`);
    },
  };

  return (
    <Frame
      me={me}
      teams={teams}
      team={team}
      commands={arranges ? [{ words: "Make a collection", run: () => setInside("top") }] : []}
    >
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-8">
        <div className="mx-auto max-w-4xl pt-6">
          <div className="flex flex-wrap items-end gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Collections</h1>
            <Field
              hideLabel
              label="Letters of a collection"
              placeholder="Type a few letters"
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className="w-56"
            />
            {arranges && <Button onClick={() => setInside("top")}>New collection</Button>}
          </div>
          <p className="mt-2 mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-quiet">
            <span className="max-sm:hidden">
              <Key>Enter</Key> opens
            </span>
            {arranges && (
              <>
                <span className="max-sm:hidden">
                  <Key>F2</Key> renames
                </span>
                <span className="max-sm:hidden">
                  <Key>Alt</Key> with the arrows moves
                </span>
                <span className="max-sm:hidden">
                  <Key>N</Key> one inside
                </span>
                <span className="max-sm:hidden">
                  <Key>D</Key> duplicates
                </span>
                <span className="max-sm:hidden">
                  <Key>E</Key> puts away
                </span>
              </>
            )}
            {hidden > 0 && (
              <Button small look="quiet" onClick={() => setAway(!away)}>
                {away ? "Hide what is put away" : `Show ${hidden} put away`}
              </Button>
            )}
          </p>
          {lines.length === 0 ? (
            <Empty title={letters ? "No collection has these letters" : "No collections yet"}>
              <p>A collection can stand in another one: a course, its units, their weeks.</p>
            </Empty>
          ) : (
            <DndContext
              {...drag}
              sensors={sensors}
              accessibility={{ screenReaderInstructions: { draggable: "" }, announcements: SILENT }}
            >
              <ul
                role="tree"
                aria-label="Collections"
                onKeyDown={onKey}
                onFocus={() => (held.current = true)}
                onBlur={(event) => {
                  if (event.relatedTarget) held.current = false;
                }}
                className="border-t border-line"
              >
                {lines.map((line) => (
                  <TreeRow
                    key={line.node.id}
                    {...line}
                    sum={sums.get(line.node.id)!}
                    open={line.parents ? !closed.has(line.node.id) : null}
                    current={line.node.id === current}
                    reachable={line.node.id === reachable}
                    renaming={renaming === line.node.id}
                    over={over?.id === line.node.id ? over.where : null}
                    arranges={arranges}
                    onFocus={setCurrent}
                    onRenamed={() => {
                      setRenaming(null);
                      focus(line.node.id);
                    }}
                    deeds={deeds}
                  />
                ))}
              </ul>
            </DndContext>
          )}
        </div>
      </main>
      <p aria-live="polite" className="sr-only">
        {said}
      </p>
      {inside && (
        <NewCollection
          open
          onOpenChange={(on) => !on && setInside(null)}
          team={team.id}
          parent={inside === "top" ? undefined : inside}
          onMade={(id) => {
            setInside(null);
            void client.invalidateQueries({ queryKey: key }).then(() => focus(id));
          }}
        />
      )}
    </Frame>
  );
}

const silent = () => undefined;
/** Moves are announced in our own words. */
const SILENT = { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent };

/** The row under the pointer: its upper quarter means before it, its lower one behind it, the rest inside. */
function overUnder(event: DragMoveEvent | DragEndEvent, without: ReadonlySet<string>): Over | null {
  const start =
    "touches" in event.activatorEvent
      ? (event.activatorEvent as TouchEvent).touches[0]!
      : (event.activatorEvent as MouseEvent);
  const [x, y] = [start.clientX + event.delta.x, start.clientY + event.delta.y];
  const row = document.elementFromPoint(x, y)?.closest<HTMLElement>("[data-node]");
  const id = row?.dataset.node;
  if (!row || !id || without.has(id)) return null;
  const box = row.getBoundingClientRect();
  const share = (y - box.top) / box.height;
  return { id, where: share < 0.25 ? "before" : share > 0.75 ? "behind" : "in" };
}
