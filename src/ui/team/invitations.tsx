"use client";

import { useEffect, useState } from "react";
import { addressesIn, MOST_ADDRESSES } from "@/core/mail/addresses-in";
import type { Role } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Area, Choice, Field } from "../parts/field";
import type { TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { copyText } from "../talk/copy-text";
import { whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { ROLE_OPTIONS, ROLE_WORDS } from "./role-words";

type Invitation = Answer<"members.read">["invitations"][number];
type Props = {
  team: TeamRow;
  invitations: Invitation[];
  after: (work: Promise<unknown>) => void;
};

/** How others join: by a letter to each, or by a link to be handed on. */
export function Invitations({ team, invitations, after }: Props) {
  const [role, setRole] = useState<Role>("editor");
  return (
    <section className="flex flex-col gap-5">
      <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">Invite</h2>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="As"
          options={ROLE_OPTIONS}
          value={role}
          onChange={(event) => setRole(event.target.value as Role)}
          className="w-40"
        />
        <p className="min-w-60 flex-1 text-sm text-quiet">
          {ROLE_WORDS[role].name}: {ROLE_WORDS[role].can}
        </p>
      </div>
      <ByMail team={team.id} role={role} after={after} />
      <ByLink team={team.id} role={role} after={after} />
      {invitations.length > 0 && (
        <ul aria-label="Open invitations" className="border-t border-line">
          {invitations.map((one) => (
            <Open key={one.id} team={team.id} one={one} after={after} />
          ))}
        </ul>
      )}
    </section>
  );
}

type Way = { team: string; role: Role; after: Props["after"] };

function ByMail({ team, role, after }: Way) {
  const [text, setText] = useState("");
  const [error, setError] = useState("");
  const [busy, setBusy] = useState(false);
  const { addresses, wrong } = addressesIn(text);
  const send = () => {
    if (wrong.length) return setError(`“${wrong[0]}” is no mail address.`);
    if (!addresses.length) return setError("Give a mail address.");
    if (addresses.length > MOST_ADDRESSES) return setError(`At most ${MOST_ADDRESSES} at once, please.`);
    setBusy(true);
    after(
      call("invitations.send", { team, role, addresses })
        .then(({ invited, already }) => {
          setText("");
          toast(sayInvited(invited.length, already.length));
        })
        .catch((failure: unknown) => setError(whyOf(failure)))
        .finally(() => setBusy(false)),
    );
  };
  return (
    <form
      noValidate
      className="flex flex-col gap-2 sm:max-w-xl"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <Area
        label="By mail"
        hint={
          addresses.length
            ? `${addresses.length === 1 ? "1 address" : `${addresses.length} addresses`}. Each gets a letter of their own; the invitation is for that address alone.`
            : "Mail addresses, pasted from a list or a table."
        }
        value={text}
        error={error}
        inputMode="email"
        inputClass="max-h-60 overflow-y-auto"
        onChange={(event) => (setText(event.target.value), setError(""))}
      />
      <Button type="submit" look="accent" disabled={busy} className="self-start">
        Send {addresses.length > 1 ? "the invitations" : "the invitation"}
      </Button>
    </form>
  );
}

const sayInvited = (invited: number, already: number): string => {
  const sent = invited === 1 ? "Invited 1 person." : `Invited ${invited} people.`;
  if (!already) return sent;
  const there = already === 1 ? "1 is in the team already." : `${already} are in the team already.`;
  return invited ? `${sent} ${there}` : there;
};

function ByLink({ team, role, after }: Way) {
  const [most, setMost] = useState("");
  const [days, setDays] = useState("14");
  const make = () =>
    after(
      call("invitations.make", { team, role, days: Number(days), ...(most && { most: Number(most) }) }).then(
        async ({ invitation }) => {
          await copyText(linkOf(invitation.code));
          toast("The link is copied. Whoever opens it joins in that role.");
        },
      ),
    );
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Choice
        label="By a link, for"
        value={most}
        onChange={(event) => setMost(event.target.value)}
        options={[
          ["", "as many as come"],
          ["1", "one person"],
          ["5", "5 people"],
          ["30", "30 people"],
        ]}
        className="w-44"
      />
      <Choice
        label="It holds"
        value={days}
        onChange={(event) => setDays(event.target.value)}
        options={[
          ["1", "for a day"],
          ["7", "for a week"],
          ["14", "for 14 days"],
          ["90", "for 90 days"],
        ]}
        className="w-36"
      />
      <Button onClick={make}>Make a link</Button>
    </div>
  );
}

const linkOf = (code: string) => `${window.location.origin}/join/${code}`;

function Open({ team, one, after }: { team: string; one: Invitation; after: Props["after"] }) {
  // Whole, once the page is alive and knows where it is.
  const [origin, setOrigin] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setOrigin(window.location.origin), 0);
    return () => clearTimeout(timer);
  }, []);
  const { address, role, most, used } = one;
  const until = `${ROLE_WORDS[role].name}, until ${one.expiresAt.slice(0, 10)}`;
  const end = (
    <Button
      look="stop"
      aria-label={`End the invitation${address ? ` of ${address}` : ""}`}
      onClick={() => after(call("invitations.revoke", { invitation: one.id }))}
    >
      End it
    </Button>
  );
  if (address)
    return (
      <li className="flex flex-wrap items-center gap-3 border-b border-line py-2">
        <span className="min-w-0 flex-1 basis-60">
          <span className="block font-semibold break-all">{address}</span>
          <span className="block text-sm text-quiet">{until}</span>
        </span>
        <Button
          aria-label={`Send it again to ${address}`}
          onClick={() =>
            after(
              call("invitations.send", { team, role, addresses: [address] }).then(() =>
                toast(`Sent again to ${address}.`),
              ),
            )
          }
        >
          Send again
        </Button>
        {end}
      </li>
    );
  return (
    <li className="flex flex-wrap items-end gap-3 border-b border-line py-2">
      <Field
        label={`${until}${most === null ? "" : `, ${used} of ${most} came`}`}
        readOnly
        value={`${origin}/join/${one.code}`}
        className="min-w-60 flex-1"
        onFocus={(event) => event.target.select()}
      />
      <Button onClick={() => void copyText(linkOf(one.code)).then(() => toast("Copied."))}>Copy</Button>
      {end}
    </li>
  );
}
