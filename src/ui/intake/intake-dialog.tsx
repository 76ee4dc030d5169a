"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { toast } from "../talk/toast";
import { readAddress } from "@/core/address/read-address";
import type { BroughtLine, BroughtPlace } from "@/core/intake/brought";
import type { TagSeparator } from "@/core/formats/imported";
import { COLUMN_MEANINGS, type ColumnMeaning } from "@/core/formats/table-read";
import { FORMAT_WORDS } from "@/core/intake/read-any-words";
import type { ReadAnswer } from "@/workers/read-file";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { Progress } from "../parts/progress";
import { sayFailure } from "../talk/say-failure";
import { IntakeLines } from "./intake-lines";
import { readInWorker } from "./read-in-worker";
import { sendFiles } from "./uploads";
import { findKnown, sendIntake } from "./send-intake";

/** What was pasted or dropped, or nothing yet: then a file can be chosen. */
export type Brings = { name: string; text?: string; html?: string; file?: File };
export type PreviewLine = BroughtLine & {
  state: "new" | "known" | "wrong";
  resource: string | null;
  out: boolean;
};

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
export function IntakeDialog({ open, onOpenChange, team, arranges, into, brings }: Props) {
  const client = useQueryClient();
  const [source, setSource] = useState<Brings | null>(brings ?? null);
  const [read, setRead] = useState<(ReadAnswer & { ok: true }) | null>(null);
  const [lines, setLines] = useState<PreviewLine[]>([]);
  const [meanings, setMeanings] = useState<ColumnMeaning[]>();
  const [separator, setSeparator] = useState<TagSeparator>("comma");
  const [error, setError] = useState("");
  const [sent, setSent] = useState<number | null>(null);
  const go = useRef<HTMLButtonElement>(null);

  useEffect(() => {
    if (!source) return;
    let gone = false;
    (async () => {
      const bytes = await source.file?.arrayBuffer();
      const answer = await readInWorker({
        name: source.name,
        text: source.text,
        html: source.html,
        bytes,
        meanings,
      });
      if (gone) return;
      if (!answer.brought.lines.length && !answer.malformed.length)
        return setError(`There are no links in this ${FORMAT_WORDS[answer.format]}.`);
      const loose = answer.malformed.map((address) => wrongLine(address));
      const all = [...answer.brought.lines.map((line, i) => asPreview(line, answer.right[i]!)), ...loose];
      setRead(answer);
      setSeparator(answer.brought.separator);
      setLines(all);
      const known = await findKnown(
        team,
        all.map((line) => line.address),
      );
      if (gone) return;
      setLines((old) =>
        old.map((line, i) =>
          known[i] && line.state === "new" ? { ...line, state: "known", resource: known[i]! } : line,
        ),
      );
    })().catch((failure: unknown) => {
      if (!gone) setError(failure instanceof Error ? failure.message : "This cannot be read.");
    });
    return () => {
      gone = true;
    };
  }, [source, meanings, team]);

  useEffect(() => {
    if (read) go.current?.focus();
  }, [read]);

  const edit = useCallback((at: number, fields: Partial<PreviewLine>) => {
    setLines((old) =>
      old.map((line, i) => {
        if (i !== at) return line;
        const next = { ...line, ...fields };
        if (fields.address !== undefined) {
          next.state = readAddress(fields.address).ok ? "new" : "wrong";
          next.resource = null;
          next.out = next.state === "wrong";
        }
        return next;
      }),
    );
  }, []);

  const chosen = useMemo(() => lines.filter((line) => !line.out), [lines]);
  const count = (state: PreviewLine["state"]) => lines.filter((line) => line.state === state).length;
  const places = useMemo(() => placesFor(read?.brought.places ?? [], into, arranges), [read, into, arranges]);
  const bring = async () => {
    setSent(0);
    try {
      // What was left out is noted, and what is no address comes back as lines to mend.
      const ready = lines.map(({ state, resource: _r, out, ...line }) => ({
        ...line,
        ...(out && state !== "wrong" && { out }),
        place: line.place === null ? null : places.renamed[line.place]!,
      }));
      await sendIntake(
        { team, into: into?.id, section: into?.section },
        source!.name || "Pasted list",
        { places: places.list, lines: ready, separator },
        setSent,
      );
      toast(`Bringing in ${chosen.length} ${chosen.length === 1 ? "thing" : "things"}.`, {
        action: { label: "See how far", onClick: () => window.location.assign(`/team/${team}/imports`) },
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
  const tagged = lines.some((line) => line.tagText);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide
      title={read ? sayFound(lines.length, read.format, source!) : "Bring in a file"}
      about={
        read
          ? undefined
          : "Bookmarks, tables (CSV), feed lists, feeds, reference lists, Markdown, web pages, Word documents, plain text."
      }
    >
      {!source && <ChooseFile onFile={(file) => (setError(""), setSource({ name: file.name, file }))} />}
      {source && !read && !error && <p role="status">Reading …</p>}
      {error && (
        <div className="flex flex-col items-start gap-3">
          <p role="alert" className="text-stop">
            {error}
          </p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => (setError(""), setSource(null))}>Choose another file</Button>
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
            <b>{count("new")} new</b>
            <span>{count("known")} here already</span>
            {count("wrong") > 0 && (
              <span className="text-stop">{count("wrong")} malformed, left out until mended</span>
            )}
            {read.brought.passedOver > 0 && (
              <span className="text-quiet">{read.brought.passedOver} passed over</span>
            )}
            <span className="text-quiet">{sayWhere(places.list, into)}</span>
          </p>
          {read.table && <Columns table={read.table} onChange={setMeanings} />}
          {tagged && (
            <Choice
              label="What separates the tags"
              className="max-w-60"
              options={SEPARATORS}
              value={separator}
              onChange={(event) => setSeparator(event.target.value as TagSeparator)}
            />
          )}
          <IntakeLines lines={lines} places={read.brought.places} separator={separator} onEdit={edit} />
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
              Leave it
            </Button>
            <Button ref={go} look="deed" type="submit" disabled={!chosen.length || sent !== null}>
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

function ChooseFile({ onFile }: { onFile: (file: File) => void }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-semibold">File</span>
      <input
        type="file"
        accept=".html,.htm,.csv,.tsv,.opml,.xml,.rss,.atom,.json,.ris,.bib,.md,.markdown,.txt,.docx"
        onChange={(event) => event.target.files?.[0] && onFile(event.target.files[0])}
        className="text-[15px] file:mr-3 file:h-10 file:rounded-md file:border file:border-deed file:bg-sheet file:px-4 file:font-semibold file:text-deed"
      />
    </label>
  );
}

const MEANING_WORDS: Record<ColumnMeaning, string> = {
  address: "Web address",
  title: "Title",
  tags: "Tags",
  note: "Context line",
  date: "Date added",
  collection: "Collection",
  section: "Section",
  author: "Authors",
  nothing: "Leave out",
};

/** What each column of a table is taken for; changing one reads the table again. */
function Columns({
  table,
  onChange,
}: {
  table: NonNullable<(ReadAnswer & { ok: true })["table"]>;
  onChange: (meanings: ColumnMeaning[]) => void;
}) {
  return (
    <fieldset className="flex gap-3 overflow-x-auto pb-1">
      <legend className="mb-1 text-sm font-semibold">Columns</legend>
      {table.columns.map((name, i) => (
        <div key={i} className="w-40 shrink-0">
          <Choice
            label={name}
            options={COLUMN_MEANINGS.map((meaning) => [meaning, MEANING_WORDS[meaning]] as const)}
            value={table.meanings[i]}
            onChange={(event) =>
              onChange(
                table.meanings.map((old, k) => (k === i ? (event.target.value as ColumnMeaning) : old)),
              )
            }
          />
          <p className="mt-1 truncate text-sm text-quiet">
            {table.sample.map((row) => row[i]).find(Boolean)}
          </p>
        </div>
      ))}
    </fieldset>
  );
}

const asPreview = (line: BroughtLine, right: boolean): PreviewLine => ({
  ...line,
  state: right ? "new" : "wrong",
  resource: null,
  out: !right,
});

const wrongLine = (address: string): PreviewLine => ({
  address,
  title: "",
  heading: "",
  context: "",
  tagText: "",
  addedAt: null,
  place: null,
  reference: null,
  note: "",
  state: "wrong",
  resource: null,
  out: true,
});

/**
 * Where things go. Into an open collection: the collection the file proposes at its top is that one, and its sections
 * become sections there. Who may not make collections brings everything to one place.
 */
function placesFor(
  places: readonly BroughtPlace[],
  into: Props["into"],
  arranges: boolean,
): { list: BroughtPlace[]; renamed: (number | null)[] } {
  if (!arranges) return { list: [], renamed: places.map(() => null) };
  if (!into) return { list: [...places], renamed: places.map((_, i) => i) };
  const list: BroughtPlace[] = [];
  const renamed: (number | null)[] = [];
  const tops = places.filter((place) => place.parent === null && !place.section).length;
  for (const place of places) {
    if (place.parent === null && tops === 1 && !place.section) {
      renamed.push(null);
      continue;
    }
    const parent = place.parent === null ? null : renamed[place.parent]!;
    renamed.push(list.push({ ...place, parent }) - 1);
  }
  return { list, renamed };
}

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
