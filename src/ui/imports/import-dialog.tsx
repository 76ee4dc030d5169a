"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import type { TagSeparator } from "@/core/formats/imported";
import type { BroughtPlace } from "@/core/imports/brought";
import { placesInto } from "@/core/imports/places-into";
import { FORMAT_WORDS } from "@/core/imports/read-any-words";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { Progress } from "../parts/progress";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { ChooseFile } from "./choose-file";
import { Columns } from "./columns";
import { ImportLines } from "./import-lines";
import { PassedOver } from "./passed-over";
import { countAddresses, readyLines } from "./preview-line";
import { sendImport } from "./send-import";
import { sendFiles } from "./uploads";
import { type Brings, usePreview } from "./use-preview";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string;
  /** Whether this person may make collections and sections. */
  arranges: boolean;
  into?: { id: string; title: string; section?: string | null };
  brings?: Brings;
};

/** Brings in many at once: says what was found and what is here already, lets it be changed, then does it. */
export function ImportDialog({ open, onOpenChange, team, arranges, into, brings }: Props) {
  const client = useQueryClient();
  const preview = usePreview(team, brings ?? null);
  const { source, read, lines, error, isDocument, separator, edit } = preview;
  const [sent, setSent] = useState<number | null>(null);
  const go = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (read) go.current?.focus();
  }, [read]);

  const chosen = useMemo(() => lines.filter((line) => !line.out), [lines]);
  const counts = useMemo(() => countAddresses(lines), [lines]);
  const places = useMemo(
    () => placesInto(read?.brought.places ?? [], !!into, arranges),
    [read, into, arranges],
  );
  const bring = async () => {
    setSent(0);
    try {
      await sendImport(
        { team, into: into?.id, section: into?.section },
        source!.name || "Pasted list",
        { places: places.list, lines: readyLines(lines, places.renamed), separator },
        setSent,
      );
      toast(`Bringing in ${chosen.length} ${chosen.length === 1 ? "thing" : "things"}.`, {
        action: { label: "See progress", onClick: () => window.location.assign(`/team/${team}/imports`) },
      });
      void client.invalidateQueries();
      onOpenChange(false);
    } catch (failure) {
      sayFailure(failure);
      setSent(null);
    }
  };

  const keepAsFile = () => {
    sendFiles(
      [source!.file!],
      { team, collection: into?.id, section: into?.section },
      () => void client.invalidateQueries(),
    );
    onOpenChange(false);
  };
  const keep = useRef(keepAsFile);
  useEffect(() => {
    keep.current = keepAsFile;
  });
  useEffect(() => {
    // A document among lists is what it is, and needs no other press.
    if (isDocument) keep.current();
  }, [isDocument]);
  const tagged = lines.some((line) => line.tagText);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide
      title={read ? sayFound(lines.length - counts.again, read.format, source!) : "Bring in a file"}
      about={
        read
          ? undefined
          : "Bookmarks, tables (CSV, XLSX), feed lists, feeds, reference lists, Markdown, web pages, plain text; the links of documents, slides and books."
      }
    >
      {!source && <ChooseFile onFile={(file) => preview.take({ name: file.name, file })} />}
      {source && !read && !error && <p role="status">Reading …</p>}
      {error && (
        <div className="flex flex-col items-start gap-3">
          <p role="alert" className="text-stop">
            {error}
          </p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => preview.take(null)}>Choose another file</Button>
            {source?.file && <Button onClick={keepAsFile}>Keep it as a file</Button>}
          </div>
        </div>
      )}
      {read && (
        <form
          className="flex min-h-0 flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void bring();
          }}
        >
          <p role="status" className="flex flex-wrap gap-x-4 gap-y-1 text-[15px]">
            <b>{counts.new} new</b>
            <span>{counts.known} here already</span>
            {counts.again > 0 && (
              <span>
                {counts.again} {counts.again === 1 ? "stands" : "stand"} there once more
              </span>
            )}
            {counts.wrong > 0 && (
              <span className="text-stop">{counts.wrong} malformed, left out until mended</span>
            )}
            <span className="text-quiet">{sayWhere(places.list, into)}</span>
          </p>
          {read.table && <Columns table={read.table} onChange={preview.setMeanings} />}
          {tagged && (
            <Choice
              label="What separates the tags"
              className="max-w-60"
              options={SEPARATORS}
              value={separator}
              onChange={(event) => preview.setSeparator(event.target.value as TagSeparator)}
            />
          )}
          <ImportLines lines={lines} places={read.brought.places} separator={separator} onEdit={edit} />
          {read.brought.passedOver.length > 0 && (
            <PassedOver name={source!.name} format={read.format} all={read.brought.passedOver} />
          )}
          {sent !== null && (
            <Progress done={sent} of={lines.length} words={`${sent} of ${lines.length} sent`} />
          )}
          <div className="flex flex-wrap items-center justify-end gap-3">
            {source?.file && (
              <Button look="quiet" className="mr-auto" onClick={keepAsFile}>
                Keep it as a file
              </Button>
            )}
            <Button look="quiet" onClick={() => onOpenChange(false)}>
              Cancel
            </Button>
            <Button ref={go} look="accent" type="submit" disabled={!chosen.length || sent !== null}>
              {`Bring in ${chosen.length}`}
            </Button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

const SEPARATORS: [TagSeparator, string][] = [
  ["comma", "Commas"],
  ["semicolon", "Semicolons"],
  ["space", "Blanks"],
  ["bar", "Bars ( | )"],
  ["none", "Nothing: one tag each"],
];

function sayFound(lines: number, format: keyof typeof FORMAT_WORDS, source: Brings): string {
  const what = lines === 1 ? "1 link" : `${lines} links`;
  return source.file
    ? `${what} in ${source.name}`
    : `${what} in what you pasted${format === "text" || format === "html" ? "" : ` (a ${FORMAT_WORDS[format]})`}`;
}

function sayWhere(places: readonly BroughtPlace[], into: Props["into"]): string {
  const collections = places.filter((place) => !place.section).length;
  const sections = places.length - collections;
  const made = [
    collections && `${collections} ${collections === 1 ? "collection" : "collections"}`,
    sections && `${sections} ${sections === 1 ? "section" : "sections"}`,
  ].filter(Boolean);
  return [
    into ? `Into ${into.title}` : made.length ? "" : "Into your Tray",
    made.length ? `with ${made.join(" and ")}` : "",
  ]
    .filter(Boolean)
    .join(" ");
}
