import { cloudSize } from "@/core/tags/cloud";
import { Link } from "../parts/link";
import { uses } from "./merge-dialog";
import type { TagRow } from "./use-tags";

/** Sizes of letters in the cloud. */
const LETTERS = ["", "text-sm", "text-base", "text-xl", "text-2xl font-semibold", "text-3xl font-semibold"];

/** The tags in the size of their use, by the alphabet. */
export function Cloud({ team, tags }: { team: string; tags: TagRow[] }) {
  const counts = tags.map((tag) => tag.count);
  const [least, most] = [Math.min(...counts), Math.max(...counts)];
  const letters = new Intl.Collator("en", { sensitivity: "base", numeric: true });
  return (
    <ul
      aria-label="Tags in the size of their use"
      className="mt-5 flex flex-wrap items-baseline gap-x-4 gap-y-1 font-serif"
    >
      {tags
        .toSorted((a, b) => letters.compare(a.name, b.name))
        .map((tag) => (
          <li key={tag.id}>
            <Link
              href={`/team/${team}/tags/${tag.id}`}
              title={`on ${uses(tag.count)}`}
              className={`inline-block min-h-6 py-0.5 hover:text-accent hover:underline ${LETTERS[cloudSize(tag.count, least, most)]}`}
            >
              {tag.name}
              <span className="sr-only">, on {uses(tag.count)}</span>
            </Link>
          </li>
        ))}
    </ul>
  );
}
