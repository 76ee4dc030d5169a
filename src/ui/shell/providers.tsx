"use client";

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import { type HeldBack, onHeldBack } from "../talk/originals";
import { onFirstToast } from "../talk/toast";
import { useShown } from "../parts/tip-store";

const HeldBackPages = dynamic(() => import("./held-back").then((m) => m.HeldBackPages), { ssr: false });
const Tips = dynamic(() => import("../parts/tips").then((m) => m.Tips), { ssr: false });
const Toasts = dynamic(() => import("./toasts").then((m) => m.Toasts), { ssr: false });

/** What every screen needs around it: kept answers, toasts, tooltips. */
export function Providers({ children }: { children: React.ReactNode }) {
  const [client] = useState(() => {
    const client = new QueryClient({
      // What changes is told by the event stream; nothing is asked for again on a mere focus.
      defaultOptions: { queries: { staleTime: 60_000, refetchOnWindowFocus: false, retry: 1 } },
    });
    // The details of one thing after another are looked at all day long; they are not kept for long.
    for (const key of ["resource", "proposal", "history", "tags-suggested"])
      client.setQueryDefaults([key], { gcTime: 60_000 });
    return client;
  });
  const [held, setHeld] = useState<HeldBack | null>(null);
  useEffect(() => onHeldBack(setHeld), []);
  const shown = useShown();
  const [toasts, setToasts] = useState(false);
  useEffect(() => {
    onFirstToast(() => setToasts(true));
    // Without a connection they could not be loaded any more, and that is when there is something to say.
    const timer = setTimeout(() => setToasts(true), 3_000);
    return () => clearTimeout(timer);
  }, []);
  return (
    <QueryClientProvider client={client}>
      {children}
      {held && <HeldBackPages held={held} onClose={() => setHeld(null)} />}
      {shown && <Tips shown={shown} />}
      {toasts && <Toasts />}
    </QueryClientProvider>
  );
}
