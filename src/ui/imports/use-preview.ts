"use client";

import { useCallback, useEffect, useState } from "react";
import type { TagSeparator } from "@/core/formats/imported";
import type { ColumnMeaning } from "@/core/formats/table-heads";
import { FORMAT_WORDS } from "@/core/imports/read-any-words";
import type { ReadAnswer } from "@/workers/read-import-file";
import { asPreview, editLine, markKnown, type PreviewLine, wrongLine } from "./preview-line";
import { IsDocument, readInWorker } from "./read-in-worker";
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
  const [isDocument, setIsDocument] = useState(false);

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
      if (![answer.brought.lines, answer.malformed, answer.brought.passedOver].some((all) => all.length))
        return setError(`There are no links in this ${FORMAT_WORDS[answer.format]}.`);
      const loose = answer.malformed.map((address) => wrongLine(address));
      const all = [...answer.brought.lines.map((line, i) => asPreview(line, answer.said[i]!)), ...loose];
      setRead(answer);
      setSeparator(answer.brought.separator);
      setLines(all);
      const asked = all.map((line) => line.address);
      const known = await findKnown(team, asked);
      if (!gone) setLines((old) => markKnown(old, asked, known));
    })().catch((failure: unknown) => {
      if (gone) return;
      if (failure instanceof IsDocument) return setIsDocument(true);
      setError(failure instanceof Error ? failure.message : "This cannot be read.");
    });
    return () => {
      gone = true;
    };
  }, [source, meanings, team]);

  const edit = useCallback(
    (at: number, fields: Partial<PreviewLine>) => setLines((old) => editLine(old, at, fields)),
    [],
  );

  /** Takes something else; null: to choose again. */
  const take = (next: Brings | null) => {
    setError("");
    setSource(next);
  };
  return { source, take, read, lines, error, isDocument, separator, setSeparator, setMeanings, edit };
}
