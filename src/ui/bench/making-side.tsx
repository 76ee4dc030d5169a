"use client";

import dynamic from "next/dynamic";
import { useWorkshop } from "./bench-provider";
import { MakingHead } from "./head/making-head";
import { ListView } from "./views/list-view";
import type { ViewProps } from "./views/view-props";

// Not in the first load.
const BoardView = dynamic(() => import("./views/board-view").then((m) => m.BoardView), { ssr: false });
const SelectionBar = dynamic(() => import("./dialogs/selection-bar").then((m) => m.SelectionBar), {
  ssr: false,
});
const Ghosts = dynamic(() => import("./head/ghosts").then((m) => m.Ghosts), { ssr: false });
const FilterBox = dynamic(() => import("./head/filter-box").then((m) => m.FilterBox), { ssr: false });

/** The collection that is being made, in the view one has chosen. */
export function MakingSide() {
  const workshop = useWorkshop();
  const { head, own, items, state, dispatch, selection, sections, drag, lift, setView } = workshop;
  const { setting } = state;
  const waiting = own.filter((item) => item.resource.fetchState === "waiting").length;
  const view: ViewProps = {
    head,
    items,
    setting,
    current: selection.current,
    marked: selection.marked,
    cut: workshop.clipboard.cut,
    lifted: lift.lifted,
    opened: state.opened,
    writing: state.writing,
    choosing: state.choosing,
    landing: lift.landing ?? drag.landing,
    newSection: sections.fresh,
    onKeyDown: workshop.onItemKey,
    onSet: setView,
    onSection: sections.add,
    onMoveSection: sections.move,
    onRemoveSection: sections.remove,
  };
  return (
    <section
      aria-label="Collection"
      // On a phone it is the side one begins on, before any script has said so.
      className="relative flex min-h-0 min-w-0 flex-col bg-sheet max-md:[scroll-initial-target:nearest] short:overflow-auto"
      {...workshop.sweep}
    >
      <MakingHead
        head={head}
        setting={setting}
        over={drag.elsewhere?.collection ?? null}
        reading={waiting > 3 ? { done: own.length - waiting, of: own.length } : null}
        onSet={setView}
        onNarrow={() => dispatch({ type: "narrow", text: "" })}
        choosing={state.choosing}
        onChoosing={(on) => {
          dispatch({ type: "choosing", on });
          if (!on) selection.choose(selection.current);
        }}
        onSection={sections.add}
        onText={workshop.writeText}
        onInside={() => dispatch({ type: "window", window: "inside" })}
        onSave={() => dispatch({ type: "window", window: "save" })}
        onGuests={() => dispatch({ type: "window", window: "guests" })}
        onLeave={() => dispatch({ type: "window", window: "leave" })}
        onHandOut={() => dispatch({ type: "window", window: "hand-out" })}
        onRemove={workshop.removeCollection}
      />
      {state.filtering !== null && (
        <FilterBox
          first={state.filtering}
          items={own}
          onFound={(found) => dispatch({ type: "found", found })}
          onClose={workshop.stopNarrowing}
        />
      )}
      {setting.view === "board" && setting.sort === "own" ? <BoardView {...view} /> : <ListView {...view} />}
      {!workshop.guest && <Ghosts title={head.collection.title} />}
      {(selection.chosen.length > 1 || state.choosing) && (
        <SelectionBar
          selection={selection}
          onDone={() => {
            dispatch({ type: "choosing", on: false });
            selection.choose(selection.current);
          }}
        />
      )}
    </section>
  );
}
