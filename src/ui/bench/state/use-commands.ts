"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef } from "react";
import type { BenchCommands } from "./bench-context";
import { groundOf, type State } from "./commands/ground";
import { mendingOn } from "./commands/mending";
import { movingOn } from "./commands/moving";
import { placingOn } from "./commands/placing";

/** What can be done with the items of the open collection. Everything shows at once and is sent behind it. */
export function useCommands(state: State) {
  const client = useQueryClient();
  const now = useRef(state);
  // eslint-disable-next-line react-hooks/refs -- the commands below always act on the newest state and never change themselves
  now.current = state;

  return useMemo(() => {
    // eslint-disable-next-line react-hooks/refs -- read when a command is done, not while drawing
    const ground = groundOf(now, client);
    const { along, change } = ground;
    const { remove, step, ...moving } = movingOn(ground);
    const { spot, ...placing } = placingOn(ground);
    const commands: BenchCommands = {
      select: (id, how) => now.current.select(id, how),
      ask: (what, id) => now.current.ask({ what, ids: along(id).map((item) => item.id) }),
      toggle: (id, focus) => now.current.toggle(id, focus),
      change,
      remove,
      step,
      ...mendingOn(ground),
    };
    return { commands, along, spot, ...moving, ...placing };
  }, [client]);
}
