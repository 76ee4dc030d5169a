"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Choice, Field } from "../parts/field";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayAtField, sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { ROLE_WORDS } from "../team/role-words";
import { Archives } from "../archives/archives";
import { DeleteAccount } from "./delete-account";
import { BrowserPart } from "./browser-part";
import { LettersPart } from "./letters-part";
import { ConfirmAddress } from "./change-address";
import { MailHoursPart } from "./mail-hours";
import { OwnPart } from "./own-part";
import { PersonPage } from "./person-page";
import { SessionsPart } from "./sessions-part";
import { NewPasswordField } from "./new-password-field";
import { useAccountForm } from "./use-account-form";

type Props = {
  me: Me;
  teams: TeamRow[];
  tokens: Answer<"tokens.read">["tokens"];
  care: Answer<"stewards.am-i">;
  page: Answer<"people.page">;
  /** The end of the link in a letter to a new address. */
  confirm: string | undefined;
} & Answer<"notices.wishes">;

/** One's own account: teams, password, look, access tokens. */
export function Account({ me, teams, tokens, wishes, hours, care, page, confirm }: Props) {
  return (
    <Frame me={me} teams={teams} team={null}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-2xl flex-col gap-10 pt-6">
          <OwnPart me={me} />
          {confirm && <ConfirmAddress token={confirm} />}
          <Teams teams={teams} />
          {care.isOne && (
            <Part
              id="stewards"
              title="Steward"
              about="You look after this installation: what is public here, and who comes in."
            >
              <Link href="/stewards" className="w-fit text-accent underline">
                {care.waiting === 0
                  ? "To what stewards see to"
                  : `${care.waiting === 1 ? "1 report waits" : `${care.waiting} reports wait`} to be looked at`}
              </Link>
            </Part>
          )}
          <Part
            id="page"
            title="Your public page"
            about="For whoever wants to know what else you have gathered. Whether there is one is yours to say."
          >
            <PersonPage first={page} hasPicture={Boolean(me.image)} />
          </Part>
          <Look />
          <Password />
          <Part
            id="sessions"
            title="Where you are signed in"
            about="A session that is ended here learns nothing more within seconds."
          >
            <SessionsPart />
          </Part>
          <Part
            id="mail"
            title="By mail"
            about="What is addressed to you stands on your Desk as well. What you have looked at by then is not sent; each letter has a way to end them all."
          >
            <LettersPart first={wishes} />
            <MailHoursPart first={hours} />
          </Part>
          <Part
            id="browser"
            title="From your browser and phone"
            about="One key saves the page you are on, and you stay where you are."
          >
            <BrowserPart />
          </Part>
          <Tokens tokens={tokens} />
          <Part
            id="archives"
            title="Take along, and bring back"
            about="An archive of a team is had from its page, by its owners. Here one comes back, as a new team of yours."
          >
            <Archives team={teams.find((team) => team.own)!.id} />
            <a href="/api/about-me" download className="w-fit text-accent underline">
              Everything about you, as JSON
            </a>
          </Part>
          <Part
            id="delete"
            title="Delete the account"
            about="What stays with your teams and what goes is said before."
          >
            <DeleteAccount />
          </Part>
          <Link href="/credits" className="w-fit text-accent underline">
            Whose work is in Hobbin
          </Link>
        </div>
      </main>
    </Frame>
  );
}

function Part({
  id,
  title,
  about,
  more,
  children,
}: {
  id?: string;
  title: string;
  about?: string;
  /** A way on from what it is about. */
  more?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <section id={id} className="flex flex-col gap-4 border-t border-line pt-5">
      <div>
        <h2 className="font-serif text-xl font-semibold">{title}</h2>
        {about && (
          <p className="text-[15px] text-quiet">
            {about} {more}
          </p>
        )}
      </div>
      {children}
    </section>
  );
}

