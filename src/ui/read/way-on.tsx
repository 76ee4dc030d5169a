"use client";

import { useRouter, useSearchParams } from "next/navigation";
import type { Answer } from "@/services/registry";
import { Key } from "../parts/key";
import { Link } from "../parts/link";
import { isForField, KEYS } from "../shell/commands";
import { useWindowKeys } from "../shell/use-window-keys";
import { inPlace } from "../talk/in-place";

type Beside = NonNullable<Answer<"reading.read">["beside"]>;

const readHere = ({ resource, placement }: { resource: string; placement: string }) =>
  `/read/${resource}?in=${placement}`;

/** The collection one came from, and the way back to the place there. */
export function WayBack({ beside }: { beside: Beside }) {
  return (
    <nav aria-label="Collection" className="mb-3 text-[15px]">
      <Link href={inPlace(beside)} className="text-accent hover:underline">
        {beside.title}
      </Link>
      <span className="text-quiet">{` · ${beside.at} of ${beside.of}`}</span>
    </nav>
  );
}

/** What stands after it in the collection, and before it: read one after the other, without going back. */
export function WayOn({ beside }: { beside: Beside }) {
  const router = useRouter();
  // Of a set that was chosen to be read, N leads on in that.
  const isOfSet = useSearchParams().has("then");
  const { before, after } = beside;
  useWindowKeys((event) => {
    if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (!after || isOfSet || event.key.toLowerCase() !== "n") return;
    if (document.querySelector("[role=dialog]")) return;
    event.preventDefault();
    router.push(readHere(after));
  });
  if (!before && !after) return null;
  return (
    <nav
      aria-label={`On in ${beside.title}`}
      className="mt-8 grid grid-cols-1 gap-3 border-t border-line pt-3 text-[15px] sm:grid-cols-2"
    >
      {after && (
        <Link href={readHere(after)} className="group min-w-0 sm:order-2 sm:text-right">
          <span className="block text-quiet">Next here {!isOfSet && <Key>{KEYS.onward}</Key>}</span>
          <span className="line-clamp-2 text-accent group-hover:underline">{after.title}</span>
        </Link>
      )}
      {before && (
        <Link href={readHere(before)} className="group min-w-0">
          <span className="block text-quiet">Before it</span>
          <span className="line-clamp-2 text-accent group-hover:underline">{before.title}</span>
        </Link>
      )}
    </nav>
  );
}
