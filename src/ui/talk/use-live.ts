"use client";

import { useEffect, useRef } from "react";
import type { LiveEvent } from "@/services/events/hub";

type Handlers = { onEvents: (events: LiveEvent[]) => void; onReload: () => void };

/**
 * Hears what happens in a team. Events that come together are handed on together. After a break the browser comes
 * back by itself and names the last event it saw; when too much was missed, everything is to be read anew.
 */
export function useLive(team: string, handlers: Handlers): void {
  const current = useRef(handlers);
  useEffect(() => {
    current.current = handlers;
  });
  useEffect(() => {
    let source: EventSource | null = null;
    let waiting: LiveEvent[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = "";
    let broken = false;
    const open = () => {
      source = new EventSource(`/api/live?team=${team}${last ? `&last=${encodeURIComponent(last)}` : ""}`);
      source.onopen = () => {
        // Without a last event there is nothing to catch up from.
        if (broken && !last) current.current.onReload();
        broken = false;
      };
      source.onmessage = (message) => {
        last = message.lastEventId;
        waiting.push(JSON.parse(message.data as string) as LiveEvent);
        timer ??= setTimeout(() => {
          timer = undefined;
          const events = waiting;
          waiting = [];
          current.current.onEvents(events);
        }, 30);
      };
      source.addEventListener("reload", () => current.current.onReload());
      source.onerror = () => {
        broken = true;
        // The browser retries by itself unless the answer was a refusal.
        if (source?.readyState === EventSource.CLOSED) setTimeout(open, 5_000);
      };
    };
    open();
    return () => {
      clearTimeout(timer);
      source?.close();
      source = null;
    };
  }, [team]);
}
