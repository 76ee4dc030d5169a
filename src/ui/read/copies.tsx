"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import type { TeamRow } from "../shell/who";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useSoon } from "../talk/use-soon";

type Version = Answer<"texts.versions">["versions"][number];

const ORIGINS: Record<Version["origin"], string> = {
  fetched: "as the page was",
  seen: "as somebody of the team saw the page",
  typed: "pasted by hand",
  mail: "as it came by mail",
  file: "taken from the file",
};

/** When and how the copy was kept that is read here, and the ones before it: what is other in them, and to read or use them again. */
export function Copies({
  team,
  resource,
  origin,
  at,
}: {
  team: TeamRow;
  resource: string;
  origin: Version["origin"];
  at: string;
}) {
  const { data } = useQuery({
    queryKey: ["versions", resource, at],
    queryFn: () => ask("texts.versions", { resource }),
    enabled: useSoon(),
  });
  const [shown, setShown] = useState<Version | null>(null);
  const before = data?.versions.filter((one) => !one.inUse) ?? [];
  return (
    <div className="mt-10 border-t border-line pt-3 text-sm text-quiet">
      <p>
        Kept {ORIGINS[origin]}, {at.slice(0, 10)}.
      </p>
      {before.length > 0 && (
        <details>
          <summary className="mt-1 w-fit hover:text-ink">
            {before.length === 1 ? "One copy before it" : `${before.length} copies before it`}
          </summary>
          <ul className="mt-1">
            {before.map((one) => (
              <li key={one.number} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
                <span className="min-w-48 flex-1">
                  {one.at.slice(0, 10)}, {ORIGINS[one.origin]}, {one.words.toLocaleString("en")} words
                </span>
                <Button small look="quiet" onClick={() => setShown(one)}>
                  Look at it
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {shown && <OneCopy team={team} resource={resource} version={shown} onClose={() => setShown(null)} />}
    </div>
  );
}

/** A copy from before: what is other in the one in use, or as it was. */
function OneCopy({
  team,
  resource,
  version,
  onClose,
}: {
  team: TeamRow;
  resource: string;
  version: Version;
  onClose: () => void;
}) {
  const client = useQueryClient();
  const router = useRouter();
  const [whole, setWhole] = useState(false);
  const { number } = version;
  const { data, isError } = useQuery({
    queryKey: ["version", resource, number],
    queryFn: () => ask("texts.compare", { resource, number }),
  });
  const use = () =>
    void call("texts.use", { resource, number })
      .then(() => {
        onClose();
        void client.invalidateQueries({ queryKey: ["versions", resource] });
        router.refresh();
      })
      .catch(sayFailure);
  const isSame = data?.changes.every((part) => part.kind === "same");
  return (
    <Dialog
      open
      wide
      onOpenChange={(on) => !on && onClose()}
      title={`The copy of ${version.at.slice(0, 10)}`}
      about={whole ? "As it was." : "Crossed out is what is gone since; underlined what is new."}
    >
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => setWhole(!whole)}>
          {whole ? "What has changed since" : "Read it as it was"}
        </Button>
        {may(team.role, "bring") && (
          <Button small onClick={use}>
            Use this one
          </Button>
        )}
      </div>
      {isError && <p>It could not be read.</p>}
      {data && whole && <div className="reading" dangerouslySetInnerHTML={{ __html: data.html }} />}
      {data && !whole && (
        <div className="font-serif leading-relaxed break-words whitespace-pre-line">
          {isSame && <p className="font-sans text-quiet">The words are the same.</p>}
          {data.changes.map((part, i) =>
            part.kind === "same" ? (
              <span key={i} className="text-quiet">
                {shortened(part.text)}
              </span>
            ) : part.kind === "gone" ? (
              <del key={i} className="text-stop">
                {part.text}
              </del>
            ) : (
              <ins key={i} className="bg-wash decoration-2">
                {part.text}
              </ins>
            ),
          )}
        </div>
      )}
    </Dialog>
  );
}

/** Of what is the same its ends are enough to know where one is. */
const shortened = (text: string) =>
  text.length > 500 ? `${text.slice(0, 200)} … ${text.slice(-200)}` : text;
