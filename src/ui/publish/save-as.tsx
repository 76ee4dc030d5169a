"use client";

import { useState } from "react";
import { type StyleId, STYLES } from "@/core/cite/styles";
import { Button, buttonLook } from "../parts/button";
import { Choice } from "../parts/field";
import { ask } from "../talk/call";
import { copyRich } from "../talk/copy-rich";
import { sayFailure } from "../talk/say-failure";

const DOCUMENTS = [
  ["pdf", "PDF"],
  ["docx", "Word processor (DOCX)"],
  ["epub", "Book (EPUB)"],
] as const;
const TABLES = [
  ["xlsx", "Workbook (XLSX)"],
  ["csv", "Table (CSV)"],
] as const;
const FILES = [
  ["markdown", "Markdown"],
  ["bookmarks", "Bookmark file"],
] as const;
const REFERENCES = [
  ["bibtex", "BibTeX"],
  ["ris", "RIS"],
  ["csl-json", "CSL-JSON"],
] as const;
const STYLE_CHOICES = [["", "None"], ...STYLES] as const;
const PAPERS = [
  ["a4", "A4"],
  ["letter", "Letter"],
] as const;

/** The collection as files to be saved, for people first, and its bibliography. */
export function SaveAs({ collection }: { collection: string }) {
  const [style, setStyle] = useState<StyleId | "">("");
  const [paper, setPaper] = useState("a4");
  const [busy, setBusy] = useState(false);
  const link = (format: string, more = "") => `/api/export/${collection}?format=${format}${more}`;
  const asked = `&paper=${paper}${style ? `&style=${style}` : ""}`;
  const copy = () => {
    if (!style) return;
    setBusy(true);
    void ask("references.bibliography", { collection, style })
      .then(({ count, ...made }) => copyRich(made, `${count} references are copied, with their look.`))
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  const files = (formats: readonly (readonly [string, string])[], more = "") =>
    formats.map(([format, words]) => (
      <a key={format} href={link(format, more)} download className={buttonLook("line", true)}>
        {words}
      </a>
    ));
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
      <p className="flex flex-wrap gap-1.5">
        {files(DOCUMENTS, asked)}
        {style && (
          <Button small disabled={busy} onClick={copy}>
            Copy the bibliography
          </Button>
        )}
      </p>
      <p className="flex flex-wrap gap-1.5">
        {files(TABLES)}
        {files(FILES)}
      </p>
      <p className="flex flex-wrap items-center gap-1.5 text-[15px]">
        For reference programs: {files(REFERENCES)}
      </p>
    </section>
  );
}
