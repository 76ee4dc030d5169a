"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../../parts/button";
import { Field } from "../../parts/field";
import { KindMark } from "../../parts/kind";
import { Link } from "../../parts/link";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { sayByField, sayFailure } from "../../talk/say-failure";
import { toast } from "../../talk/toast";
import { Ways } from "./ways";

type Props = {
  link: Answer<"links.read">["found"][number];
  team: string;
  arranges: boolean;
  brings: boolean;
  again: () => void;
};

/** One address with what was found of it, where it stands, and the ways to mend it. */
export function FoundLink({ link, team, arranges, brings, again }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [isOpen, setOpen] = useState(false);
  const mend = (to: { address?: string; to?: string } = {}) =>
    call("links.mend", { resource: link.resource, ...to }).then(({ mended, entry }) => {
      again();
      sayDone(mended === 1 ? "It leads there now." : `${mended} items lead there now.`, team, entry, again);
    });
  const give = (): Promise<void> =>
    call("links.give-copy", { resource: link.resource, gives: true }).then(({ items, entry }) => {
      again();
      sayDone(
        items === 1 ? "Readers can read the copy there." : `Readers can read the copy at ${items} places.`,
        team,
        entry,
        again,
      );
    });
  const settle = (settled: boolean): Promise<void> =>
    call("links.settle", { resource: link.resource, settled }).then(() => {
      again();
      if (settled)
        toast("It is not shown any more until something else becomes of it.", {
          action: { label: "Undo", onClick: () => void settle(false).catch(sayFailure) },
        });
    });
  return (
    <li id={`link-${link.resource}`} className="border-b border-line py-3 target:bg-wash">
      <div className="flex items-start gap-2">
        <span className="pt-0.5">
          <KindMark kind={link.kind} />
        </span>
        <div className="min-w-0 flex-1">
          <p className="font-semibold break-words">{link.title}</p>
          <p className="text-sm break-all text-quiet">
            <a href={link.address} target="_blank" rel="noreferrer" className="hover:underline">
              {link.address}
            </a>
          </p>
          {link.movedTo && (
            <p className="text-sm break-all">
              now:{" "}
              <a href={link.movedTo} target="_blank" rel="noreferrer" className="text-accent underline">
                {link.movedTo}
              </a>
            </p>
          )}
          <p className="mt-0.5 text-sm text-quiet">
            in{" "}
            {link.places.map((place, i) => (
              <span key={place.placement}>
                {i > 0 && ", "}
                <Link href={`/bench/${place.collection}`} className="underline hover:text-ink">
                  {place.title}
                </Link>
              </span>
            ))}
            {link.since &&
              ` · since ${new Date(link.since).toLocaleDateString("en", { day: "numeric", month: "long" })}`}
          </p>
        </div>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2 pl-7">
        {arranges && link.state === "moved" && (
          <Button small look="accent" onClick={() => void mend().catch(sayFailure)}>
            Take the new address
          </Button>
        )}
        {arranges && typed === null && (
          <Button small onClick={() => setTyped(link.state === "front" ? "" : link.movedTo)}>
            Another address …
          </Button>
        )}
        {arranges && (
          <Button small aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
            Other ways
          </Button>
        )}
        {link.copied && (
          <Link href={`/read/${link.resource}`} className={buttonLook("line", true)}>
            Read the copy
          </Link>
        )}
        {brings && (
          <Button
            small
            look="quiet"
            onClick={() =>
              void call("links.look", { resource: link.resource })
                .then(() => toast("It is being asked."))
                .catch(sayFailure)
            }
          >
            Ask again
          </Button>
        )}
        {brings && (
          <Button small look="quiet" onClick={() => void settle(true).catch(sayFailure)}>
            It is alright
          </Button>
        )}
      </div>
      {isOpen && <Ways resource={link.resource} {...{ team, brings }} onMend={mend} onGive={give} />}
      {typed !== null && (
        <form
          noValidate
          className="mt-2 flex flex-wrap items-end gap-2 pl-7"
          onSubmit={(event) => {
            event.preventDefault();
            void mend({ address: typed })
              .then(() => setTyped(null))
              .catch(sayByField(setErrors));
          }}
        >
          <Field
            label="Where it stands now"
            className="min-w-64 flex-1"
            type="url"
            autoFocus
            value={typed}
            error={errors.address}
            onChange={(event) => (setErrors({}), setTyped(event.target.value))}
          />
          <Button look="accent" type="submit">
            Lead there
          </Button>
          <Button look="quiet" onClick={() => setTyped(null)}>
            Cancel
          </Button>
        </form>
      )}
    </li>
  );
}