function Teams({ teams }: { teams: TeamRow[] }) {
  const [name, setName] = useState("");
  const [error, setError] = useState("");
  const make = async () => {
    try {
      const { team } = await call("teams.make", { name });
      window.location.assign(`/team/${team.id}/people`);
    } catch (failure) {
      sayAtField("name", setError)(failure);
    }
  };
  return (
    <Part
      id="teams"
      title="Teams"
      about="Everybody has a place of their own. A team shares its catalogue and collections."
    >
      <ul className="flex flex-col">
        {teams.map((team) => (
          <li key={team.id} className="flex items-baseline gap-3 border-b border-line py-2">
            <a href={`/team/${team.id}`} className="font-semibold hover:underline">
              {team.name}
            </a>
            <span className="ml-auto text-sm text-quiet">
              {team.own ? "yours alone" : ROLE_WORDS[team.role].name}
            </span>
          </li>
        ))}
      </ul>
      <form
        className="flex items-end gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <Field
          label="New team"
          value={name}
          error={error}
          onChange={(event) => (setName(event.target.value), setError(""))}
          className="flex-1"
        />
        <Button type="submit">Make it</Button>
      </form>
    </Part>
  );
}

const LOOKS = [
  ["system", "Like the system"],
  ["light", "Light"],
  ["dark", "Dark"],
] as const;

function Look() {
  const set = (look: string) => {
    if (look === "system") {
      localStorage.removeItem("hobbin-look");
      delete document.documentElement.dataset.look;
    } else {
      localStorage.setItem("hobbin-look", look);
      document.documentElement.dataset.look = look;
    }
  };
  return (
    <Part title="Look">
      <Choice
        label="Light or dark, on this device"
        options={LOOKS}
        defaultValue={
          typeof window === "undefined" ? "system" : (localStorage.getItem("hobbin-look") ?? "system")
        }
        suppressHydrationWarning
        onChange={(event) => set(event.target.value)}
        className="max-w-72"
      />
    </Part>
  );
}

function Password() {
  const form = useAccountForm<{ currentPassword: string; newPassword: string }>("/api/auth/change-password", {
    revokeOtherSessions: true,
  });
  const { register, submit, failure, errorOf, busy, reset } = form;
  return (
    <Part
      title="Password"
      about="Changing it signs you out everywhere else; access tokens and paired browsers end too."
    >
      <form
        noValidate
        className="flex max-w-72 flex-col gap-4"
        onSubmit={submit(() => {
          reset();
          toast("The new password holds.");
        })}
      >
        <Field
          label="Password now"
          type="password"
          autoComplete="current-password"
          error={errorOf("currentPassword")}
          {...register("currentPassword", { required: "Give the password you have now." })}
        />
        <NewPasswordField
          label="New password"
          name="newPassword"
          register={register}
          error={errorOf("newPassword")}
        />
        {failure && (
          <p role="alert" className="text-stop">
            {failure}
          </p>
        )}
        <Button type="submit" disabled={busy} className="self-start">
          Change it
        </Button>
      </form>
    </Part>
  );
}

function Tokens({ tokens }: { tokens: Props["tokens"] }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [error, setError] = useState("");
  const [fresh, setFresh] = useState("");
  const make = async () => {
    try {
      const { token } = await call("tokens.make", { name });
      setFresh(token);
      setName("");
      router.refresh();
    } catch (failure) {
      sayAtField("name", setError)(failure);
    }
  };
  const revoke = (token: string) =>
    call("tokens.revoke", { token })
      .then(() => router.refresh())
      .catch(sayFailure);
  return (
    <Part
      title="Access tokens"
      about="For programs that act on your behalf. They may do what you may do."
      more={
        <a href="/api/openapi.json" className="text-accent underline">
          What programs can ask Hobbin
        </a>
      }
    >
      {fresh && (
        <div className="rounded-md bg-warn-wash p-3">
          <p className="font-semibold">Copy it now; it is shown this once.</p>
          <code className="mt-1 block text-[15px] break-all select-all">{fresh}</code>
        </div>
      )}
      <ul className="flex flex-col">
        {tokens.map((token) => (
          <li key={token.id} className="flex items-center gap-3 border-b border-line py-1">
            <span className="font-semibold">{token.name}</span>
            <span className="text-sm text-quiet">
              made {token.createdAt.slice(0, 10)},{" "}
              {token.lastUsedAt ? `last used ${token.lastUsedAt.slice(0, 10)}` : "never used"}
            </span>
            <Button small look="stop" className="ml-auto" onClick={() => revoke(token.id)}>
              Revoke
            </Button>
          </li>
        ))}
      </ul>
      <form
        noValidate
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <Field
          label="What the new token is for"
          value={name}
          error={error}
          onChange={(event) => (setName(event.target.value), setError(""))}
          className="flex-1"
        />
        <Button type="submit">Make it</Button>
      </form>
    </Part>
  );
}
