"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { flattenTree } from "../parts/tree-picker";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { sayAtField, sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";
import { toast } from "../talk/toast";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  mail: Answer<"messages.read">;
  collections: Answer<"collections.tree">["collections"];
};

/** One's addresses for mail, whose mail is taken, and what waits for a look. */
export function Mail({ me, teams, team, mail, collections }: Props) {
  const router = useRouter();
  const again = () => router.refresh();
  const [into, setInto] = useState("");
  const make = (collection?: string | null) =>
    void call("messages.make-address", { team: team.id, collection })
      .then(
        () => (
          again(),
          toast(
            mail.addresses.some((one) => (one.collection ?? null) === (collection ?? null))
              ? "A new address. The one before takes no mail any more."
              : "Mail to this address comes in here.",
          )
        ),
      )
      .catch(sayFailure);
  const tray = mail.addresses.find((one) => !one.collection);
  const options = [
    ["", "Choose a collection"] as const,
    ...flattenTree(collections).map(
      (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
    ),
  ];
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-3xl flex-col gap-8 pt-6">
          <header>
            <h1 className="font-serif text-3xl font-semibold">Mail</h1>
            <p className="mt-1 text-quiet">
              Forward a newsletter here and read it in peace: without pictures that report back, its links to
              be picked, its attachments kept.
            </p>
            {!mail.on && (
              <p className="mt-2 rounded-md bg-warn-wash p-3">
                This Hobbin takes no mail in yet. Whoever runs it can switch it on.
              </p>
            )}
          </header>
          <section className="flex flex-col gap-3 border-t border-line pt-5">
            <h2 className="font-serif text-xl font-semibold">Into your Tray</h2>
            {tray ? (
              <Address address={tray.address} onNew={() => make(null)} />
            ) : (
              <Button className="self-start" look="accent" onClick={() => make(null)}>
                Get an address
              </Button>
            )}
          </section>
          <section className="flex flex-col gap-3 border-t border-line pt-5">
            <h2 className="font-serif text-xl font-semibold">Straight into a collection</h2>
            {mail.addresses
              .filter((one) => one.collection)
              .map((one) => (
                <div key={one.id}>
                  <p className="text-[15px] font-semibold">{one.title}</p>
                  <Address address={one.address} onNew={() => make(one.collection)} />
                </div>
              ))}
            <div className="flex flex-wrap items-end gap-3">
              <Choice
                label="Collection"
                options={options}
                value={into}
                onChange={(event) => setInto(event.target.value)}
              />
              <Button disabled={!into} onClick={() => make(into)}>
                Get an address for it
              </Button>
            </div>
          </section>
          <Held held={mail.held} onDone={again} />
          <Senders mail={mail} onDone={again} />
        </div>
      </main>
    </Frame>
  );
}

function Address({ address, onNew }: { address: string; onNew: () => void }) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      <code className="min-w-0 flex-1 rounded-md border border-line bg-sheet px-3 py-2 text-[15px] break-all">
        {address}
      </code>
      <Button small onClick={() => void copyText(address).then(() => toast("Copied."))}>
        Copy
      </Button>
      <Button small look="quiet" onClick={onNew}>
        Change it
      </Button>
    </div>
  );
}

function Held({ held, onDone }: { held: Props["mail"]["held"]; onDone: () => void }) {
  const decide = (message: string, take: boolean) =>
    void call("messages.decide", { message, take }).then(onDone).catch(sayFailure);
  if (!held.length) return null;
  return (
    <section className="flex flex-col gap-3 border-t border-line pt-5">
      <h2 className="font-serif text-xl font-semibold">Held for a look</h2>
      <ul>
        {held.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
            <span className="min-w-52 flex-1">
              <span className="block font-semibold">{one.subject}</span>
              <span className="block text-sm text-quiet" suppressHydrationWarning>
                {one.sender}, {sayAgo(one.createdAt)}
              </span>
            </span>
            <Button small onClick={() => decide(one.id, true)}>
              Take it
            </Button>
            <Button small look="quiet" onClick={() => decide(one.id, false)}>
              Let it go
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Senders({ mail, onDone }: { mail: Props["mail"]; onDone: () => void }) {
  const [address, setAddress] = useState("");
  const [error, setError] = useState("");
  const set = (wanted: string, allow: boolean) =>
    call("messages.set-sender", { address: wanted, allow })
      .then(() => (setAddress(""), onDone()))
      .catch(sayAtField("address", setError));
  return (
    <section className="flex flex-col gap-3 border-t border-line pt-5">
      <h2 className="font-serif text-xl font-semibold">Whose mail is taken at once</h2>
      <p className="text-[15px] text-quiet">
        What you send from {mail.own} is always taken. Mail of others is held for a look first.
      </p>
      <ul>
        {mail.senders.map((one) => (
          <li key={one.id} className="flex items-center gap-3 border-b border-line py-1.5">
            <span className="min-w-0 flex-1 truncate">{one.address}</span>
            <Button
              small
              look="quiet"
              onClick={() => void set(one.address, false)}
              aria-label={`Take ${one.address} off the list`}
            >
              Take off
            </Button>
          </li>
        ))}
      </ul>
      <form
        noValidate
        className="flex flex-wrap items-start gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void set(address, true);
        }}
      >
        <Field
          label="Address, or @site.example for everybody there"
          className="min-w-52 flex-1"
          value={address}
          error={error}
          onChange={(event) => (setAddress(event.target.value), setError(""))}
        />
        <Button type="submit" className="mt-6">
          Add
        </Button>
      </form>
    </section>
  );
}
