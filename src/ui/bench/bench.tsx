"use client";

import { originalOf } from "../parts/original";
import { DndContext, DragOverlay } from "@dnd-kit/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { PanelLeftClose, PanelLeftOpen } from "lucide-react";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { IconButton } from "../parts/button";
import { isTyping } from "../shell/commands";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import { BenchContext, type DetailField } from "./bench-context";
import { Carried } from "./item-row";
import { MakingHead } from "./making-head";
import { MakingList } from "./making-list";
import { Path } from "./path";
import { SideSwitch } from "./side-switch";
import { Supply } from "./supply";
import { useBringing } from "./use-bringing";
import { useBenchLive } from "./use-bench-live";
import { useDeeds } from "./use-deeds";
import { useDrag } from "./use-drag";
import { type Section, useItems } from "./use-items";

// Dialogs are not in the first load.
const BringIn = dynamic(() => import("./bring-in").then((m) => m.BringIn), { ssr: false });
const IntakeDialog = dynamic(() => import("../intake/intake-dialog").then((m) => m.IntakeDialog), {
  ssr: false,
});
const UploadsPanel = dynamic(() => import("../intake/uploads-panel").then((m) => m.UploadsPanel), {
  ssr: false,
});
const NewCollection = dynamic(() => import("../desk/new-collection").then((m) => m.NewCollection), {
  ssr: false,
});

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"collections.read"> };

