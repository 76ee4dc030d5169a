"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useCallback, useMemo, useReducer, useRef } from "react";
import { groupBy } from "@/core/list/group-by";
import { sortItems } from "@/core/list/sort-items";
import type { ViewSetting } from "@/core/list/view-setting";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import type { Me, TeamRow } from "../../shell/frame";
import { useBringing } from "../../gather/use-bringing";
import { holdLetters } from "../../shell/hold-letters";
import { sayDone, useUndo } from "../../shell/use-undo";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { isOutOfOrder, openedWith, reduce } from "./bench-state";
import type { DetailField, Landing, Supplied } from "./types";
import { useBroughtBack } from "./use-brought-back";
import { useBenchKeys } from "./use-bench-keys";
import { useBenchLive } from "./use-bench-live";
import { useArrival } from "./use-arrival";

import { useClipboard } from "./use-clipboard";
import { useCommands } from "./use-commands";
import { useDrag } from "./use-drag";
import { focusItem, focusNew, useItemKeys } from "./use-item-keys";
import { useItems } from "./use-items";
import { useLift } from "./use-lift";
import { useSections } from "./use-sections";
import { useSelection } from "./use-selection";
import { useSweep } from "./use-sweep";

export type BenchProps = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  first: Answer<"collections.read">;
  talk: Answer<"comments.of-collection">;
  news: Answer<"collections.news">;
};

