"use client";

import { useCallback, useLayoutEffect, useRef, useState } from "react";
import { type Clip, readClip } from "@/core/formats/clipboard";
import type { Brings } from "../imports/use-preview";
import { isTyping } from "../shell/commands";
import { holdsLinks } from "./what-comes";
import { hear } from "../shell/early";
import { toast } from "../talk/toast";

/** Without a collection into one's Tray. */
type Into = { team: string; collection?: string; section?: string | null };
type Ways = {
  /** Whether this person may bring things in. */
  allowed: boolean;
  into: Into;
  /** Takes one address. */
  paste: (text: string) => void;
  /** Takes items that were copied or cut on a Bench. @returns whether it did */
  onClip: (clip: Clip) => boolean;
  /** Keeps a text without links. */
  note: (text: string) => void;
  /** Whether lists are taken, to be looked at first; left out: they are. */
  lists?: boolean;
  /** Told when files have arrived. */
  onFiles: () => void;
};

/** Files that mostly hold links for others; they are looked at first, and can still be kept as files. */
const LISTS = /\.(html?|csv|tsv|opml|xml|rss|atom|ris|bib|json)$/i;

/**
 * What is pasted or dropped anywhere on the screen: one address comes in at once, a list after a look at it, text
 * without any link is a note, files are sent.
 * @returns the list to be looked at, what takes files that were chosen, and whether files are or were on their way
 */
export function useBringing(ways: Ways) {
  const [brings, setBrings] = useState<Brings | null>(null);
  const [sending, setSending] = useState(false);
  const now = useRef(ways);
  useLayoutEffect(() => {
    now.current = ways;
  });
  const bringFiles = useCallback((files: File[]) => {
    const { into, onFiles, lists = true } = now.current;
    const [first] = files;
    if (first && lists && files.length === 1 && LISTS.test(first.name))
      setBrings({ name: first.name, file: first });
    else if (first)
      void import("../imports/uploads").then(({ sendFiles }) => sendFiles(files, into, onFiles));
  }, []);
  // With the screen itself, not a beat later: between two screens nothing is heard by the one that is gone.
  useLayoutEffect(() => {
    const bring = ({ text, html, files }: { text: string; html: string; files: File[] }) => {
      const { paste, note, lists = true } = now.current;
      if (files.length) bringFiles(files);
      else if (/^\S+$/.test(text.trim())) paste(text);
      else if (holdsLinks(text, html) && !lists)
        toast("A guest brings in one address at a time. Paste them one by one.");
      else if (holdsLinks(text, html)) setBrings({ name: "", text, html });
      else note(text);
    };
    // What is dragged about within the page is no bringing in.
    let own = false;
    const take = (event: ClipboardEvent | DragEvent, data: DataTransfer | null) => {
      const text = data?.getData("text/plain") ?? "";
      // Some programs put a picture of what was copied beside the text.
      const files = text && event.type === "paste" ? [] : [...(data?.files ?? [])];
      if (!now.current.allowed || own || (!files.length && !text.trim())) return;
      if (isTyping(event.target) || document.querySelector("[role=dialog]")) return;
      event.preventDefault();
      const clip = readClip(data!.getData("text/html"));
      if (clip && now.current.onClip(clip)) return;
      bring({ text, html: data!.getData("text/html"), files });
    };
    const listeners: { [K in keyof WindowEventMap]?: (event: WindowEventMap[K]) => void } = {
      paste: (event) => take(event, event.clipboardData),
      drop: (event) => take(event, event.dataTransfer),
      dragover: (event) => event.preventDefault(),
      dragstart: () => void (own = true),
      dragend: () => void (own = false),
    };
    const show = () => setSending(true);
    for (const [name, listener] of Object.entries(listeners))
      window.addEventListener(name, listener as EventListener);
    window.addEventListener("hobbin:sending", show);
    const unhear = hear();
    return () => {
      unhear();
      for (const [name, listener] of Object.entries(listeners))
        window.removeEventListener(name, listener as EventListener);
      window.removeEventListener("hobbin:sending", show);
    };
  }, [bringFiles]);
  return { brings, setBrings, bringFiles, sending };
}
