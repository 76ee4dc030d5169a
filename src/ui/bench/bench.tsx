"use client";

import { DndContext, DragOverlay } from "@dnd-kit/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { PanelLeftClose, PanelLeftOpen } from "lucide-react";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { sortItems } from "@/core/list/sort-items";
import type { ViewSetting } from "@/core/list/view-setting";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { IconButton } from "../parts/button";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayDone, useUndo } from "../shell/use-undo";
import { type Asking, BenchContext, type DetailField } from "./bench-context";
import type { BenchDialog } from "./bench-dialogs";
import { Carried } from "./item-words";
import { MakingHead } from "./making-head";
import { Path } from "./path";
import { SideSwitch } from "./side-switch";
import { Supply } from "./supply";
import { useBenchKeys } from "./use-bench-keys";
import { useBringing } from "./use-bringing";
import { useBenchLive } from "./use-bench-live";
import { useDeeds } from "./use-deeds";
import { useClipboard } from "./use-clipboard";
import { useDrag } from "./use-drag";
import { focusItem, useItemKeys } from "./use-item-keys";
import { useItems } from "./use-items";
import { useLift } from "./use-lift";
import { useSections } from "./use-sections";
import { useSelection } from "./use-selection";
import { useSweep } from "./use-sweep";
import { ListView } from "./views/list-view";
import type { ViewProps } from "./views/view-props";

