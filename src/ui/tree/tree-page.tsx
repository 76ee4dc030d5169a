"use client";

import { DndContext } from "@dnd-kit/core";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { NewCollection } from "../desk/new-collection";
import { GatherButtons } from "../gather/gather-buttons";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Field } from "../parts/field";
import { Key } from "../parts/key";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { keyOnTree, type TreeWish } from "./key-on-tree";
import { TreeRow } from "./tree-row";
import { useSmallCloth } from "./use-small-cloth";
import { useTree } from "./use-tree";
import { useTreeDrag } from "./use-tree-drag";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"collections.tree"> };

/** All collections of the team as they stand in one another: to rename, move, duplicate, put away and delete. */
export function TreePage({ me, teams, team, first }: Props) {
  const arranges = may(team.role, "arrange");
  const tree = useTree(team.id, first);
  const { lines, closed, commands, focusing, hidden, inside, renaming } = tree;
  const drag = useTreeDrag(tree.nodes, tree.move);
  const { current } = focusing;
  const cloth = useSmallCloth(team.id, tree.nodes);
  const reachable = lines.some((line) => line.node.id === current) ? current : lines[0]?.node.id;

  const go = (to: number) => {
    const next = lines[Math.max(0, Math.min(to, lines.length - 1))];
    if (next) focusing.focus(next.node.id);
  };
  const grant = (id: string, at: number, wish: TreeWish): void => {
    if (wish.do === "go") go(wish.to);
    else if (wish.do === "focus") focusing.focus(wish.id);
    else if (wish.do === "step") commands.step(id, wish.how);
    else if (wish.do === "duplicate") commands.duplicate(id, wish.items);
    else if (wish.do === "put-away") commands.putAway(id, wish.away);
    else if (wish.do === "rename") commands.startRename(id);
    else commands[wish.do](id);
    if (wish.do === "remove") go(at + 1);
  };
  const onKey = (event: React.KeyboardEvent) => {
    const id = (event.target as HTMLElement).dataset.node;
    const at = lines.findIndex((line) => line.node.id === id);
    const line = lines[at];
    if (!id || !line) return;
    const { node, parents } = line;
    const row = { at, count: lines.length, parents, open: !closed.has(id), ...node };
    const wish = keyOnTree(event, row, arranges);
    if (!wish) return;
    grant(id, at, wish);
    event.preventDefault();
  };

  return (
    <Frame
      me={me}
      teams={teams}
      team={team}
      commands={arranges ? [{ words: "Make a collection", run: () => tree.setInside("top") }] : []}
    >
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-8">
        <div className="mx-auto max-w-4xl pt-6">
          <div className="flex flex-wrap items-end gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Collections</h1>
            <Field
              hideLabel
              label="Letters of a collection"
              placeholder="Type a few letters"
              value={tree.words}
              onChange={(event) => tree.setWords(event.target.value)}
              className="w-56"
            />
            {arranges && <Button onClick={() => tree.setInside("top")}>New collection</Button>}
          </div>
          <p className="mt-2 mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-quiet">
            <Hints arranges={arranges} />
            {hidden > 0 && (
              <Button small look="quiet" onClick={() => tree.setAway(!tree.away)}>
                {tree.away ? "Hide what is put away" : `Show ${hidden} put away`}
              </Button>
            )}
          </p>
          {lines.length === 0 ? (
            <Empty title={tree.letters ? "No collection has these letters" : "No collections yet"}>
              <p>A collection can stand in another one: a course, its units, their weeks.</p>
              {!tree.letters && <GatherButtons ways={["make"]} />}
            </Empty>
          ) : (
            <DndContext
              {...drag.context}
              accessibility={{ screenReaderInstructions: { draggable: "" }, announcements: SILENT }}
            >
              <ul
                role="tree"
                aria-label="Collections"
                onKeyDown={onKey}
                {...focusing.holds}
                className="border-t border-line"
              >
                {lines.map((line) => (
                  <TreeRow
                    key={line.node.id}
                    {...line}
                    sum={tree.sums.get(line.node.id)!}
                    yarns={cloth.get(line.node.id) ?? NONE}
                    open={line.parents ? !closed.has(line.node.id) : null}
                    current={line.node.id === current}
                    reachable={line.node.id === reachable}
                    renaming={renaming === line.node.id}
                    over={drag.over?.id === line.node.id ? drag.over.where : null}
                    arranges={arranges}
                    onFocus={focusing.setCurrent}
                    onRenamed={() => {
                      tree.setRenaming(null);
                      focusing.focus(line.node.id);
                    }}
                    commands={commands}
                  />
                ))}
              </ul>
            </DndContext>
          )}
        </div>
      </main>
      <p aria-live="polite" className="sr-only">
        {tree.said}
      </p>
      {inside && (
        <NewCollection
          open
          onOpenChange={(on) => !on && tree.setInside(null)}
          team={team.id}
          parent={inside === "top" ? undefined : inside}
          onMade={tree.made}
        />
      )}
    </Frame>
  );
}

const HINTS = [
  ["F2", "renames"],
  ["Alt", "with the arrows moves"],
  ["N", "one inside"],
  ["D", "duplicates"],
  ["P", "puts away"],
] as const;

/** The keys of the tree; a phone has none. */
const Hints = ({ arranges }: { arranges: boolean }) =>
  [["Enter", "opens"] as const, ...(arranges ? HINTS : [])].map(([key, words]) => (
    <span key={key} className="max-sm:hidden">
      <Key>{key}</Key> {words}
    </span>
  ));

const NONE: never[] = [];
const silent = () => undefined;
/** Moves are announced in our own words. */
const SILENT = { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent };
