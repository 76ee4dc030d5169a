"use client";

import { useRouter } from "next/navigation";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayAgo } from "../talk/say-time";
import { sayFailure } from "../talk/say-failure";

type Entry = Answer<"bin.read">["items"][number];

/** What was deleted in the team and can be put back. */
export function Bin({
  me,
  teams,
  team,
  items,
  days,
}: { me: Me; teams: TeamRow[]; team: TeamRow } & Answer<"bin.read">) {
  const router = useRouter();
  const restore = (item: Entry) =>
    restoreEntry(item)
      .then(() => router.refresh())
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Bin</h1>
          <p className="mt-1 mb-4 text-quiet">
            What is deleted waits here for {days === 1 ? "a day" : `${days} days`}.
          </p>
          {items.length === 0 ? (
            <Empty title="The bin is empty">
              <p>
                What you take out of a collection, and collections you delete, lie here until you put them
                back.
              </p>
            </Empty>
          ) : (
            <ul className="border-t border-line">
              {items.map((item) => (
                <li key={item.id} className="flex items-center gap-3 border-b border-line py-2.5">
                  <span className="min-w-0 flex-1">
                    <span className="block truncate font-semibold">{item.title}</span>
                    <span className="block truncate text-sm text-quiet" suppressHydrationWarning>
                      {WHAT[item.what]}
                      {item.where && ` in ${item.where}`}, {sayAgo(item.deletedAt!)}
                    </span>
                  </span>
                  <Button small onClick={() => restore(item)}>
                    Put back
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </div>
      </main>
    </Frame>
  );
}

const WHAT: Record<Entry["what"], string> = {
  collection: "Collection",
  placement: "Item",
  resource: "Out of the whole catalogue",
  section: "Section",
};

/** Puts back what was deleted, whatever it is. */
function restoreEntry({ what, id }: Pick<Entry, "what" | "id">): Promise<unknown> {
  if (what === "collection") return call("bin.restore-collection", { collection: id });
  if (what === "section") return call("bin.restore-section", { section: id });
  if (what === "resource") return call("bin.restore-resource", { resource: id });
  return call("bin.restore-placement", { placement: id });
}
