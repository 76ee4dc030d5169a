"use client";

import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { toast } from "../talk/toast";
import { call, settled } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { isTyping } from "./commands";
import { useWindowKeys } from "./use-window-keys";

/** Of those who listen the last one acts: a screen that knows what to read again, before the frame around all screens. */
const listening: symbol[] = [];

/** Undo and redo of one's own commands in a team, by Ctrl/Cmd Z and with Shift. They wait for what is still on its way. */
export function useUndo(
  team: string,
  done: () => void = () => undefined,
  begins: () => void = () => undefined,
) {
  const after = useRef({ done, begins });
  useEffect(() => {
    after.current = { done, begins };
  });
  const running = useRef<Promise<unknown>>(Promise.resolve());
  const act = (which: "undo" | "redo", entry?: string) => {
    running.current = running.current.then(async () => {
      await settled();
      after.current.begins();
      try {
        const answer =
          which === "undo"
            ? await call("history.undo", { team, ...(entry && { entry }) })
            : await call("history.redo", { team });
        if (!answer.done) return sayRefused(which === "undo" ? "Not undone" : "Not done again", answer);
        after.current.done();
        toast(`${which === "undo" ? "Undone" : "Done again"}: ${answer.words}`, {
          duration: 4_000,
          ...(which === "undo" && { action: { label: "Do it again", onClick: () => act("redo") } }),
        });
      } catch (error) {
        sayFailure(error);
      }
    });
  };
  const [me] = useState(() => Symbol(team));
  useLayoutEffect(() => {
    if (!team) return;
    listening.push(me);
    return () => void listening.splice(listening.indexOf(me), 1);
  }, [team, me]);
  useWindowKeys((event) => {
    if (listening.at(-1) !== me) return;
    if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event.target)) return;
    const key = event.key.toLowerCase();
    if (key !== "z" && key !== "y") return;
    event.preventDefault();
    act(key === "y" || event.shiftKey ? "redo" : "undo");
  });
  return { undo: (entry?: string) => act("undo", entry), redo: () => act("redo") };
}

/** Says why nothing was done, and of which entry. */
function sayRefused(what: string, { words, why }: { words: string | null; why: string }): void {
  toast(words ? `${what}: ${words}. ${why}` : why, { duration: 8_000 });
}

/**
 * Says what was done, with a button that takes just this back.
 * @param to where what was done can be seen, when that is elsewhere
 */
export function sayDone(
  words: string,
  team: string,
  entry: string | null,
  undone: () => void = () => undefined,
  to?: { words: string; go: () => void },
): void {
  const undo = async () => {
    await settled();
    const answer = await call("history.undo", { team, ...(entry && { entry }) });
    if (answer.done) undone();
    else sayRefused("Not undone", answer);
  };
  toast(words, {
    ...(entry && { action: { label: "Undo", onClick: () => void undo().catch(sayFailure) } }),
    ...(to && { cancel: { label: to.words, onClick: to.go } }),
  });
}
