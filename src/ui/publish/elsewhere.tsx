"use client";

import { useState } from "react";
import { VIEW_WORDS } from "@/core/list/view-setting";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import { copyText } from "../talk/copy-text";

const LOOKS = (["rows", "cards", "steps"] as const).map((view) => [view, VIEW_WORDS[view]] as const);
const FEEDS = [
  ["atom", "Atom"],
  ["rss", "RSS"],
  ["json", "JSON Feed"],
] as const;

/** Ways into other places: a frame for another site, feeds of what comes in, the sheet on paper. */
export function Elsewhere({ title, link }: { title: string; link: string }) {
  const [view, setView] = useState<string>("rows");
  const [head, setHead] = useState(true);
  const frame = `<iframe src="${link}?view=${view}${head ? "" : "#bare"}" width="720" height="600" title="${title.replaceAll("&", "&amp;").replaceAll('"', "&quot;")}" style="border:0" loading="lazy"></iframe>`;
  return (
    <details>
      <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">
        In other places, and on paper
      </summary>
      <div className="mt-2 flex flex-col gap-3 text-[15px]">
        <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
          <Choice
            label="Set into another site as"
            options={LOOKS}
            value={view}
            onChange={(event) => setView(event.target.value)}
          />
          <label className="flex h-10 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={head}
              onChange={(event) => setHead(event.target.checked)}
            />
            With its head
          </label>
          <Button onClick={() => void copyText(frame, "The frame is copied.")}>Copy the frame</Button>
        </div>
        <p>
          Feed of what comes in:{" "}
          {FEEDS.map(([ending, words]) => (
            <a
              key={ending}
              href={`${link}/feed.${ending}`}
              className="mr-3 text-accent underline underline-offset-2"
            >
              {words}
            </a>
          ))}
        </p>
        <p>
          <a
            href={`${link}/paper`}
            target="_blank"
            rel="noreferrer"
            className="text-accent underline underline-offset-2"
          >
            The sheet on paper
          </a>
          , with a QR code beside each link
        </p>
      </div>
    </details>
  );
}
