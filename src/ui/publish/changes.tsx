"use client";

import { type Told, WORDED_AS } from "@/core/editions/changes";
import type { Answer } from "@/services/registry";

type Changes = Answer<"editions.compare">;

const count = (n: number, one: string) => `${n} ${one}`;

/** “2 added, 1 gone”; empty: nothing. */
export const sayChanges = ({ added, gone, moved, words }: Changes): string =>
  [
    added.length ? count(added.length, "added") : "",
    gone.length ? count(gone.length, "gone") : "",
    moved.length ? count(moved.length, "moved") : "",
    words.length ? count(words.length, words.length === 1 ? "other wording" : "other wordings") : "",
  ]
    .filter(Boolean)
    .join(", ");

/** In each group so many are shown. */
const SHOWN = 200;

/** What changed from one edition to another, or since. */
export function ChangesList({ changes }: { changes: Changes }) {
  return (
    <div className="flex flex-col gap-3 text-[15px]">
      <Group name="Added" all={changes.added} />
      <Group name="Gone" all={changes.gone} />
      <Group
        name="Moved"
        all={changes.moved}
        more={(one) => {
          const from = one.from.join(" › ");
          return from && from !== one.where.join(" › ") ? `from ${from}` : "";
        }}
      />
      {changes.words.length > 0 && (
        <section>
          <h4 className="font-semibold">Other words</h4>
          <ul>
            {changes.words.slice(0, SHOWN).map((one) => (
              <li key={`${one.id} ${one.of}`} className="border-t border-line py-1.5">
                <One {...one} />
                <dl>
                  <dt className="text-sm text-quiet">{WORDED_AS[one.of]}</dt>
                  {one.before && (
                    <dd className="border-l-2 border-line pl-2 break-words whitespace-pre-line text-quiet">
                      <del>{one.before}</del>
                    </dd>
                  )}
                  {one.after && (
                    <dd className="border-l-2 border-accent pl-2 break-words whitespace-pre-line">
                      <ins className="no-underline">{one.after}</ins>
                    </dd>
                  )}
                </dl>
              </li>
            ))}
          </ul>
          <More of={changes.words.length} />
        </section>
      )}
    </div>
  );
}

function Group<T extends Told>({
  name,
  all,
  more,
}: {
  name: string;
  all: readonly T[];
  more?: (one: T) => string;
}) {
  if (!all.length) return null;
  return (
    <section>
      <h4 className="font-semibold">{name}</h4>
      <ul>
        {all.slice(0, SHOWN).map((one) => (
          <li key={one.id} className="border-t border-line py-1.5">
            <One {...one} more={more?.(one)} />
          </li>
        ))}
      </ul>
      <More of={all.length} />
    </section>
  );
}

function One({ title, where, holds, more }: Told & { more?: string }) {
  const said = [where.join(" › "), holds ? `${holds} ${holds === 1 ? "item" : "items"}` : "", more];
  return (
    <p className="break-words">
      {title || "A text"} <span className="text-sm text-quiet">{said.filter(Boolean).join(" · ")}</span>
    </p>
  );
}

const More = ({ of }: { of: number }) =>
  of > SHOWN ? <p className="text-sm text-quiet">And {of - SHOWN} more.</p> : null;
