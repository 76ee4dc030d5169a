"use client";

import { useQuery } from "@tanstack/react-query";
import Link from "next/link";
import { sayFragment } from "@/core/marks/fragments";
import { ask } from "../../talk/call";
import { MeaningWord } from "../../read/marks/meaning-word";

/** So many marks are shown with an item; the others stand in its text. */
const MOST = 5;

/** What is marked in an item's text, and the way to each place. */
export function ItemMarks({ resource }: { resource: string }) {
  const { data } = useQuery({
    queryKey: ["marks", resource],
    queryFn: () => ask("marks.of-resource", { resource }),
  });
  if (!data?.marks.length) return null;
  const meanings = new Map(data.meanings.map((one) => [one.id, one]));
  const { marks } = data;
  return (
    <section aria-label="Marks" className="text-[15px]">
      <h3 className="text-sm font-semibold">
        {marks.length} {marks.length === 1 ? "mark" : "marks"}
      </h3>
      <ul>
        {marks.slice(0, MOST).map((mark) => (
          <li key={mark.id} className="py-1">
            <Link href={`/read/${resource}#mark-${mark.id}`} className="group line-clamp-2">
              {meanings.has(mark.meaning ?? "") && (
                <>
                  <MeaningWord meaning={meanings.get(mark.meaning!)!} />{" "}
                </>
              )}
              <span className="font-serif text-quiet group-hover:underline">
                {mark.quote || sayFragment(mark.fragment)}
              </span>{" "}
              {mark.note}
            </Link>
          </li>
        ))}
      </ul>
      {marks.length > MOST && (
        <Link href={`/read/${resource}`} className="text-sm text-accent hover:underline">
          All of them in the text
        </Link>
      )}
    </section>
  );
}
