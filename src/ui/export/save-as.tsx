"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { StyleId } from "@/core/cite/styles";
import { DOCUMENTS, MANY_ITEMS, type Offered, REFERENCES, takesLong, TEXTS } from "@/core/formats/offered";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import { Orders, useOrders } from "./orders";
import { StyleChoice } from "../references/style-choice";
import { ask, askFile, call } from "../talk/call";
import { copyRich } from "../talk/copy-rich";
import { newId } from "../talk/ids";
import { saveFile } from "../talk/save-file";
import { sayFailure } from "../talk/say-failure";

const PAPERS = [
  ["a4", "A4"],
  ["letter", "Letter"],
] as const;

/**
 * The collection as files to be saved, for people first, and its bibliography.
 * @param ids of only some of its items
 */
export function SaveAs({
  team,
  collection,
  ids,
}: {
  team: string;
  collection: string;
  ids?: readonly string[];
}) {
  const [style, setStyle] = useState<StyleId>("");
  const [paper, setPaper] = useState("a4");
  const [copies, setCopies] = useState(false);
  const [look, setLook] = useState("team");
  const [busy, setBusy] = useState(false);
  const template = useQuery({ queryKey: ["template", team], queryFn: () => ask("teams.template", { team }) })
    .data?.template;
  const placements = ids?.join(",");
  const asked = (format: string, sets: NonNullable<Offered["sets"]>) => ({
    format,
    ...(sets.includes("paper") && { paper }),
    ...(sets.includes("style") && style && { style }),
    ...(sets.includes("copies") && copies && { copies: "all" }),
    ...(sets.includes("look") && template && look === "plain" && { look }),
  });
  // More items than an address can name are sent; a whole collection comes as it is made, however large.
  const save = (what: Record<string, string>) => {
    setBusy(true);
    void askFile(`/api/export/${collection}`, { ...what, placements })
      .then(saveFile)
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const orders = useOrders(collection);
  const isMany = (ids?.length ?? orders.data?.items ?? 0) > MANY_ITEMS;
  const order = (what: { format: string }) => {
    setBusy(true);
    void call("export.order", { ...what, collection, ...(placements && { placements }), order: newId() })
      .then(() => orders.refetch())
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const copy = () => {
    if (!style) return;
    setBusy(true);
    void ask("references.bibliography", { collection, style, ...(placements && { placements }) })
      .then(({ count, ...made }) => copyRich(made, `${count} references are copied, with their look.`))
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const list = (formats: readonly Offered[]) => (
    <ul className="divide-y divide-line border-y border-line">
      {formats.map(({ format, name, keeps, sets = [] }) => (
        <li key={format}>
          {isMany && takesLong(format, sets.includes("style") && style !== "") ? (
            <button
              type="button"
              disabled={busy}
              aria-describedby={`keeps-${format}`}
              className={LOOK}
              onClick={() => order(asked(format, sets))}
            >
              {name} <span className="font-normal text-quiet">is made in the background</span>
            </button>
          ) : placements ? (
            <button
              type="button"
              disabled={busy}
              aria-describedby={`keeps-${format}`}
              className={LOOK}
              onClick={() => save(asked(format, sets))}
            >
              {name}
            </button>
          ) : (
            <a
              href={`/api/export/${collection}?${new URLSearchParams(asked(format, sets))}`}
              download
              aria-describedby={`keeps-${format}`}
              className={LOOK}
            >
              {name}
            </a>
          )}
          <p id={`keeps-${format}`} className="-mt-1.5 px-1 pb-2 text-sm text-quiet">
            {keeps}
          </p>
        </li>
      ))}
    </ul>
  );
  return (
    <>
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <StyleChoice team={team} label="With a bibliography" none="None" value={style} onChange={setStyle} />
        <Choice
          label="Paper"
          options={PAPERS}
          value={paper}
          onChange={(event) => setPaper(event.target.value)}
        />
        {template && (
          <Choice
            label="Look of the document (DOCX)"
            className="col-span-2"
            options={[
              ["team", `In the template “${template.name}”`],
              ["plain", "In the look of Hobbin"],
            ]}
            value={look}
            onChange={(event) => setLook(event.target.value)}
          />
        )}
      </div>
      {style && (
        <Button small disabled={busy} onClick={copy} className="self-start">
          Copy the bibliography
        </Button>
      )}
      <Orders orders={orders.data?.orders ?? []} />
      {list(DOCUMENTS)}
      <label className="flex items-center gap-2 text-[15px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={copies}
          onChange={(event) => setCopies(event.target.checked)}
        />
        Folder and book take all reading copies along
      </label>
      {copies && (
        <p className="text-sm text-quiet">
          They are the words of others. Whether they may be handed on is for you to know; for a class most
          laws allow more than for the web.
        </p>
      )}
      <details>
        <summary className="cursor-pointer py-1 font-semibold text-accent">Text, links, outlines</summary>
        {list(TEXTS)}
      </details>
      <details>
        <summary className="cursor-pointer py-1 font-semibold text-accent">For reference programs</summary>
        {list(REFERENCES)}
      </details>
    </>
  );
}

const LOOK =
  "block w-full rounded-sm px-1 py-2 text-left font-semibold text-accent hover:bg-wash hover:underline";
