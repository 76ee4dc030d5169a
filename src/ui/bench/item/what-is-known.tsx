"use client";

import { CHOICES, sayLicence } from "@/core/licence/known";
import { KINDS } from "@/core/page/facts";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { choosePicture } from "../../parts/choose-picture";
import { KIND_WORDS } from "@/core/look/kind-words";
import { call } from "../../talk/call";
import { originalLink } from "../../talk/originals";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import type { Item } from "../state/types";
import { WordsField } from "./words-field";

type Full = Answer<"resources.read">["resource"];
type Props = {
  item: Item;
  /** Once it has come. */
  full: Full | undefined;
  onNotes: (text: string, base: string[]) => Promise<unknown>;
};

/** What is known of the thing itself, the same wherever it stands: words, each of which is mended by a press. */
export function WhatIsKnown({ item, full, onNotes }: Props) {
  const { brings, commands } = useBench();
  const { resource } = item;
  const mend = (field: Parameters<typeof commands.mend>[1]) => (text: string, base: string[]) =>
    commands.mend(item, field, text, base);
  const readOnly = !brings;
  return (
    <section
      aria-label="What is known of it"
      className="flex flex-col gap-4 border-t border-line pt-4 sm:flex-row"
    >
      <Picture item={item} />
      <div className="flex min-w-0 flex-1 flex-col items-start gap-1.5 text-[15px]">
        <WordsField
          label="Title"
          value={resource.title}
          none="Give it a title"
          maxLength={500}
          onSave={mend("title")}
          className="text-base font-semibold"
          readOnly={readOnly}
        />
        <div className="flex max-w-full flex-wrap items-baseline gap-x-5 gap-y-1 text-quiet">
          <select
            aria-label="Kind"
            disabled={readOnly}
            value={resource.kind}
            onChange={(event) => commands.setKind([item.id], event.target.value as typeof resource.kind)}
            className="-ml-1 h-7 rounded border border-transparent bg-transparent py-0.5 enabled:hover:border-edge"
          >
            {KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KIND_WORDS[kind]}
              </option>
            ))}
          </select>
          <WordsField
            label="Site"
            value={resource.siteName}
            none={resource.host || "no site"}
            maxLength={200}
            onSave={mend("siteName")}
            readOnly={readOnly}
          />
          <WordsField
            label="Authors"
            value={resource.authors.join("; ")}
            none="no author"
            hint="Several are parted by ;"
            onSave={mend("authors")}
            readOnly={readOnly}
          />
          <WordsField
            label="Date"
            value={resource.published ?? ""}
            none="no date"
            placeholder="2026-03-09"
            maxLength={10}
            onSave={mend("published")}
            readOnly={readOnly}
          />
          <LicenceChoice item={item} readOnly={readOnly} />
          {resource.minutes ? <span>{sayMinutes(resource.minutes)}</span> : null}
        </div>
        <WordsField
          lines
          label="Description"
          value={resource.description}
          none="no description"
          maxLength={4000}
          onSave={mend("description")}
          readOnly={readOnly}
        />
        {full && (
          <WordsField
            lines
            label="Notes"
            value={full.notes}
            none="Notes for the team; readers never see them"
            maxLength={16_000}
            onSave={onNotes}
            readOnly={readOnly}
            className="border-l-2! border-l-edge! rounded-l-none! pl-2!"
          />
        )}
        <a {...originalLink(resource)} className="break-all text-accent underline">
          {resource.address || (resource.file ?? "Open it")}
        </a>
      </div>
    </section>
  );
}

/** Under which licence it is. What is none of those offered is typed over the open interface. */
function LicenceChoice({ item: { id, resource }, readOnly }: { item: Item; readOnly: boolean }) {
  const { commands } = useBench();
  const { licence } = resource;
  const known = !licence || CHOICES.includes(licence);
  return (
    <select
      aria-label="Licence"
      disabled={readOnly}
      value={licence}
      onChange={(event) =>
        void call("resources.edit", { resource: resource.id, licence: event.target.value })
          .then((answer) => commands.change(id, (old) => ({ ...old, resource: answer.resource })))
          .catch(sayFailure)
      }
      className="-ml-1 h-7 max-w-44 rounded border border-transparent bg-transparent py-0.5 enabled:hover:border-edge"
    >
      <option value="">no licence known</option>
      {[...CHOICES, ...(known ? [] : [licence])].map((one) => (
        <option key={one} value={one}>
          {sayLicence(one)}
        </option>
      ))}
    </select>
  );
}

function Picture({ item: { id, resource } }: { item: Item }) {
  const { brings, commands } = useBench();
  const give = () =>
    choosePicture((picture) => {
      call("resources.give-picture", { resource: resource.id, picture })
        .then((answer) => commands.change(id, (old) => ({ ...old, resource: answer.resource })))
        .catch(sayFailure);
    });
  if (!resource.picture)
    return brings ? (
      <Button small className="self-start" onClick={give}>
        Give it a picture
      </Button>
    ) : null;
  const picture = (
    // eslint-disable-next-line @next/next/no-img-element -- kept pictures are small and made to size already
    <img
      src={`/api/pictures/${resource.picture}`}
      alt=""
      className={`aspect-[16/10] w-44 rounded border border-line object-cover ${resource.kind === "document" ? "object-top" : ""}`}
    />
  );
  if (!brings) return picture;
  return (
    <button
      type="button"
      onClick={give}
      title="Another picture"
      aria-label="Picture: take another one"
      className="group self-start"
    >
      {picture}
      <span className="block pt-0.5 text-left text-sm text-quiet group-hover:text-ink">Another picture</span>
    </button>
  );
}
