import { useState } from "react";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { TagRowOf } from "./tag-row";
import type { TagRow } from "./use-tags";

type Props = {
  team: string;
  tags: TagRow[];
  arranges: boolean;
  marked: ReadonlySet<string>;
  onChoose: (marked: ReadonlySet<string>) => void;
  onMerge: (tags: TagRow[]) => void;
  onRemove: (tags: TagRow[]) => void;
  onRename: (tag: TagRow, name: string) => Promise<void>;
};

/** Beyond these one types a few letters. */
const SHOWN = 200;

/** All tags, or those with some letters, to choose several and do something with them. */
export function TagTable({ team, tags, arranges, marked, onChoose, onMerge, onRemove, onRename }: Props) {
  const [words, setWords] = useState("");
  const letters = words.trim().toLocaleLowerCase();
  const shown = tags.filter((tag) => tag.name.toLocaleLowerCase().includes(letters));
  const chosen = tags.filter((tag) => marked.has(tag.id));
  const mark = (id: string) => {
    const next = new Set(marked);
    if (!next.delete(id)) next.add(id);
    onChoose(next);
  };
  return (
    <section className="mt-8">
      <div className="flex flex-wrap items-end gap-3 border-b border-line pb-2">
        <h2 className="mr-auto text-[17px] font-semibold">All tags</h2>
        <Field
          hideLabel
          label="Letters of a tag"
          placeholder="Type a few letters"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="w-56"
        />
      </div>
      <div className="sticky top-0 z-10 bg-ground">
        {chosen.length > 0 && arranges && (
          <div
            role="toolbar"
            aria-label="What to do with the chosen tags"
            className="flex items-center gap-2 border-b border-line py-2"
          >
            <p className="mr-2 font-semibold">{chosen.length} chosen</p>
            <Button small disabled={chosen.length < 2} onClick={() => onMerge(chosen)}>
              Merge
            </Button>
            <Button small look="stop" onClick={() => onRemove(chosen)}>
              Delete
            </Button>
            <Button small look="quiet" onClick={() => onChoose(new Set())}>
              Choose none
            </Button>
          </div>
        )}
      </div>
      <table className="w-full text-left text-[15px]">
        <thead className="text-sm text-quiet">
          <tr className="border-b border-line">
            {arranges && (
              <th scope="col" className="w-8">
                <span className="sr-only">Chosen</span>
              </th>
            )}
            <th scope="col" className="py-2 font-semibold">
              Name
            </th>
            <th scope="col" className="py-2 text-right font-semibold">
              Used on
            </th>
            <th scope="col" className="py-2 pl-6 font-semibold max-sm:hidden">
              Last used
            </th>
            <th scope="col">
              <span className="sr-only">Open its page</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.slice(0, SHOWN).map((tag) => (
            <TagRowOf
              key={tag.id}
              team={team}
              tag={tag}
              arranges={arranges}
              isMarked={marked.has(tag.id)}
              onMark={() => mark(tag.id)}
              onRename={(name) => onRename(tag, name)}
            />
          ))}
        </tbody>
      </table>
      {shown.length > SHOWN && (
        <p className="py-3 text-quiet">
          And {(shown.length - SHOWN).toLocaleString("en-GB")} more: type a few letters.
        </p>
      )}
      {shown.length === 0 && <p className="py-3 text-quiet">No tag has these letters.</p>}
    </section>
  );
}
