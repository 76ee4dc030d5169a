"use client";

import { useRef, useState } from "react";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { Dialog } from "../parts/dialog";
import { Area } from "../parts/field";
import { MenuItem, MenuLine, RowMenu } from "../parts/menu";
import { titleOf } from "./state-words";
import type { Waiting } from "./shown";

type Props = {
  one: Waiting;
  /** All that waits under the same name, this one among it. */
  ofName: Waiting[];
  onDecide: (ones: Waiting[], accept: boolean, word?: string) => void;
  /** By which nothing more is taken from the team that gave it; left out for who may not say so. */
  onBlock?: (one: Waiting) => void;
};

/** Something that was suggested, and what can be done with it. */
export function SuggestionRow({ one, ofName, onDecide, onBlock }: Props) {
  const row = useRef<HTMLLIElement>(null);
  const [saying, setSaying] = useState<"accept" | "decline" | null>(null);
  const decide = (ones: Waiting[], accept: boolean, word?: string) => {
    // Whoever decides by keys goes on with the next one.
    const next = row.current?.nextElementSibling ?? row.current?.previousElementSibling;
    onDecide(ones, accept, word);
    next?.querySelector<HTMLElement>("[data-accept]")?.focus();
  };
  const title = titleOf(one);
  return (
    <li ref={row} className="flex flex-wrap items-start gap-x-4 gap-y-2 border-b border-line py-3">
      <div className="min-w-0 flex-1 basis-80">
        {one.kind === "address" ? (
          <a
            href={one.address}
            target="_blank"
            rel="noreferrer nofollow"
            className="font-semibold break-words underline decoration-edge underline-offset-2 hover:decoration-ink"
          >
            {title}
          </a>
        ) : one.betters ? (
          <Better one={one} />
        ) : one.kind === "text" ? (
          <p className="break-words whitespace-pre-line">{title}</p>
        ) : (
          <Preview one={one} />
        )}
        {one.kind !== "text" && !one.betters && one.text && (
          <p className="break-words whitespace-pre-line">{one.text}</p>
        )}
        {one.why && <p className="mt-0.5 break-words whitespace-pre-line text-quiet">{one.why}</p>}
        <p className="mt-0.5 text-[15px] text-quiet">
          <b className="font-semibold text-ink">{one.name}</b> · <Day of={one.createdAt} />
          {one.heldFor && <> · held for “{one.heldFor}”</>}
        </p>
      </div>
      <div className="flex items-center gap-2">
        <Button
          small
          look="accent"
          data-accept
          aria-label={`Accept: ${title}`}
          onClick={() => decide([one], true)}
        >
          Accept
        </Button>
        <Button small aria-label={`Decline: ${title}`} onClick={() => decide([one], false)}>
          Decline
        </Button>
        <RowMenu label={`More for ${title}`} reachable>
          <MenuItem onSelect={() => setSaying("accept")}>Accept with a word …</MenuItem>
          <MenuItem onSelect={() => setSaying("decline")}>Decline with a word …</MenuItem>
          {one.givenBy && onBlock && (
            <MenuItem stop onSelect={() => onBlock(one)}>
              Take nothing more from {one.name}
            </MenuItem>
          )}
          {ofName.length > 1 && (
            <>
              <MenuLine />
              <MenuItem onSelect={() => decide(ofName, true)}>
                Accept all {ofName.length} of {one.name}
              </MenuItem>
              <MenuItem stop onSelect={() => decide(ofName, false)}>
                Decline all {ofName.length} of {one.name}
              </MenuItem>
            </>
          )}
        </RowMenu>
      </div>
      {saying && (
        <WithWord
          title={`${saying === "accept" ? "Accept" : "Decline"}: ${title}`}
          does={saying === "accept" ? "Accept" : "Decline"}
          name={one.name}
          onSay={(word) => {
            setSaying(null);
            decide([one], saying === "accept", word);
          }}
          onClose={() => setSaying(null)}
        />
      )}
    </li>
  );
}

/** Another context line, or another address, for an item that stands there: what it is now, and what it would be. */
function Better({ one }: { one: Waiting }) {
  const isLink = one.kind === "link";
  const face = isLink ? "break-all" : "font-serif break-words whitespace-pre-line";
  return (
    <>
      <p className="break-words">
        {isLink ? "Another address" : "Another context line"} for <b className="font-semibold">{one.title}</b>
      </p>
      {one.now === null ? (
        <p className="text-quiet">The item is there no more.</p>
      ) : (
        one.now && <p className={`mt-1 text-quiet line-through ${face}`}>{one.now}</p>
      )}
      <p className={`mt-1 ${face}`}>
        {isLink ? (
          <a
            href={one.address}
            target="_blank"
            rel="noreferrer nofollow"
            className="underline decoration-edge underline-offset-2 hover:decoration-ink"
          >
            {one.address}
          </a>
        ) : (
          one.text
        )}
      </p>
    </>
  );
}

function Preview({ one }: { one: Waiting }) {
  const address = `/api/suggested/${one.id}`;
  return (
    <div className="flex flex-col items-start gap-1.5">
      {one.fileType.startsWith("image/") && (
        // eslint-disable-next-line @next/next/no-img-element -- its own file, for those who decide
        <img src={address} alt="" className="max-h-40 max-w-full rounded-md border border-line" />
      )}
      {one.fileType.startsWith("audio/") && (
        <audio controls preload="none" src={address} aria-label={one.fileName} className="max-w-full" />
      )}
      <a
        href={address}
        target="_blank"
        rel="noreferrer"
        className="font-semibold break-words underline decoration-edge underline-offset-2"
      >
        {titleOf(one)}
      </a>
    </div>
  );
}

function WithWord({
  title,
  does,
  name,
  onSay,
  onClose,
}: {
  title: string;
  does: string;
  name: string;
  onSay: (word: string) => void;
  onClose: () => void;
}) {
  const [word, setWord] = useState("");
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          onSay(word.trim());
        }}
      >
        <Area
          label={`A word to ${name}`}
          hint="It stands where they see what became of it."
          autoFocus
          maxLength={500}
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
        <Button look="accent" type="submit" className="self-end">
          {does}
        </Button>
      </form>
    </Dialog>
  );
}
