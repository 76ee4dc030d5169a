"use client";

import { useState, useSyncExternalStore } from "react";
import { Button, buttonLook } from "../parts/button";
import { Field } from "../parts/field";
import { Key } from "../parts/key";
import { KEYS, isForField } from "../shell/commands";
import { useWindowKeys } from "../shell/use-window-keys";
import { copyLink } from "../talk/copy-link";
import { OnTheWall, sayCode } from "./on-the-wall";
import { dayOf, endOf, type Shared } from "./use-publish";

/** The address and the short code of what is out, and the ways to hand them on. */
export function HandOn({
  title,
  home,
  shared,
  onCode,
  onEnd,
}: {
  title: string;
  /** The address of this Hobbin. */
  home: string;
  shared: Shared & { code: string };
  /** Gives it a code, or the one it has another last day. */
  onCode: (until?: string | null) => void;
  onEnd: () => void;
}) {
  const [wall, setWall] = useState(false);
  const link = `${home}/c/${shared.code}`;
  const { short } = shared;
  useWindowKeys((event) => {
    if (event.key.toLowerCase() !== "w" || event.ctrlKey || event.metaKey || event.altKey) return;
    if (isForField(event)) return;
    event.preventDefault();
    setWall((shown) => !shown);
  }, !short);
  const subject = encodeURIComponent(title);
  const body = encodeURIComponent(`${title}\n${link}\n`);
  return (
    <section className="flex flex-col gap-4" aria-label="Hand it on">
      <div className="flex flex-col gap-2">
        <Field
          label="Address for readers"
          readOnly
          value={link}
          onFocus={(event) => event.target.select()}
          inputClass="text-[15px]"
        />
        <p className="flex flex-wrap gap-x-1 gap-y-1.5">
          <Button small onClick={() => void copyLink(title, link)}>
            Copy as a link
          </Button>
          <ShareSheet title={title} link={link} />
          <a href={`mailto:?subject=${subject}&body=${body}`} className={buttonLook("line", true)}>
            By mail
          </a>
          <a href={link} target="_blank" rel="noreferrer" className={buttonLook("line", true)}>
            Open as a visitor
          </a>
        </p>
      </div>
      {short ? (
        <div className="flex flex-col gap-2">
          <p className="text-sm font-semibold">Code, to be typed at {home.replace(/^https?:\/\//, "")}/go</p>
          <p className="flex flex-wrap items-center gap-x-3 gap-y-2">
            <output aria-label="Short code" className="font-mono text-2xl font-semibold tracking-wider">
              {sayCode(short)}
            </output>
            <Button small onClick={() => setWall(true)}>
              On the wall <Key>{KEYS.wall}</Key>
            </Button>
            <a href={`/c/${shared.code}/qr/png?save`} download className={buttonLook("line", true)}>
              QR as a picture
            </a>
            <Button small look="quiet" onClick={onEnd}>
              End it
            </Button>
          </p>
          <label className="flex items-center gap-3 text-[15px] text-quiet">
            The code ends on
            <input
              type="date"
              value={dayOf(shared.shortUntil)}
              onChange={(event) => onCode(endOf(event.target.value))}
              className="h-9 w-40 rounded-md border border-edge bg-sheet px-2.5 text-ink"
            />
          </label>
        </div>
      ) : (
        <Button small className="w-fit" onClick={() => onCode()}>
          Give it a short code
        </Button>
      )}
      {wall && short && (
        <OnTheWall
          title={title}
          home={home}
          code={shared.code}
          short={short}
          onClose={() => setWall(false)}
        />
      )}
    </section>
  );
}

/** Where the system has a sheet to share by, a button that opens it. */
function ShareSheet({ title, link }: { title: string; link: string }) {
  const has = useSyncExternalStore(
    () => () => undefined,
    () => typeof navigator.share === "function",
    () => false,
  );
  if (!has) return null;
  return (
    // Who closes the sheet again has changed their mind, no more.
    <Button small onClick={() => void navigator.share({ title, url: link }).catch(() => undefined)}>
      Share …
    </Button>
  );
}
