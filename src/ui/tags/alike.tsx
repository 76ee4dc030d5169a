import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import type { Tag } from "./merge-dialog";

type Pair = Answer<"tags.tend">["alike"][number];

const REASONS: Record<Pair["reason"], string> = {
  plural: "the same word in another form",
  hyphen: "the same letters, written apart",
  spelling: "one letter apart",
};
const SHOWN = 30;

/** Tags that may be the same, each with a way to make them one. */
export function Alike({ pairs, onMerge }: { pairs: Pair[]; onMerge: (tags: Tag[]) => void }) {
  return (
    <section className="mt-8">
      <h2 className="border-b border-line pb-2 text-[17px] font-semibold">Maybe the same ({pairs.length})</h2>
      <ul>
        {pairs.slice(0, SHOWN).map(({ keep, other, reason }) => (
          <li
            key={`${keep.id} ${other.id}`}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2"
          >
            <span className="flex-1">
              <b className="font-semibold">{keep.name}</b> ({keep.count}) and{" "}
              <b className="font-semibold">{other.name}</b> ({other.count})
              <span className="text-sm text-quiet"> {REASONS[reason]}</span>
            </span>
            <Button small onClick={() => onMerge([keep, other])}>
              Merge {other.name} into {keep.name}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
