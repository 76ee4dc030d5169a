"use client";

import { useQuery } from "@tanstack/react-query";
import { PanelLeftClose, PanelLeftOpen } from "lucide-react";
import { useEffect } from "react";
import { IconButton } from "../parts/button";
import { ask } from "../talk/call";
import { useWorkshop } from "./bench-provider";
import { Supply } from "./supply/supply";

/** Where things come from; it folds away when one only arranges. */
export function SupplySide({ team }: { team: string }) {
  const { id, here, contributes, placeAll, state, dispatch } = useWorkshop();
  const { folded, setting } = state;
  // A table wants the room, and of an empty Tray there is nothing to see; whoever wants the side shows it again.
  const tray = useQuery({ queryKey: ["tray", team], queryFn: () => ask("tray.read", { team }) });
  const isInTheWay = setting.view === "table" && tray.data?.count === 0;
  useEffect(() => {
    if (isInTheWay) dispatch({ type: "fold", folded: true });
  }, [isInTheWay, dispatch]);
  return (
    <section aria-label="Sources" className="flex min-h-0 flex-col bg-sunk short:overflow-y-auto">
      {folded ? (
        <IconButton
          label="Show the sources (S)"
          onClick={() => dispatch({ type: "fold", folded: false })}
          className="m-1 max-md:hidden"
        >
          <PanelLeftOpen size={18} aria-hidden />
        </IconButton>
      ) : null}
      <div className={folded ? "flex min-h-0 flex-1 flex-col md:hidden" : "contents"}>
        <Supply
          team={team}
          collection={id}
          here={here}
          onPlace={contributes ? (resources) => placeAll(resources) : undefined}
          end={
            <IconButton
              label="Fold the sources away (S)"
              onClick={() => dispatch({ type: "fold", folded: true })}
              className="max-md:hidden"
            >
              <PanelLeftClose size={18} aria-hidden />
            </IconButton>
          }
        />
      </div>
    </section>
  );
}
