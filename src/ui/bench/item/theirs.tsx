"use client";

import { useQuery } from "@tanstack/react-query";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../../parts/button";
import { KindWord } from "../../parts/kind";
import { ask, Refusal } from "../../talk/call";

/** What a public collection shows its readers now; it may be public no more. */
function useTheirs(shown: string) {
  const { data, error } = useQuery({
    queryKey: ["lent-items", shown],
    queryFn: () => ask("shelves.read", { collection: shown }),
    retry: false,
    staleTime: 30_000,
  });
  return { data, isClosed: error instanceof Refusal && error.status === 404 };
}

/** What is shown here of others, in a line: whose, and how much. */
export function TheirsLine({ shown }: { shown: string }) {
  const { data, isClosed } = useTheirs(shown);
  if (isClosed)
    return <p className="mt-1 text-sm text-warn">It is public no more; readers are not shown it.</p>;
  if (!data) return <p className="mt-1 text-sm text-quiet">Shown live …</p>;
  const count = data.parts.reduce((sum, part) => sum + part.items.length, 0);
  return (
    <p className="mt-1 text-sm text-quiet">
      Shown live: {count === 1 ? "1 item" : `${count} items`} by {data.teamName}, as it stands there
    </p>
  );
}

/** What is shown here of others, as it stands there now. @param onKeep takes a copy of these in its stead */
export function Theirs({ shown, onKeep }: { shown: string; onKeep?: (items: string[]) => void }) {
  const { data, isClosed } = useTheirs(shown);
  if (isClosed)
    return (
      <section aria-label="Theirs">
        <h2 className="mb-1.5 text-sm font-semibold">Theirs</h2>
        <p className="text-[15px] text-quiet">
          Its makers have closed it, or it is gone. Nothing of it was copied, so readers are shown nothing of
          this item either; should it be public again, they are.
        </p>
      </section>
    );
  if (!data) return null;
  const items = data.parts.flatMap((part) => part.items);
  return (
    <section aria-label="Theirs">
      <h2 className="mb-1.5 text-sm font-semibold">Theirs, as it stands there now</h2>
      <ul className="max-h-72 overflow-y-auto border-l-3 border-double border-edge pl-4">
        {items.map((item) => (
          <li key={item.id} className="py-1.5">
            {item.context && <p className="font-serif text-[15px] leading-snug">{item.context}</p>}
            <p className="text-[15px] break-words">
              <a href={item.address || `/c/${data.code}#i-${item.id}`} className="hover:underline">
                {item.heading || item.title}
              </a>
            </p>
            <p className="text-sm text-quiet">
              <KindWord kind={item.kind} /> · {item.siteName || item.host || "Kept there"}
              {item.minutes ? ` · ${sayMinutes(item.minutes)}` : ""}
            </p>
          </li>
        ))}
      </ul>
      {items.length === 0 && <p className="text-[15px] text-quiet">Nothing stands in it yet.</p>}
      {onKeep && items.length > 0 && (
        <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
          <Button small onClick={() => onKeep(items.map((item) => item.id))}>
            Keep a copy instead
          </Button>
          <p className="text-sm text-quiet">
            Its items as your own, behind this one and with their credit; they stay as they are now.
          </p>
        </div>
      )}
    </section>
  );
}
