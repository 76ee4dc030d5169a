"use client";

import { useRouter } from "next/navigation";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { KindMark } from "../parts/kind";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Pair = Answer<"duplicates.read">["pairs"][number];
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; pairs: Pair[]; arranges: boolean };

/** Resources that seem to be the same thing, side by side, to be merged or kept apart. */
export function Duplicates({ me, teams, team, pairs, arranges }: Props) {
  const router = useRouter();
  const again = () => router.refresh();
  const merge = (kept: string, gone: string) =>
    void call("duplicates.merge", { resource: kept, gone })
      .then(({ entry }) => {
        again();
        sayDone("Merged: every place, tag and note is with the one that stays.", team.id, entry, again);
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-4xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Likely duplicates</h1>
          <p className="mt-1 mb-4 text-quiet">
            Two of these may be one: the page names the other’s address as its own, or the words are nearly
            the same.
          </p>
          {pairs.length === 0 ? (
            <Empty title="Nothing seems to be here twice">
              <p>
                When something that is brought in resembles what is here already, the two stand here side by
                side.
              </p>
            </Empty>
          ) : (
            <ul className="border-t border-line">
              {pairs.map(({ newer, older }) => (
                <li key={newer.id} className="border-b border-line py-4">
                  <div className="grid gap-4 md:grid-cols-2">
                    <Side
                      card={older}
                      words="Came first"
                      onMerge={arranges ? () => merge(older.id, newer.id) : undefined}
                    />
                    <Side
                      card={newer}
                      words="Came later"
                      onMerge={arranges ? () => merge(newer.id, older.id) : undefined}
                    />
                  </div>
                  <Button
                    small
                    look="quiet"
                    className="mt-2"
                    onClick={() =>
                      void call("duplicates.keep-apart", { resource: newer.id, other: older.id })
                        .then(again)
                        .catch(sayFailure)
                    }
                  >
                    They are different
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

const sayPlaces = (n: number) => (n === 0 ? "in no collection" : n === 1 ? "in one place" : `in ${n} places`);

function Side({ card, words, onMerge }: { card: Pair["newer"]; words: string; onMerge?: () => void }) {
  return (
    <div className="flex min-w-0 gap-3">
      <KindMark kind={card.kind} />
      <div className="min-w-0 flex-1">
        <p className="text-sm text-quiet">
          {words}, {sayPlaces(card.places)}
        </p>
        <p className="font-semibold break-words">{card.title}</p>
        <p className="truncate text-sm text-quiet">{card.address || card.file}</p>
        {card.tags.length > 0 && <p className="text-sm text-quiet">{card.tags.join(", ")}</p>}
        {onMerge && (
          <Button
            small
            className="mt-2"
            onClick={onMerge}
            aria-label={`Keep this one: ${card.title}, ${words.toLowerCase()}`}
          >
            Keep this one
          </Button>
        )}
      </div>
    </div>
  );
}
