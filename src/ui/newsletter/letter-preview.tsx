"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";

/** The issue as it comes to a mailbox: with its look, and as the plain text that goes with it. */
export function LetterPreview({ letter }: { letter: Answer<"newsletters.preview"> | undefined }) {
  const [plain, setPlain] = useState(false);
  return (
    <section
      aria-label="As it comes"
      className="flex min-h-[60vh] flex-col overflow-hidden rounded-md border border-line bg-sheet"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-1.5 text-sm">
        <p className="mr-auto min-w-0 break-words text-quiet">As it comes to a mailbox</p>
        <div role="group" aria-label="Form" className="flex">
          {[false, true].map((one) => (
            <button
              key={String(one)}
              type="button"
              aria-pressed={plain === one}
              onClick={() => setPlain(one)}
              className={`h-8 rounded-md px-2.5 ${plain === one ? "bg-wash font-semibold text-accent" : "text-quiet hover:text-ink"}`}
            >
              {one ? "Plain text" : "With its look"}
            </button>
          ))}
        </div>
      </div>
      {plain ? (
        <pre
          className="min-h-0 flex-1 overflow-auto p-5 font-mono text-sm break-words whitespace-pre-wrap scrolls"
          tabIndex={0}
        >
          {letter?.text}
        </pre>
      ) : (
        <iframe
          // Nothing of it runs, and what it leads to opens beside it.
          sandbox="allow-popups allow-popups-to-escape-sandbox"
          srcDoc={letter?.html.replace("<head>", '<head><base target="_blank">')}
          title="The issue as it comes to a mailbox"
          className="min-h-0 flex-1 border-0"
        />
      )}
    </section>
  );
}