/** The main screen: supply on one side, the collection that is being made on the other. */
export function Bench({ me, teams, team, first }: Props) {
  const router = useRouter();
  const client = useQueryClient();
  const id = first.collection.id;
  const { data: head } = useQuery({
    queryKey: ["collection", id],
    queryFn: () => call("collections.read", { collection: id }),
    initialData: first,
  });
  const { items, change, renew, anew } = useItems(id, first, head.sections);
  const [selected, select] = useState<string | null>(null);
  const [opened, setOpened] = useState<{ id: string; field: DetailField | "open" } | null>(null);
  const [said, announce] = useState("");
  const [dialog, setDialog] = useState<"bring" | "inside" | null>(null);
  const [folded, setFolded] = useState(false);
  const [newSection, setNewSection] = useState<string | null>(null);
  const sides = useRef<HTMLDivElement>(null);
  const arranges = may(team.role, "arrange");
  const contributes = may(team.role, "bring");
  const toggle = (item: string, field?: DetailField) =>
    setOpened((old) =>
      old?.id === item && (!field || old.field === field) ? null : { id: item, field: field ?? "open" },
    );

  const { deeds, move, place, capture, paste, note } = useDeeds({
    team: team.id,
    collection: id,
    items,
    sections: head.sections,
    selected,
    change,
    anew,
    select,
    toggle,
    announce,
  });
  const drag = useDrag(items, { move, place });
  useBenchLive(team.id, id, { renew, anew });
  const here = useMemo(() => new Set(items.map((item) => item.resource.id)), [items]);
  const bench = useMemo(
    () => ({ team: team.id, arranges, brings: contributes, deeds }),
    [team.id, arranges, contributes, deeds],
  );
  const headAgain = () => client.invalidateQueries({ queryKey: ["collection", id] });

  const addSection = () => {
    const section = newId();
    call("sections.make", { collection: id, title: "New section", section })
      .then(headAgain)
      .then(() => setNewSection(section))
      .catch(sayFailure);
  };
  const moveSection = (section: Section, by: 1 | -1) => {
    const at = head.sections.findIndex((one) => one.id === section.id);
    const after = by === 1 ? head.sections[at + 1] : at > 0 ? (head.sections[at - 2] ?? null) : undefined;
    if (after === undefined) return announce("It stands there already.");
    call("sections.move", { section: section.id, after: after?.id ?? null })
      .then(headAgain)
      .catch(sayFailure);
  };
  const removeSection = (section: Section) =>
    void call("sections.remove", { section: section.id })
      .then(() => {
        void headAgain();
        toast(`Deleted with what stood in it: ${section.title}`, {
          action: {
            label: "Undo",
            onClick: () =>
              void call("bin.restore-section", { section: section.id })
                .then(() => (anew(), headAgain()))
                .catch(sayFailure),
          },
        });
      })
      .catch(sayFailure);
  const removeCollection = () =>
    void call("collections.remove", { collection: id })
      .then(({ inside }) => {
        toast(`In the bin: ${head.collection.title}${inside ? ` and ${inside} inside` : ""}`, {
          action: {
            label: "Undo",
            onClick: () =>
              void call("bin.restore-collection", { collection: id })
                .then(() => router.push(`/bench/${id}`))
                .catch(sayFailure),
          },
        });
        router.push(`/team/${team.id}`);
      })
      .catch(sayFailure);

  const spotSection = items.find((item) => item.id === selected)?.section ?? head.sections.at(-1)?.id ?? null;
  const { brings, setBrings, sending } = useBringing({
    allowed: contributes,
    into: { team: team.id, collection: id, section: spotSection },
    paste,
    note,
    onFiles: () => (anew(), void headAgain()),
  });

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        isTyping(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        document.querySelector("[role=dialog],[role=menu]")
      )
        return;
      if (event.key.toLowerCase() === "n" && arranges) addSection();
      else if (event.key.toLowerCase() === "s") setFolded((old) => !old);
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  });

  const choose = (to: number) => {
    const next = items[Math.max(0, Math.min(to, items.length - 1))];
    if (!next) return;
    select(next.id);
    // The row may only now come into being.
    requestAnimationFrame(() =>
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>(`[data-item="${next.id}"]`)?.focus({ preventScroll: true }),
      ),
    );
  };
  const onItemKey = (event: React.KeyboardEvent) => {
    const row = (event.target as HTMLElement).closest<HTMLElement>("[data-item]");
    if (event.key === "Escape" && opened) {
      setOpened(null);
      choose(items.findIndex((item) => item.id === opened.id));
      return;
    }
    if (!row || event.target !== row || event.ctrlKey || event.metaKey) return;
    const item = items.find((one) => one.id === row.dataset.item);
    if (!item) return;
    const at = items.indexOf(item);
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    if (event.altKey && arranges && (key === "ArrowUp" || key === "ArrowDown")) {
      deeds.step(item.id, key === "ArrowUp" ? -1 : 1);
      requestAnimationFrame(() =>
        requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-item="${item.id}"]`)?.focus()),
      );
    } else if (event.altKey) return;
    else if (key === "ArrowDown") choose(at + 1);
    else if (key === "ArrowUp") choose(at - 1);
    else if (key === "Home") choose(0);
    else if (key === "End") choose(items.length - 1);
    else if (key === "Enter") toggle(item.id);
    else if (key === "o") window.open(originalOf(item.resource), "_blank", "noreferrer");
    else if (key === "c" && arranges) toggle(item.id, "context");
    else if (key === "h" && arranges) toggle(item.id, "heading");
    else if (key === "t" && contributes) toggle(item.id, "tags");
    else if ((key === "Delete" || key === "Backspace") && arranges) {
      deeds.remove(item.id);
      choose(at + 1);
    } else return;
    event.preventDefault();
  };

  const waiting = items.filter((item) => item.resource.fetchState === "waiting").length;
  const reading = waiting > 3 ? { done: items.length - waiting, of: items.length } : null;
  const commands = [
    ...(arranges
      ? [
          { words: "New section", run: addSection },
          { words: "New collection in this one", run: () => setDialog("inside") },
        ]
      : []),
    { words: "Publish this collection", run: () => router.push(`/publish/${id}`) },
    { words: folded ? "Show the supply side" : "Fold the supply side away", run: () => setFolded(!folded) },
  ];
  return (
    <BenchContext.Provider value={bench}>
      <Frame
        me={me}
        teams={teams}
        team={team}
        commands={commands}
        onBring={contributes ? () => setDialog("bring") : undefined}
        path={
          <Path
            team={team.id}
            collection={head.collection}
            onNew={arranges ? () => setDialog("inside") : undefined}
          />
        }
      >
        <DndContext
          {...drag.context}
          accessibility={{ screenReaderInstructions: { draggable: "" }, announcements: SILENT }}
        >
          <main
            id="main"
            ref={sides}
            className={`swipe grid min-h-0 flex-1 overflow-x-auto max-md:grid-cols-[100%_100%] md:mx-3 md:mb-3 md:overflow-hidden md:rounded-md md:border md:border-line ${folded ? "md:grid-cols-[44px_14px_minmax(0,1fr)]" : "md:grid-cols-[minmax(300px,404px)_14px_minmax(0,1fr)]"}`}
          >
            <section aria-label="Supply" className="flex min-h-0 flex-col bg-sunk">
              {folded ? (
                <IconButton
                  label="Show the supply side (S)"
                  onClick={() => setFolded(false)}
                  className="m-1 max-md:hidden"
                >
                  <PanelLeftOpen size={18} aria-hidden />
                </IconButton>
              ) : null}
              <div className={folded ? "flex min-h-0 flex-1 flex-col md:hidden" : "contents"}>
                <Supply
                  team={team.id}
                  collection={id}
                  here={here}
                  onPlace={contributes ? (resource) => place(resource) : undefined}
                  end={
                    <IconButton
                      label="Fold the supply side away (S)"
                      onClick={() => setFolded(true)}
                      className="max-md:hidden"
                    >
                      <PanelLeftClose size={18} aria-hidden />
                    </IconButton>
                  }
                />
              </div>
            </section>
            <div className="seam bg-sheet max-md:hidden" aria-hidden />
            <section aria-label="Making" className="flex min-h-0 min-w-0 flex-col bg-sheet">
              <MakingHead
                head={head}
                reading={reading}
                onSection={addSection}
                onInside={() => setDialog("inside")}
                onRemove={removeCollection}
              />
              <MakingList
                head={head}
                items={items}
                selected={selected}
                opened={opened}
                landing={drag.landing}
                newSection={newSection}
                onKeyDown={onItemKey}
                onSection={addSection}
                onMoveSection={moveSection}
                onRemoveSection={removeSection}
              />
            </section>
          </main>
          <DragOverlay dropAnimation={null} style={{ pointerEvents: "none" }}>
            {drag.carried && (
              <Carried title={drag.carried.resource.title} kind={drag.carried.resource.kind} />
            )}
          </DragOverlay>
        </DndContext>
        <SideSwitch sides={sides} />
        {sending && <UploadsPanel />}
        <p aria-live="polite" className="sr-only">
          {said}
        </p>
        {dialog === "bring" && (
          <BringIn
            open
            onOpenChange={(on: boolean) => setDialog(on ? "bring" : null)}
            team={team.id}
            into={{ id, title: head.collection.title, section: spotSection, capture }}
            onMany={setBrings}
          />
        )}
        {brings && (
          <IntakeDialog
            open
            onOpenChange={(on: boolean) => !on && setBrings(null)}
            team={team.id}
            arranges={arranges}
            into={{ id, title: head.collection.title, section: spotSection }}
            brings={brings}
          />
        )}
        {dialog === "inside" && (
          <NewCollection
            open
            onOpenChange={(on: boolean) => setDialog(on ? "inside" : null)}
            team={team.id}
            parent={head.collection}
            onMade={(made: string) => router.push(`/bench/${made}`)}
          />
        )}
      </Frame>
    </BenchContext.Provider>
  );
}

const silent = () => undefined;
/** Moves are announced in our own words; see `announce`. */
const SILENT = { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent };
