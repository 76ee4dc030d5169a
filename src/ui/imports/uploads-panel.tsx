"use client";

import { saySize } from "@/core/list/say-size";
import { X } from "lucide-react";
import { IconButton } from "../parts/button";
import { Progress } from "../parts/progress";
import { clearDone, type Upload, useUploads } from "./uploads";

const STATES: Record<Upload["state"], string> = {
  waiting: "Waits",
  sending: "",
  paused: "No connection; goes on by itself",
  done: "Arrived",
  known: "Here already",
  failed: "",
};

/** The files on their way, in the corner of the page until they have arrived. */
export function UploadsPanel() {
  const uploads = useUploads();
  if (!uploads.length) return null;
  const over = uploads.every(
    (one) => one.state === "done" || one.state === "known" || one.state === "failed",
  );
  return (
    <section
      aria-label="Files on their way"
      className="fixed right-4 bottom-4 z-30 flex max-h-[50vh] w-80 max-w-[calc(100vw-2rem)] flex-col rounded-md border border-line bg-sheet shadow-lift"
    >
      <header className="flex items-center gap-2 border-b border-line py-1 pr-1 pl-4">
        <h2 className="flex-1 font-semibold">
          {over ? "Files" : `${uploads.filter((one) => one.state === "sending").length} on their way`}
        </h2>
        <IconButton label="Put this away" onClick={clearDone}>
          <X size={16} aria-hidden />
        </IconButton>
      </header>
      <ul className="overflow-y-auto px-4 py-2" aria-live="polite">
        {uploads.map((one) => (
          <li key={one.id} className="py-1.5">
            <p className="flex gap-2 text-[15px]">
              <span className="min-w-0 flex-1 truncate">{one.name}</span>
              <span className="shrink-0 text-sm text-quiet">{saySize(one.bytes)}</span>
            </p>
            {one.state === "sending" ? (
              <Progress done={one.sent} of={one.bytes} words={`${saySize(one.sent)} sent`} />
            ) : (
              <p className={`text-sm ${one.state === "failed" ? "text-stop" : "text-quiet"}`}>
                {one.words || STATES[one.state]}
              </p>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
