"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { readBookmarks } from "@/core/formats/bookmarks-read";
import type { ImportedFolder } from "@/core/formats/imported";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Chosen = { name: string; text: string; links: number; folders: number; passedOver: number };

/** Brings in a browser's bookmark file: says what is in it first, then does it. */
export function ImportDialog({
  open,
  onOpenChange,
  team,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string;
}) {
  const client = useQueryClient();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [error, setError] = useState("");
  const [done, setDone] = useState<Answer<"import.bookmarks"> | null>(null);
  const [busy, setBusy] = useState(false);
  const choose = async (file: File | undefined) => {
    setError("");
    setDone(null);
    setChosen(null);
    if (!file) return;
    if (file.size > 4_000_000) return setError("This file is larger than 4 MB. Export one folder at a time.");
    const text = await file.text();
    const { root, passedOver } = readBookmarks(text);
    const { links, folders } = count(root);
    if (!links && !folders)
      return setError(
        "There are no links in this file. A bookmark file is what a browser writes when it exports its bookmarks.",
      );
    setChosen({ name: file.name, text, links, folders, passedOver });
  };
  const bring = async () => {
    setBusy(true);
    try {
      setDone(await call("import.bookmarks", { team, file: chosen!.text }));
      void client.invalidateQueries();
    } catch (failure) {
      sayFailure(failure);
    }
    setBusy(false);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Bring in a bookmark file"
      about="Folders become collections. Tags, times, notes and order stay."
    >
      {done ? (
        <div className="flex flex-col gap-3">
          <p role="status">
            {done.links} links stand in {done.collections.length}{" "}
            {done.collections.length === 1 ? "collection" : "collections"}; {done.fresh} were new and are
            being read now.
            {done.passedOver > 0 && ` ${done.passedOver} entries are no web addresses and were left out.`}
          </p>
          <Button
            look="deed"
            onClick={() => window.location.assign(`/bench/${done.collections[0]}`)}
            className="self-end"
          >
            Open the first
          </Button>
        </div>
      ) : (
        <div className="flex flex-col gap-4">
          <label className="flex flex-col gap-1">
            <span className="text-sm font-semibold">File</span>
            <input
              type="file"
              accept=".html,.htm,text/html"
              aria-invalid={!!error}
              onChange={(event) => void choose(event.target.files?.[0])}
              className="text-[15px] file:mr-3 file:h-10 file:rounded-md file:border file:border-deed file:bg-sheet file:px-4 file:font-semibold file:text-deed"
            />
            {error && (
              <span role="alert" className="text-sm text-stop">
                {error}
              </span>
            )}
          </label>
          {chosen && (
            <p role="status">
              {chosen.name} holds {chosen.links} {chosen.links === 1 ? "link" : "links"} in {chosen.folders}{" "}
              {chosen.folders === 1 ? "folder" : "folders"}.
              {chosen.passedOver > 0 && ` ${chosen.passedOver} entries are no web addresses and stay out.`}
            </p>
          )}
          <Button look="deed" disabled={!chosen || busy} onClick={() => void bring()} className="self-end">
            {busy ? "Bringing in …" : "Bring it in"}
          </Button>
        </div>
      )}
    </Dialog>
  );
}

function count(folder: ImportedFolder): { links: number; folders: number } {
  let links = 0;
  let folders = 0;
  for (const child of folder.children) {
    if (child.type === "link") links++;
    else {
      const inner = count(child);
      links += inner.links;
      folders += 1 + inner.folders;
    }
  }
  return { links, folders };
}
