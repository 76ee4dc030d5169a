"use client";

import { X } from "lucide-react";
import { linksText } from "@/core/formats/clipboard";
import type { Likeness } from "@/core/list/selection";
import { Toolbar } from "radix-ui";
import { Button } from "../../parts/button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "../../parts/menu";
import { KEYS } from "../../shell/commands";
import { call } from "../../talk/call";
import { copyText } from "../../talk/copy-text";
import { sayFailure } from "../../talk/say-failure";
import { sayDone } from "../../shell/use-undo";
import { useSaidHere } from "../../shell/use-said-here";
import type { Said } from "../../talk/toast";
import { addressFor } from "../item/reader-entries";
import { useBench } from "../state/bench-context";
import type { Selection } from "../state/use-selection";
import { openOriginals } from "../../talk/originals";
import type { Item } from "../state/types";

/** What can be done with all that are chosen at once; while one is still choosing there may be none. */
export function SelectionBar({
  selection,
  onDone = () => selection.choose(selection.current),
}: {
  selection: Selection;
  onDone?: () => void;
}) {
  const { team, arranges, brings, guest, loose, readers, commands } = useBench();
  const { chosen } = selection;
  const said = useSaidHere();
  const first = chosen[0];
  const ids = chosen.map((item) => item.id);
  const like = (by: Likeness) => selection.like(by);
  const open = () => openOriginals(chosen.map((item) => item.resource));
  const putAway = () =>
    void call("tray.set-many", { team, resources: chosen.map((item) => item.resource.id), state: "away" })
      .then(({ changed, entry }) =>
        sayDone(
          changed ? `Put away ${changed} in your Tray.` : "None of these waits in your Tray.",
          team,
          entry,
        ),
      )
      .catch(sayFailure);
  return (
    <Toolbar.Root
      data-several
      aria-label="What to do with the chosen items"
      className="sticky bottom-0 z-20 flex flex-wrap items-center gap-1 border-t border-line bg-sheet px-3 py-2 shadow-lift"
    >
      <p className="mr-1 text-[15px] font-semibold whitespace-nowrap">{chosen.length} chosen</p>
      <SaidHere said={said} />
      {first && brings && (
        <>
          <Act onClick={() => commands.ask("tag", first!.id)}>Tag</Act>
          <Act onClick={() => commands.ask("untag", first!.id)}>Take tags off</Act>
        </>
      )}
      {first && arranges && (
        <>
          {!loose && <Act onClick={() => commands.ask("move", first!.id)}>Move</Act>}
          <Act onClick={() => commands.ask("copy", first!.id)}>{loose ? "Place" : "Place elsewhere too"}</Act>
        </>
      )}
      {first && brings && <Act onClick={() => commands.ask("kind", first!.id)}>Kind</Act>}
      {first && (
        <>
          <Act onClick={open}>Open</Act>
          <Act onClick={() => void copyText(linksText(chosen), `Copied ${chosen.length} links`)}>
            Copy links
          </Act>
        </>
      )}
      {first && arranges && (
        <Act stop onClick={() => commands.remove(first!.id)}>
          {loose ? "Delete" : "Take out"}
        </Act>
      )}
      <Menu
        align="end"
        button={
          <Toolbar.Button asChild>
            <Button look="quiet" small>
              More
            </Button>
          </Toolbar.Button>
        }
      >
        <MenuLabel>Choose also</MenuLabel>
        <MenuItem onSelect={() => like("tag")}>All that share a tag</MenuItem>
        <MenuItem onSelect={() => like("site")}>All of the same site</MenuItem>
        <MenuItem onSelect={() => like("kind")}>All of the same kind</MenuItem>
        <MenuItem onSelect={selection.all} keys={KEYS.all}>
          All
        </MenuItem>
        <MenuItem onSelect={selection.invert} keys={KEYS.invert}>
          The others instead
        </MenuItem>
        {!guest && (
          <>
            <MenuLine />
            <MenuItem onSelect={putAway}>Put away in the Tray</MenuItem>
          </>
        )}
        {!loose && (
          <>
            <MenuLine />
            {first && <MenuItem onSelect={() => commands.ask("cite", first.id)}>Cite …</MenuItem>}
            {readers && first && (
              <MenuItem onSelect={() => void copyText(addressFor(readers, ids), "Copied.")}>
                Copy their address for readers
              </MenuItem>
            )}
            {first && (
              <MenuItem onSelect={() => commands.ask("save", first.id)}>Save these as a file …</MenuItem>
            )}
          </>
        )}
      </Menu>
      <span className="ml-auto">
        <Toolbar.Button asChild>
          <Button look="quiet" small aria-label="Choose none (Escape)" className="px-2!" onClick={onDone}>
            <X size={18} aria-hidden />
          </Button>
        </Toolbar.Button>
      </span>
    </Toolbar.Root>
  );
}

/** What was done last with what is chosen, and the way back. */
function SaidHere({ said }: { said: Said | null }) {
  const ways = [said?.more?.action, said?.more?.cancel].filter(
    (way) => typeof way === "object" && way !== null && "onClick" in way,
  );
  return (
    <p role="status" className="flex w-full items-center gap-1 rounded bg-wash px-2 text-[15px] empty:hidden">
      {said && (
        <>
          <span className="py-1">{said.words}</span>
          {ways.map((way) => (
            <Act key={String(way.label)} onClick={() => way.onClick({} as never)}>
              {way.label}
            </Act>
          ))}
        </>
      )}
    </p>
  );
}

function Act({
  onClick,
  stop,
  children,
}: {
  onClick: () => void;
  stop?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Toolbar.Button asChild>
      <Button
        look="quiet"
        small
        onClick={onClick}
        className={`px-2! ${stop ? "text-stop!" : "text-accent!"}`}
      >
        {children}
      </Button>
    </Toolbar.Button>
  );
}

/** How many of the chosen carry each tag, most first. */
export function tagsAmong(items: readonly Item[]): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const name of items.flatMap((item) => item.resource.tags))
    counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1));
}
