import { buttonLook } from "../parts/button";

const FORMATS = [
  ["markdown", "Markdown"],
  ["bookmarks", "Bookmark file"],
  ["bibtex", "References (BibTeX)"],
  ["ris", "References (RIS)"],
  ["csl-json", "References (CSL-JSON)"],
] as const;

/** The collection as files to be saved. */
export const SaveAs = ({ collection }: { collection: string }) => (
  <section aria-label="Files">
    <h2 className="text-sm font-semibold">Save as a file</h2>
    <p className="mt-1.5 flex flex-wrap gap-1.5">
      {FORMATS.map(([format, words]) => (
        <a
          key={format}
          href={`/api/export/${collection}?format=${format}`}
          download
          className={buttonLook("line", true)}
        >
          {words}
        </a>
      ))}
    </p>
  </section>
);
