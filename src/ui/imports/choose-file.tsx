"use client";

/** Lets a file be picked that holds links. */
export function ChooseFile({ onFile }: { onFile: (file: File) => void }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-semibold">File</span>
      <input
        type="file"
        accept=".html,.htm,.csv,.tsv,.opml,.xml,.rss,.atom,.json,.ris,.bib,.enw,.ciw,.isi,.mods,.md,.markdown,.txt,.docx,.odt,.pptx,.odp,.xlsx,.ods,.epub,.pdf"
        onChange={(event) => event.target.files?.[0] && onFile(event.target.files[0])}
        className="text-[15px] file:mr-3 file:h-10 file:rounded-md file:border file:border-accent file:bg-sheet file:px-4 file:font-semibold file:text-accent"
      />
    </label>
  );
}
