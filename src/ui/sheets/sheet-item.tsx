"use client";

import { Check } from "lucide-react";
import { useState } from "react";
import type { SheetItem as Item } from "@/core/handouts/sheet-view";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../parts/button";
import { KindWord } from "../parts/kind";
import { SavedText } from "../parts/saved-text";
import type { Sheet, SheetText } from "./use-sheet";

type Props = {
  item: Item;
  sheet?: Sheet;
  writes: boolean;
  /** Where the files of its items are, for who holds the card. */
  files?: string;
};

/** An item of a handout: why it stands here, what it is, whether it is done, and what its learner wrote. */
export function SheetItem({ item, sheet, writes, files }: Props) {
  if (item.look === "text")
    return (
      <li className="py-3 font-serif text-quiet">
        {item.heading && <b>{item.heading}. </b>}
        {item.description}
      </li>
    );
  const name = item.heading || item.title;
  const address = item.address || (item.hasFile && !item.gone && files && `${files}/${item.id}`);
  // The title of a note is how it begins.
  const isPlainNote = item.kind === "note" && !item.heading && item.description !== "";
  return (
    <li className="flex gap-2 border-b border-line py-3">
      <span className="flex size-11 shrink-0 justify-center pt-1">
        {sheet ? (
          <input
            type="checkbox"
            aria-label={`Done: ${name}`}
            checked={item.done}
            onChange={(event) => sheet.tick(item.id, event.target.checked)}
            className="size-6 accent-accent"
          />
        ) : (
          item.done && <Check size={24} role="img" aria-label="Done" className="text-accent" />
        )}
      </span>
      <div className="flex min-w-0 flex-1 flex-col gap-2">
        <div className="flex flex-col gap-0.5">
          {item.context.words && !item.isOwn && (
            <p className="font-serif text-lg break-words">{item.context.words}</p>
          )}
          {!isPlainNote && (
            <p className={`break-words ${item.context.words && !item.isOwn ? "" : "font-serif text-lg"}`}>
              {address ? (
                <a
                  href={address}
                  target="_blank"
                  rel="noopener noreferrer"
                  className="font-semibold underline decoration-line underline-offset-2 hover:decoration-ink"
                >
                  {name}
                </a>
              ) : (
                <span className="font-semibold">{name || "Something that was here"}</span>
              )}
            </p>
          )}
          <p className="flex flex-wrap gap-x-2 text-sm text-quiet">
            <KindWord kind={item.kind} />
            {(item.siteName || item.host) && <span className="break-all">{item.siteName || item.host}</span>}
            {item.minutes !== null && <span>{sayMinutes(item.minutes)}</span>}
          </p>
          {item.quotation && (
            <blockquote className="border-l-2 border-line pl-3">{item.quotation}</blockquote>
          )}
          {item.kind === "note" && item.description && (
            <p className="break-words whitespace-pre-wrap">{item.description}</p>
          )}
        </div>
        {item.gone && (
          <p className="text-sm text-quiet">
            This was taken out since. It stays here for what was written at it.
          </p>
        )}
        {writes && <Written item={item} sheet={sheet} name={name} />}
      </div>
    </li>
  );
}

/** What the learner wrote at an item, and where they go on. */
function Written({ item, sheet, name }: { item: Item; sheet?: Sheet; name: string }) {
  const [opened, setOpened] = useState<SheetText | null>(null);
  if (!sheet)
    return (
      <>
        {item.isOwn && <Said label="In own words">{item.context.words}</Said>}
        {item.answer && <Said label="Answer">{item.answer}</Said>}
        {item.note && <Said label="A note for yourself">{item.note}</Said>}
      </>
    );
  const field = (of: SheetText, label: string, value: string) => (
    <SavedText
      key={of}
      lines
      label={label}
      value={value}
      autoFocus={opened === of}
      maxLength={of === "context" ? 4_000 : 10_000}
      onSave={(text, base) => sheet.write(item.id, of, text, base)}
    />
  );
  const own = item.isOwn || opened === "context";
  const noted = item.note !== "" || opened === "note";
  return (
    <>
      {own && field("context", `Why “${name}” stands here, in your own words`, item.context.words)}
      {item.context.beside !== null && (
        <div className="rounded-md border border-line bg-sunk p-3 text-[15px]" role="status">
          <p>
            New words were given here: <q>{item.context.beside || "none"}</q>
          </p>
          <p className="mt-2 flex flex-wrap gap-2">
            <Button small onClick={() => sheet.decide(item.id, true)}>
              Keep mine
            </Button>
            <Button small onClick={() => sheet.decide(item.id, false)}>
              Take these
            </Button>
          </p>
        </div>
      )}
      {field("answer", "Your answer", item.answer)}
      {noted && field("note", "A note for yourself", item.note)}
      {!(own && noted) && (
        <p className="-ml-3 flex flex-wrap gap-x-1">
          {!own && (
            <Button small look="quiet" onClick={() => setOpened("context")}>
              Say why in your own words
            </Button>
          )}
          {!noted && (
            <Button small look="quiet" onClick={() => setOpened("note")}>
              Make a note
            </Button>
          )}
        </p>
      )}
    </>
  );
}

const Said = ({ label, children }: { label: string; children: string }) => (
  <div>
    <p className="text-sm font-semibold">{label}</p>
    <p className="rounded-md bg-sunk px-3 py-2 break-words whitespace-pre-wrap">{children}</p>
  </div>
);
