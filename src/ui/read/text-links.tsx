"use client";

import { useState } from "react";
import { MOST_LINKS } from "@/core/mail/forwarded";
import { bareLine } from "@/core/imports/brought";
import { sendImport } from "../imports/send-import";
import { Button } from "../parts/button";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

/** The links of a letter or a document, to be picked: none is brought in by itself. */
export function TextLinks({
  team,
  title,
  of,
  links,
}: {
  team: string;
  title: string;
  of: "letter" | "document";
  links: { address: string; title: string }[];
}) {
  const [picked, setPicked] = useState<Set<string>>(new Set());
  const bring = async () => {
    try {
      const lines = links
        .filter((link) => picked.has(link.address))
        .map((link) => bareLine(link.address, { title: link.title }));
      await sendImport({ team }, `Links of ${title}`.slice(0, 200), {
        places: [],
        lines,
        separator: "comma",
      });
      toast(`${lines.length} ${lines.length === 1 ? "link waits" : "links wait"} in your Tray.`);
      setPicked(new Set());
    } catch (failure) {
      sayFailure(failure);
    }
  };
  return (
    <section
      aria-label={`Links in this ${of}`}
      className="mx-auto mt-8 max-w-[68ch] border-t border-line pt-4"
    >
      <h2 className="font-serif text-xl font-semibold">Links in this {of}</h2>
      {links.length >= MOST_LINKS && (
        <p className="mt-1 text-[15px] text-quiet">
          These are the first {MOST_LINKS.toLocaleString("en")}. What comes after them stands in the {of}
          itself.
        </p>
      )}
      {links.length > 1 && (
        <label className="mt-3 flex w-fit items-center gap-2 text-[15px] font-semibold">
          <input
            type="checkbox"
            className="size-4 accent-[var(--accent)]"
            checked={picked.size === links.length}
            onChange={(event) =>
              setPicked(new Set(event.target.checked ? links.map((link) => link.address) : []))
            }
          />
          All {links.length} of them
        </label>
      )}
      <ul className="my-3">
        {links.map((link) => (
          <li
            key={link.address}
            className="py-1 [contain-intrinsic-size:auto_56px] [content-visibility:auto]"
          >
            <label className="flex items-start gap-2 text-[15px]">
              <input
                type="checkbox"
                className="mt-1 size-4 accent-[var(--accent)]"
                checked={picked.has(link.address)}
                onChange={() =>
                  setPicked((old) => {
                    const next = new Set(old);
                    if (!next.delete(link.address)) next.add(link.address);
                    return next;
                  })
                }
              />
              <span className="min-w-0">
                <span className="block">{link.title || link.address}</span>
                {link.title && <span className="block truncate text-sm text-quiet">{link.address}</span>}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <Button look="accent" disabled={!picked.size} onClick={() => void bring()}>
        {picked.size ? `Bring ${picked.size} into my Tray` : "Tick what to bring in"}
      </Button>
    </section>
  );
}