/** Everything that is on the Bench and can be done there, for the parts that draw it. */
export function useBenchOf({ me, team, first, talk }: BenchProps) {
  const router = useRouter();
  const client = useQueryClient();
  const id = first.collection.id;
  const { data: head } = useQuery({
    queryKey: ["collection", id],
    queryFn: () => ask("collections.read", { collection: id }),
    initialData: first,
  });
  const [state, take] = useReducer(reduce, first.setting, openedWith);
  const dispatch = useCallback((action: Parameters<typeof take>[0]) => {
    // What opens has a field first.
    if ((action.type === "window" && action.window) || (action.type === "ask" && action.asking))
      holdLetters();
    take(action);
  }, []);
  const { setting, found, opened } = state;
  const { items: own, change, renew, reload } = useItems(id, first, head.sections);
  const items = useMemo(() => {
    const sorted = sortItems(own, setting.sort, setting.down);
    return found ? sorted.filter((item) => found.has(item.id)) : sorted;
  }, [own, setting.sort, setting.down, found]);
  const selection = useSelection(items);
  const sides = useRef<HTMLDivElement>(null);
  // Where one is a guest besides, the stronger of both holds.
  const { role, guest } = head.collection;
  const arranges = may(role, "arrange");
  const contributes = may(role, "bring");
  const sorted = isOutOfOrder(state);
  const announce = (words: string) => dispatch({ type: "say", words });
  const toggle = (item: string, field?: DetailField) => dispatch({ type: "toggle", item, field });
  useArrival({
    ...{ talk, choose: selection.choose },
    talkAt: (item) => dispatch({ type: "toggle", item, field: "talk" }),
    talkOf: (section) => dispatch({ type: "window", window: `talk:${section}` }),
  });
  const setView = (wish: Partial<ViewSetting>) => {
    dispatch({ type: "view", wish });
    call("collections.set-view", { collection: id, ...setting, ...wish }).catch(sayFailure);
  };

  const {
    commands,
    along,
    spot,
    move,
    send,
    place,
    placeMany,
    takeLent,
    showLent,
    moveHere,
    capture,
    paste,
    note,
    writeText,
  } = useCommands({
    team: team.id,
    collection: id,
    items,
    sections: head.sections,
    selected: selection.current,
    marked: selection.marked,
    change,
    renew,
    reload,
    select: selection.choose,
    toggle,
    write: (item) => (holdLetters(), dispatch({ type: "write", item })),
    written: (item) => dispatch({ type: "written", item }),
    focusNew,
    announce,
    ask: (asking) => dispatch({ type: "ask", asking }),
    go: (path) => router.push(path),
  });
  const headAgain = () => client.invalidateQueries({ queryKey: ["collection", id] });
  const backAgain = useBroughtBack(own, selection.choose);
  useUndo(
    team.id,
    () => {
      reload();
      void headAgain();
    },
    backAgain,
  );
  useBenchLive(team.id, id, { renew, reload });
  const sections = useSections({ team: team.id, head, reload, announce });
  const lift = useLift(items, head.sections, { move: (ids, landing) => move(ids, landing), announce });
  const sweep = useSweep(selection);
  const clipboard = useClipboard(team.id, selection.chosen, announce);
  const placeAll = (resources: Supplied[], landing?: Landing) => {
    const ids = resources.map((one) => one.id);
    const [first] = resources;
    if (first?.lent)
      for (const [from, some] of groupBy(resources, (one) => one.lent!.from))
        takeLent(from, { items: some.map((one) => one.id) }, landing);
    else if (resources.length === 1) place(first!, landing);
    else placeMany({ resources: ids }, landing);
  };
  const drag = useDrag(items, { along, move, send, place: placeAll, sorted });

  const spotSection =
    items.find((item) => item.id === selection.current)?.section ?? head.sections.at(-1)?.id ?? null;
  const bringing = useBringing({
    allowed: contributes,
    lists: !guest,
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
    onFiles: () => (reload(), void headAgain()),
  });
  const paletteCommands = useBenchKeys({
    arranges,
    guest,
    folded: state.folded,
    newSection: sections.add,
    writeText,
    newInside: () => dispatch({ type: "window", window: "inside" }),
    newBeside: () => dispatch({ type: "window", window: "beside" }),
    fold: () => dispatch({ type: "fold" }),
    jump: () => {
      if (document.activeElement?.closest("[data-making]")) dispatch({ type: "fold", folded: false });
      jumpOver(sides.current!);
    },
    narrow: () => dispatch({ type: "narrow", text: "" }),
    setView,
    publish: () => router.push(`/publish/${id}`),
    cite: () => router.push(`/bench/${id}/references`),
    save: () => dispatch({ type: "window", window: "save" }),
    talk: () => dispatch({ type: "window", window: "talk:" }),
    handOut: () => dispatch({ type: "window", window: "hand-out" }),
    guests: () => dispatch({ type: "window", window: "guests" }),
    happened: () => router.push(`/bench/${id}/history`),
    askForSuggestions: () => router.push(`/team/${team.id}/suggestions/${id}`),
  });
  const onItemKey = useItemKeys({
    items,
    selection,
    commands,
    lift,
    arranges,
    brings: contributes,
    sorted,
    view: setting.view,
    opened,
    close: () => dispatch({ type: "close" }),
    toggle,
    announce,
  });
  /** What rows and cards need; it changes only with the collection, so that they need not be drawn again. */
  const readers = head.collection.door?.path ?? null;
  const context = useMemo(
    () => ({
      ...{ team: team.id, collection: id, arranges, brings: contributes, guest, readers, commands },
      ...{ me: { id: me.id, name: me.name }, role },
      openTalk: (section = "") => dispatch({ type: "window", window: `talk:${section}` }),
    }),
    [team.id, role, guest, id, me.id, me.name, arranges, contributes, readers, commands, dispatch],
  );
  const here = useMemo(() => new Set(own.map((item) => item.resource.id)), [own]);

  const removeCollection = () =>
    void call("collections.remove", { collection: id })
      .then(({ inside, entry }) => {
        const words = `In the bin: ${head.collection.title}${inside ? ` and ${inside} inside` : ""}`;
        sayDone(words, team.id, entry, () => router.push(`/bench/${id}`));
        router.push(`/team/${team.id}`);
      })
      .catch(sayFailure);
  const stopNarrowing = () => {
    dispatch({ type: "narrow", text: null });
    const back = selection.current ?? own[0]?.id;
    if (back) focusItem(back);
  };

  return {
    ...{ id, head, own, items, here, spotSection, state, dispatch, selection, sides, context },
    ...{ arranges, contributes, guest, sections, lift, sweep, clipboard, drag, bringing, paletteCommands },
    ...{
      capture,
      send,
      placeAll,
      takeLent,
      showLent,
      writeText,
      setView,
      onItemKey,
      removeCollection,
      stopNarrowing,
    },
  };
}
export type Workshop = ReturnType<typeof useBenchOf>;

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
