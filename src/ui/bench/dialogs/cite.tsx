"use client";

import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { LOCATORS, type LocatorLabel } from "@/core/cite/citation";
import { FIRST_STYLE, type StyleId } from "@/core/cite/styles";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { Choice, Field } from "../../parts/field";
import { StyleChoice } from "../../references/style-choice";
import { Words } from "../../parts/words";
import { ask } from "../../talk/call";
import { copyRich } from "../../talk/copy-rich";
import { whyOf } from "../../talk/say-failure";

/** The references of some items, and how they are cited in a text, in a style, to be copied. */
export function Cite({
  team,
  collection,
  ids,
  count,
  onClose,
}: {
  team: string;
  collection: string;
  ids: readonly string[];
  count: string;
  onClose: () => void;
}) {
  /** Null: the one that holds for the collection. */
  const [style, setStyle] = useState<StyleId | null>(null);
  const [label, setLabel] = useState<LocatorLabel>("page");
  const [at, setAt] = useState("");
  const asked = useDeferredValue(at.trim());
  const copy = useRef<HTMLButtonElement>(null);
  const { data, error, isFetching } = useQuery({
    queryKey: ["cite", collection, ids, style, label, asked],
    queryFn: () =>
      ask("references.cite", {
        ...{ collection, placements: ids.join(","), label },
        ...(style && { style }),
        ...(asked && { at: asked }),
      }),
    placeholderData: (before) => before,
  });
  const isThere = data !== undefined;
  // Once it is there one key copies it; who then goes through the styles stays with them.
  useEffect(() => {
    if (isThere) copy.current?.focus();
  }, [isThere]);
  const shown = (html: string | undefined, name: string) => (
    <div
      className={`scrolls flex max-h-[30vh] flex-1 flex-col gap-2 overflow-y-auto rounded-md border border-line px-4 py-2.5 break-words ${isFetching ? "opacity-60" : ""}`}
      aria-busy={isFetching}
      aria-label={name}
      role="group"
      tabIndex={0}
    >
      {html === undefined ? (
        <p className="text-quiet">{error ? whyOf(error) : "…"}</p>
      ) : (
        <Words rich={html} />
      )}
    </div>
  );
  const one = data?.count === 1;
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title={`Cite ${count}`}>
      <StyleChoice
        team={team}
        label="Style"
        value={style ?? data?.style ?? FIRST_STYLE}
        onChange={setStyle}
      />
      {shown(data?.reference.html, "References")}
      <Button
        ref={copy}
        look="accent"
        className="self-start"
        disabled={!data}
        onClick={() =>
          void copyRich(
            data!.reference,
            one ? "The reference is copied." : `${data!.count} references are copied.`,
          ).then(onClose)
        }
      >
        Copy
      </Button>
      <div className="flex flex-col gap-3 border-t border-line pt-3">
        {ids.length === 1 && (
          <div className="grid grid-cols-[8rem_minmax(0,1fr)] gap-3">
            <Choice
              label="What is meant"
              options={LOCATORS}
              value={label}
              onChange={(event) => setLabel(event.target.value as LocatorLabel)}
            />
            <Field
              label="Which"
              hint={label === "timestamp" ? "2:05; empty: all of it" : "14–16; empty: all of it"}
              value={at}
              maxLength={60}
              onChange={(event) => setAt(event.target.value)}
            />
          </div>
        )}
        <div className="flex items-start gap-3">
          {shown(data?.inText.html, "In the text")}
          <Button
            disabled={!data}
            onClick={() => void copyRich(data!.inText, "The citation is copied.").then(onClose)}
          >
            Copy the citation
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
