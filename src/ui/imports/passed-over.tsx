import { type PassedOver as Line, WHY_PASSED } from "@/core/formats/imported";
import { passedOverFile } from "@/core/imports/passed-over-file";
import type { Format } from "@/core/imports/read-any-words";
import { Button } from "../parts/button";
import { saveFile } from "../talk/save-file";

/** So many are shown; all of them are in the file. */
const SHOWN = 200;

/** What stays out of a file: each of it with the reason, and all of it as a file to be mended. */
export function PassedOver({ name, format, all }: { name: string; format: Format; all: readonly Line[] }) {
  const save = () => {
    const { ending, type, text } = passedOverFile(format, all);
    const base = name.replace(/\.[a-z0-9]{1,5}$/i, "") || "Pasted list";
    saveFile({ name: `${base}, passed over.${ending}`, type, content: text });
  };
  return (
    <details className="rounded-md border border-line px-3 py-1.5 text-[15px]">
      <summary className="w-fit cursor-pointer rounded-sm py-1 text-accent">
        {all.length} passed over: look at {all.length === 1 ? "it" : "them"}
      </summary>
      <ul
        aria-label="What was passed over"
        tabIndex={0}
        className="max-h-[24vh] overflow-y-auto border-y border-line"
      >
        {all.slice(0, SHOWN).map(({ text, why }, i) => (
          <li key={i} className="flex flex-col gap-x-4 border-b border-line py-1.5 last:border-0 sm:flex-row">
            <span className="shrink-0 text-quiet sm:w-56">{WHY_PASSED[why]}</span>
            <span className="line-clamp-3 min-w-0 flex-1 break-words">{text || "Nothing stands there."}</span>
          </li>
        ))}
        {all.length > SHOWN && (
          <li className="py-1.5 text-quiet">and {all.length - SHOWN} more, all of which are in the file</li>
        )}
      </ul>
      <Button small className="mt-2 mb-1" onClick={save}>
        {all.length === 1 ? "Save it as a file" : "Save them as a file"}
      </Button>
    </details>
  );
}
