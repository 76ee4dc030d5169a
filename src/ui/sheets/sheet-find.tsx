"use client";

import type { Find } from "@/core/handouts/sheet-view";
import { Button } from "../parts/button";
import { SavedText } from "../parts/saved-text";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import type { Sheet } from "./use-sheet";

/** Something the learner found, among what they were given. */
export function SheetFind({ find, sheet }: { find: Find; sheet?: Sheet }) {
  const name = find.title || find.address.replace(/^https?:\/\//, "");
  const take = (gone: boolean) => sheet?.takeFind(find.id, gone);
  return (
    <li className="flex flex-col gap-2 border-b border-line py-3 pl-13">
      <p className="break-words">
        <span className="text-sm text-quiet">Found: </span>
        {find.address ? (
          <a
            href={find.address}
            target="_blank"
            rel="noopener noreferrer nofollow"
            className="font-semibold underline decoration-line underline-offset-2 hover:decoration-ink"
          >
            {name}
          </a>
        ) : (
          <span className="font-semibold">{name}</span>
        )}
      </p>
      {sheet ? (
        <>
          <SavedText
            lines
            label={`Why “${name}” belongs here`}
            value={find.context}
            maxLength={4_000}
            onSave={(text, base) => sheet.editFind(find.id, text, base)}
          />
          <Button
            small
            look="quiet"
            className="-ml-3 self-start"
            onClick={() =>
              void take(true)
                ?.then(() =>
                  toast(`Taken away: ${name}`, {
                    action: { label: "Undo", onClick: () => void take(false)?.catch(sayFailure) },
                  }),
                )
                .catch(sayFailure)
            }
          >
            Take it away
          </Button>
        </>
      ) : (
        find.context && <p className="font-serif break-words whitespace-pre-wrap">{find.context}</p>
      )}
    </li>
  );
}