// Not in the first load.
const UploadsPanel = dynamic(() => import("../intake/uploads-panel").then((m) => m.UploadsPanel), {
  ssr: false,
});
const Ask = dynamic(() => import("./ask").then((m) => m.Ask), { ssr: false });
const BenchDialogs = dynamic(() => import("./bench-dialogs").then((m) => m.BenchDialogs), { ssr: false });
const BoardView = dynamic(() => import("./views/board-view").then((m) => m.BoardView), { ssr: false });
const SelectionBar = dynamic(() => import("./selection-bar").then((m) => m.SelectionBar), { ssr: false });
const FilterBox = dynamic(() => import("./filter-box").then((m) => m.FilterBox), { ssr: false });

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
  const { items: own, change, renew, anew } = useItems(id, first, head.sections);
  const [setting, setSetting] = useState<ViewSetting>(first.setting);
  const [found, setFound] = useState<ReadonlySet<string> | null>(null);
  const items = useMemo(() => {
    const sorted = sortItems(own, setting.sort, setting.down);
    return found ? sorted.filter((item) => found.has(item.id)) : sorted;
  }, [own, setting.sort, setting.down, found]);
  const selection = useSelection(items);
  const { current: selected, choose: select } = selection;
  const [opened, setOpened] = useState<{ id: string; field: DetailField | "open" } | null>(null);
  const [said, announce] = useState("");
  const [dialog, setDialog] = useState<BenchDialog | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const [folded, setFolded] = useState(false);
  const [filtering, setFiltering] = useState<string | null>(null);
  const sides = useRef<HTMLDivElement>(null);
  const arranges = may(team.role, "arrange");
  const contributes = may(team.role, "bring");
  const sorted = setting.sort !== "own" || found !== null;
  const toggle = (item: string, field?: DetailField) =>
    setOpened((old) =>
      old?.id === item && (!field || old.field === field) ? null : { id: item, field: field ?? "open" },
    );
  const setView = (wish: Partial<ViewSetting>) => {
    const next = { ...setting, ...wish };
    setSetting(next);
    call("collections.set-view", { collection: id, ...next }).catch(sayFailure);
  };

  const { deeds, along, spot, move, send, place, placeMany, moveHere, capture, paste, note, writeText } =
    useDeeds({
      team: team.id,
      collection: id,
      items,
      sections: head.sections,
      selected,
      marked: selection.marked,
      change,
      renew,
      anew,
      select,
      toggle,
      announce,
      ask: setAsking,
    });
  const headAgain = () => client.invalidateQueries({ queryKey: ["collection", id] });
  useUndo(team.id, () => {
    anew();
    void headAgain();
  });
  const sections = useSections({ team: team.id, head, anew, announce });
  const lift = useLift(items, head.sections, { move: (ids, landing) => move(ids, landing), announce });
  const sweep = useSweep(selection);
  const clipboard = useClipboard(team.id, selection.chosen, announce);
  const drag = useDrag(items, {
    along,
    move,
    send,
    place: (resources, landing) =>
      resources.length === 1
        ? place(resources[0]!, landing)
        : placeMany({ resources: resources.map((one) => one.id) }, landing),
    sorted,
  });
  useBenchLive(team.id, id, { renew, anew });
  const here = useMemo(() => new Set(own.map((item) => item.resource.id)), [own]);
  const bench = useMemo(
    () => ({ team: team.id, collection: id, arranges, brings: contributes, deeds }),
    [team.id, id, arranges, contributes, deeds],
  );
  const removeCollection = () =>
    void call("collections.remove", { collection: id })
      .then(({ inside, deed }) => {
        const words = `In the bin: ${head.collection.title}${inside ? ` and ${inside} inside` : ""}`;
        sayDone(words, team.id, deed, () => router.push(`/bench/${id}`));
        router.push(`/team/${team.id}`);
      })
      .catch(sayFailure);

  const spotSection = items.find((item) => item.id === selected)?.section ?? head.sections.at(-1)?.id ?? null;
  const { brings, setBrings, sending } = useBringing({
    allowed: contributes,
    into: { team: team.id, collection: id, section: spotSection },
    paste,
    note,
    onClip: (clip) => {
      if (clip.team !== team.id) return false;
      if (clip.cut && arranges) moveHere(clip.placements, spot());
      else placeMany({ placements: clip.placements });
      clipboard.setCut(new Set());
      return true;
    },
    onFiles: () => (anew(), void headAgain()),
  });
  const commands = useBenchKeys({
    arranges,
    folded,
    newSection: sections.add,
    writeText,
    newInside: () => setDialog("inside"),
    newBeside: () => setDialog("beside"),
    fold: () => setFolded((old) => !old),
    jump: () => {
      if (document.activeElement?.closest("[data-making]")) setFolded(false);
      jumpOver(sides.current!);
    },
    narrow: () => setFiltering(""),
    setView,
    publish: () => router.push(`/publish/${id}`),
  });

  const onItemKey = useItemKeys({
    items,
    selection,
    deeds,
    lift,
    arranges,
    brings: contributes,
    sorted,
    view: setting.view,
    opened,
    close: () => setOpened(null),
    toggle,
    announce,
  });

  const waiting = own.filter((item) => item.resource.fetchState === "waiting").length;
  const reading = waiting > 3 ? { done: own.length - waiting, of: own.length } : null;
  const view: ViewProps = {
    head,
    items,
    setting,
    current: selected,
    marked: selection.marked,
    cut: clipboard.cut,
    lifted: lift.lifted,
    opened,
    landing: lift.landing ?? drag.landing,
    newSection: sections.fresh,
    onKeyDown: onItemKey,
    onSet: setView,
    onSection: sections.add,
    onMoveSection: sections.move,
    onRemoveSection: sections.remove,
  };
  return (
    <BenchContext.Provider value={bench}>
      <Frame
        me={me}
        teams={teams}
        team={team}
        commands={commands}
        onNarrow={setFiltering}
        onBring={contributes ? () => setDialog("bring") : undefined}
        path={
          <Path
            team={team.id}
            collection={head.collection}
            above={head.above}
            over={drag.elsewhere?.collection ?? null}
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
            className={`swipe relative grid min-h-0 flex-1 overflow-x-auto max-md:grid-cols-[100%_100%] md:mx-3 md:mb-3 md:overflow-hidden md:rounded-md md:border md:border-line ${folded ? "md:grid-cols-[44px_14px_minmax(0,1fr)]" : "md:grid-cols-[minmax(300px,404px)_14px_minmax(0,1fr)]"}`}
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
                  onPlace={
                    contributes
                      ? (resources) =>
                          resources.length === 1
                            ? place(resources[0]!)
                            : placeMany({ resources: resources.map((one) => one.id) })
                      : undefined
                  }
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
            <section aria-label="Making" className="flex min-h-0 min-w-0 flex-col bg-sheet" {...sweep}>
              <MakingHead
                head={head}
                setting={setting}
                over={drag.elsewhere?.collection ?? null}
                reading={reading}
                onSet={setView}
                onSection={sections.add}
                onText={writeText}
                onInside={() => setDialog("inside")}
                onRemove={removeCollection}
              />
              {filtering !== null && (
                <FilterBox
                  first={filtering}
                  items={own}
                  onFound={setFound}
                  onClose={() => {
                    setFiltering(null);
                    setFound(null);
                    const back = selected ?? own[0]?.id;
                    if (back) focusItem(back);
                  }}
                />
              )}
              {setting.view === "board" && setting.sort === "own" ? (
                <BoardView {...view} />
              ) : (
                <ListView {...view} />
              )}
              {selection.chosen.length > 1 && <SelectionBar selection={selection} />}
            </section>
          </main>
          <DragOverlay dropAnimation={null} style={{ pointerEvents: "none" }}>
            {drag.carried && (
              <Carried
                title={drag.carried.resources[0]!.title}
                kind={drag.carried.resources[0]!.kind}
                count={drag.carried.items.length || drag.carried.resources.length}
              />
            )}
          </DragOverlay>
        </DndContext>
        <SideSwitch sides={sides} />
        {sending && <UploadsPanel />}
        <p aria-live="polite" className="sr-only">
          {said}
        </p>
        {asking && (
          <Ask
            asking={asking}
            items={items}
            sections={head.sections}
            collectionTitle={head.collection.title}
            onClose={() => setAsking(null)}
            send={send}
          />
        )}
        {(dialog || brings) && (
          <BenchDialogs
            open={dialog}
            brings={brings}
            team={team.id}
            collection={head.collection}
            section={spotSection}
            arranges={arranges}
            capture={capture}
            onOpen={setDialog}
            onBrings={setBrings}
          />
        )}
      </Frame>
    </BenchContext.Provider>
  );
}

/** Brings the focus from one side to the other, to what is chosen there; from neither, to where something stands. */
function jumpOver(sides: HTMLElement): void {
  const [supply, making] = [...sides.querySelectorAll<HTMLElement>(":scope > section")];
  const focus = document.activeElement;
  const empty = !making!.querySelector("[data-item]");
  const to = making!.contains(focus) || (empty && !supply!.contains(focus)) ? supply! : making!;
  // The supply may only now be unfolded.
  requestAnimationFrame(() => {
    to.scrollIntoView({ block: "nearest", inline: "start" });
    const first = to.querySelector<HTMLElement>(
      '[data-supply] button[tabindex="0"], [data-item][tabindex="0"]',
    );
    (first ?? to.querySelector<HTMLElement>('[role="tab"][tabindex="0"], button'))?.focus();
  });
}

const silent = () => undefined;
/** Moves are announced in our own words; see `announce`. */
const SILENT = { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent };
