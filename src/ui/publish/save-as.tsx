"use client";

import { useState } from "react";
import { type StyleId, STYLES } from "@/core/cite/styles";
import { DOCUMENTS, type Offered, REFERENCES, TEXTS } from "@/core/formats/offered";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import { ask } from "../talk/call";
import { copyRich } from "../talk/copy-rich";
import { sayFailure } from "../talk/say-failure";

const STYLE_CHOICES = [["", "None"], ...STYLES] as const;
const PAPERS = [
  ["a4", "A4"],
  ["letter", "Letter"],
] as const;

/** The collection as files to be saved, for people first, and its bibliography. */
export function SaveAs({ collection }: { collection: string }) {
  const [style, setStyle] = useState<StyleId | "">("");
  const [paper, setPaper] = useState("a4");
  const [copies, setCopies] = useState(false);
  const [busy, setBusy] = useState(false);
  const set = {
    paper: `&paper=${paper}`,
    style: style && `&style=${style}`,
    copies: copies ? "&copies=all" : "",
  };
  const copy = () => {
    if (!style) return;
    setBusy(true);
    void ask("references.bibliography", { collection, style })
      .then(({ count, ...made }) => copyRich(made, `${count} references are copied, with their look.`))
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const list = (formats: readonly Offered[]) => (
    <ul className="divide-y divide-line border-y border-line">
      {formats.map(({ format, name, keeps, sets = [] }) => (
        <li key={format}>
          <a
            href={`/api/export/${collection}?format=${format}${sets.map((one) => set[one]).join("")}`}
            download
            aria-describedby={`keeps-${format}`}
            className="group block rounded-sm px-1 py-2 hover:bg-wash"
          >
            <span className="font-semibold text-accent group-hover:underline">{name}</span>
          </a>
          <p id={`keeps-${format}`} className="-mt-1.5 px-1 pb-2 text-sm text-quiet">
            {keeps}
          </p>
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-label="Files" className="flex flex-col gap-3">
      <h2 className="text-sm font-semibold">Save as a file</h2>
      <div className="grid grid-cols-[1fr_auto] gap-3">
        <Choice
          label="With a bibliography"
          options={STYLE_CHOICES}
          value={style}
          onChange={(event) => setStyle(event.target.value as StyleId | "")}
        />
        <Choice
          label="Paper"
          options={PAPERS}
          value={paper}
          onChange={(event) => setPaper(event.target.value)}
        />
      </div>
      {style && (
        <Button small disabled={busy} onClick={copy} className="self-start">
          Copy the bibliography
        </Button>
      )}
      {list(DOCUMENTS)}
      <label className="flex items-center gap-2 text-[15px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={copies}
          onChange={(event) => setCopies(event.target.checked)}
        />
        The folder takes all reading copies along
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
    </section>
  );
}
