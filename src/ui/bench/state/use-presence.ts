"use client";

import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { call } from "../../talk/call";

/** Who else has the collection open. Says so itself every 20 seconds, and when one goes. */
export function usePresence(collection: string): { id: string; name: string; image: string | null }[] {
  const { data } = useQuery({
    queryKey: ["presence", collection],
    queryFn: () => call("collections.be-here", { collection, looks: document.visibilityState === "visible" }),
    refetchInterval: 20_000,
    refetchIntervalInBackground: true,
    retry: false,
  });
  useEffect(() => {
    const leave = () => void call("collections.be-here", { collection, leave: true }).catch(() => undefined);
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [collection]);
  return data?.people ?? [];
}
