"use client";

import { DndContext, DragOverlay } from "@dnd-kit/core";
import { Frame } from "../shell/frame";
import { BenchProvider, useWorkshop } from "./bench-provider";
import { Seam, useSourcesWidth } from "./head/seam";
import { SideSwitch } from "./head/side-switch";
import { Carried } from "./item/item-words";
import { MakingSide } from "./making-side";
import type { BenchProps } from "./state/use-bench";
import { SupplySide } from "./supply-side";
import { Windows } from "./windows";

/** The main screen: supply on one side, the collection that is being made on the other. */
export const Bench = (props: BenchProps) => (
  <BenchProvider {...props}>
    <Sides {...props} />
  </BenchProvider>
);

function Sides({ me, teams, team }: BenchProps) {
  const { state, dispatch, sides, drag, contributes, guest, paletteCommands } = useWorkshop();
  const [width, setWidth] = useSourcesWidth();
  const columns = guest
    ? "md:grid-cols-[minmax(0,1fr)]"
    : state.folded
      ? "md:grid-cols-[44px_14px_minmax(0,1fr)]"
      : "md:grid-cols-[min(var(--sources),45vw)_14px_minmax(0,1fr)]";
  return (
    <Frame
      me={me}
      teams={teams}
      team={team}
      commands={paletteCommands}
      onNarrow={(text) => dispatch({ type: "narrow", text })}
      onBring={contributes ? () => dispatch({ type: "window", window: "bring" }) : undefined}
    >
      <DndContext
        {...drag.context}
        accessibility={{ screenReaderInstructions: { draggable: "" }, announcements: SILENT }}
      >
        <main
          id="main"
          ref={sides}
          style={{ "--sources": `${width}px` } as React.CSSProperties}
          className={`swipe relative grid min-h-0 flex-1 overflow-x-auto ${guest ? "max-md:grid-cols-[100%]" : "max-md:grid-cols-[100%_100%]"} md:mx-3 md:mb-3 md:overflow-hidden md:rounded-md md:border md:border-line ${columns}`}
        >
          {!guest && (
            <>
              <SupplySide team={team.id} />
              {state.folded ? (
                <div className="seam bg-sheet max-md:hidden" aria-hidden />
              ) : (
                <Seam width={width} onWidth={setWidth} />
              )}
            </>
          )}
          <MakingSide />
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
      {!guest && <SideSwitch sides={sides} />}
      <Windows team={team.id} />
    </Frame>
  );
}

const silent = () => undefined;
/** Moves are announced in our own words; see `announce`. */
const SILENT = { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent };
