"use client";

import { useEffect, useState } from "react";
import { addressesIn, MOST_ADDRESSES } from "@/core/mail/addresses-in";
import type { Role } from "@/core/policy/abilities";
import { saidInGroups } from "@/core/share/short-code";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Area, Choice, Field } from "../parts/field";
import { copyText } from "../talk/copy-text";
import { whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";

type Invitation = Answer<"members.read">["invitations"][number];
/** How somebody is invited, into whatever it is. */
export type Inviting<R extends Role = Role> = {
  /** The role that stands there first. */
  first: R;
  /** The roles to choose from, the one with most rights first, and what each may do. */
  roles: readonly R[];
  words: Record<R, { name: string; can: string }>;
  send: (role: R, addresses: string[]) => Promise<{ invited: unknown[]; already: unknown[] }>;
  link: (
    role: R,
    how: { days?: number; most?: number; short?: boolean },
  ) => Promise<{ invitation: { code: string } }>;
  end: (invitation: string) => Promise<unknown>;
  /** Who is passed over, as in “2 are …”. */
  already: string;
};
type Props<R extends Role> = {
  inviting: Inviting<R>;
  invitations: Invitation[];
  after: (work: Promise<unknown>) => void;
};

/** How others come: by a letter to each, or by a link to be handed on. */
export function Invitations<R extends Role>({ inviting, invitations, after }: Props<R>) {
  const { roles, words } = inviting;
  const [role, setRole] = useState<R>(inviting.first);
  return (
    <section className="flex flex-col gap-5">
      <h2 className="border-b border-line pb-2 font-serif text-xl font-semibold">Invite</h2>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="As"
          options={roles.map((one) => [one, words[one].name] as const)}
          value={role}
          onChange={(event) => setRole(event.target.value as R)}
          className="w-40"
        />
        <p className="min-w-60 flex-1 text-sm text-quiet">
          {words[role].name}: {words[role].can}
        </p>
      </div>
      <ByMail {...{ inviting, role, after }} />
      <ByLink {...{ inviting, role, after }} />
      <ByCode {...{ inviting, role, after }} />
      {invitations.length > 0 && (
        <ul aria-label="Open invitations" className="border-t border-line">
          {invitations.map((one) => (
            <Open key={one.id} {...{ inviting, one, after }} />
          ))}
        </ul>
      )}
    </section>
  );
}

type Way<R extends Role> = { inviting: Inviting<R>; role: R; after: Props<R>["after"] };

function ByMail<R extends Role>({ inviting, role, after }: Way<R>) {
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
      inviting
        .send(role, addresses)
        .then(({ invited, already }) => {
          setText("");
          toast(sayInvited(invited.length, already.length, inviting.already));
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

const sayInvited = (invited: number, already: number, how: string): string => {
  const sent = invited === 1 ? "Invited 1 person." : `Invited ${invited} people.`;
  if (!already) return sent;
  const there = `${already} ${already === 1 ? "is" : "are"} ${how}.`;
  return invited ? `${sent} ${there}` : there;
};

function ByLink<R extends Role>({ inviting, role, after }: Way<R>) {
  const [most, setMost] = useState("");
  const [days, setDays] = useState("14");
  const make = () =>
    after(
      inviting
        .link(role, { days: Number(days), ...(most && { most: Number(most) }) })
        .then(async ({ invitation }) => {
          await copyText(linkOf(invitation.code));
          toast("The link is copied. Whoever opens it comes in that role.");
        }),
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

/** For people in one room: a code on the wall, typed by each. */
function ByCode<R extends Role>({ inviting, role, after }: Way<R>) {
  const [most, setMost] = useState("40");
  if (role === "owner") return null;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Choice
        label="By a code for a room, for"
        value={most}
        onChange={(event) => setMost(event.target.value)}
        options={["10", "40", "120", "500"].map((one) => [one, `up to ${one} people`] as const)}
        className="w-44"
      />
      <Button onClick={() => after(inviting.link(role, { short: true, most: Number(most) }))}>
        Make a code
      </Button>
      <p className="min-w-52 flex-1 text-sm text-quiet">Typed or read aloud; it holds for a day.</p>
    </div>
  );
}

const linkOf = (code: string) => `${window.location.origin}/join/${code}`;

function Open<R extends Role>({ inviting, one, after }: Omit<Way<R>, "role"> & { one: Invitation }) {
  // Whole, once the page is alive and knows where it is.
  const [origin, setOrigin] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setOrigin(window.location.origin), 0);
    return () => clearTimeout(timer);
  }, []);
  const { address, most, used, short } = one;
  const role = one.role as R;
  const until = `${inviting.words[role].name}, until ${one.expiresAt.slice(0, 10)}`;
  const end = (
    <Button
      look="stop"
      aria-label={`End the invitation${address ? ` of ${address}` : short ? ` by ${short}` : ""}`}
      onClick={() => after(inviting.end(one.id))}
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
          onClick={() => after(inviting.send(role, [address]).then(() => toast(`Sent again to ${address}.`)))}
        >
          Send again
        </Button>
        {end}
      </li>
    );
  const came = most === null ? "" : `, ${used} of ${most} came`;
  if (short)
    return (
      <li className="flex flex-wrap items-center gap-3 border-b border-line py-2">
        <p className="min-w-0 flex-1 basis-60">
          <b className="block font-mono text-3xl font-semibold tracking-wide">{saidInGroups(short)}</b>
          <span className="block text-sm text-quiet">
            to be typed at {origin.replace(/^https?:\/\//, "")}/go. {until}
            {came}
          </span>
        </p>
        <Button onClick={() => void copyText(short).then(() => toast("Copied."))}>Copy</Button>
        {end}
      </li>
    );
  return (
    <li className="flex flex-wrap items-end gap-3 border-b border-line py-2">
      <Field
        label={`${until}${came}`}
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
