"use client";

import { useCallback, useEffect, useState } from "react";
import { readAddress } from "@/core/address/read-address";
import type { TagSeparator } from "@/core/formats/imported";
import type { ColumnMeaning } from "@/core/formats/table-read";
import type { BroughtLine } from "@/core/imports/brought";
import { FORMAT_WORDS } from "@/core/imports/read-any-words";
import type { ReadAnswer } from "@/workers/read-import-file";
import type { PreviewLine } from "./preview-line";
import { readInWorker } from "./read-in-worker";
import { findKnown } from "./send-import";

/** What was pasted or dropped, or nothing yet: then a file can be chosen. */
export type Brings = { name: string; text?: string; html?: string; file?: File };

/**
 * Reads what is to be brought in, line by line, and looks which of them are in the catalogue already.
 * @param first what was pasted or dropped; null when a file is chosen first
 */
export function usePreview(team: string, first: Brings | null) {
  const [source, setSource] = useState<Brings | null>(first);
  const [read, setRead] = useState<(ReadAnswer & { ok: true }) | null>(null);
  const [lines, setLines] = useState<PreviewLine[]>([]);
  const [meanings, setMeanings] = useState<ColumnMeaning[]>();
  const [separator, setSeparator] = useState<TagSeparator>("comma");
  const [error, setError] = useState("");

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

  /** Takes something else; null: to choose again. */
  const take = (next: Brings | null) => {
    setError("");
    setSource(next);
  };
  return { source, take, read, lines, error, separator, setSeparator, setMeanings, edit };
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
