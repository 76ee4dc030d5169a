"use client";

import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { type StyleId, STYLE_IDS, STYLES } from "@/core/cite/styles";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { Choice } from "../../parts/field";
import { Words } from "../../parts/words";
import { ask } from "../../talk/call";
import { copyRich } from "../../talk/copy-rich";
import { whyOf } from "../../talk/say-failure";

/** The style somebody asked for last is the one they most likely need again. */
const LAST = "hobbin:style";
const lastStyle = (): StyleId => {
  const last = localStorage.getItem(LAST);
  return STYLE_IDS.find((id) => id === last) ?? "apa";
};

/** The references of some items, in a style, to be copied. */
export function Cite({
  collection,
  ids,
  count,
  onClose,
}: {
  collection: string;
  ids: readonly string[];
  count: string;
  onClose: () => void;
}) {
  const [style, setStyle] = useState<StyleId>(lastStyle);
  const copy = useRef<HTMLButtonElement>(null);
  const { data, error, isFetching } = useQuery({
    queryKey: ["cite", collection, ids, style],
    queryFn: () => ask("references.bibliography", { collection, style, placements: ids.join(",") }),
    placeholderData: (before) => before,
  });
  const isThere = data !== undefined;
  // Once it is there one key copies it; who then goes through the styles stays with them.
  useEffect(() => {
    if (isThere) copy.current?.focus();
  }, [isThere]);
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title={`Cite ${count}`}>
      <Choice
        label="Style"
        options={STYLES}
        value={style}
        onChange={(event) => {
          const chosen = event.target.value as StyleId;
          localStorage.setItem(LAST, chosen);
          setStyle(chosen);
        }}
      />
      <div
        className={`scrolls flex max-h-[40vh] flex-col gap-2 overflow-y-auto rounded-md border border-line px-4 py-3 break-words ${isFetching ? "opacity-60" : ""}`}
        aria-busy={isFetching}
        aria-label="References"
        role="group"
        tabIndex={0}
      >
        {data ? <Words rich={data.html} /> : <p className="text-quiet">{error ? whyOf(error) : "…"}</p>}
      </div>
      <Button
        ref={copy}
        look="accent"
        className="self-start"
        disabled={!data}
        onClick={() =>
          void copyRich(
            data!,
            data!.count === 1 ? "The reference is copied." : `${data!.count} references are copied.`,
          ).then(onClose)
        }
      >
        Copy
      </Button>
    </Dialog>
  );
}
