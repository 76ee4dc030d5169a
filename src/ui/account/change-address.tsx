"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Field } from "../parts/field";
import { call } from "../talk/call";
import { sayByField, sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

/** By which the mail address of one's account becomes another one, once a letter to that was followed. */
export function ChangeAddress({ email }: { email: string }) {
  const [open, setOpen] = useState(false);
  const [sentTo, setSentTo] = useState("");
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-3 text-quiet">
        {email}
        <button
          type="button"
          className="min-h-6 text-sm text-accent hover:underline"
          onClick={() => {
            setSentTo("");
            setOpen(true);
          }}
        >
          Another address
        </button>
      </p>
      {open && (
        <Dialog open onOpenChange={setOpen} title="Another mail address">
          {sentTo ? (
            <>
              <p role="status">
                A letter is on its way to {sentTo}. Follow the link in it within an hour, in this browser;
                until then everything stays as it is. {email} is told, too.
              </p>
              <Button className="self-end" onClick={() => setOpen(false)}>
                Close
              </Button>
            </>
          ) : (
            <Asked onSent={setSentTo} />
          )}
        </Dialog>
      )}
    </>
  );
}

function Asked({ onSent }: { onSent: (address: string) => void }) {
  const [address, setAddress] = useState("");
  const [password, setPassword] = useState("");
  const [wrong, setWrong] = useState<{ address?: string; password?: string }>({});
  const [busy, setBusy] = useState(false);
  const send = (event: React.FormEvent) => {
    event.preventDefault();
    if (!address.trim() || !password)
      return setWrong({
        ...(!address.trim() && { address: "Give the new address." }),
        ...(!password && { password: "Give your password." }),
      });
    setBusy(true);
    call("people.change-address", { address: address.trim(), password })
      .then(({ asked }) => onSent(asked))
      .catch(sayByField(setWrong))
      .finally(() => setBusy(false));
  };
  return (
    <form noValidate className="flex flex-col gap-4" onSubmit={send}>
      <Field
        autoFocus
        label="New mail address"
        type="email"
        autoComplete="email"
        maxLength={254}
        value={address}
        error={wrong.address}
        onChange={(event) => setAddress(event.target.value)}
      />
      <Field
        label="Your password"
        type="password"
        autoComplete="current-password"
        maxLength={128}
        value={password}
        error={wrong.password}
        onChange={(event) => setPassword(event.target.value)}
      />
      <Button type="submit" look="accent" className="self-start" disabled={busy}>
        Send the letter
      </Button>
    </form>
  );
}

/** What the link in the letter leads to: it changes nothing before it is pressed, as programs follow links, too. */
export function ConfirmAddress({ token }: { token: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const confirm = () => {
    setBusy(true);
    call("people.confirm-address", { token })
      .then(({ address }) => {
        toast(`${address} is the address of your account from now on. Elsewhere you are signed out.`);
        router.replace("/account");
        router.refresh();
      })
      .catch(sayFailure)
      .finally(() => setBusy(false));
  };
  return (
    <section
      aria-labelledby="confirm-address"
      className="flex flex-col gap-3 rounded-md border border-edge p-4"
    >
      <h2 id="confirm-address" className="font-semibold">
        Is the new address yours?
      </h2>
      <p className="text-[15px]">
        You came by the link in the letter to it. With one press it is the one of your account.
      </p>
      <Button look="accent" className="self-start" disabled={busy} onClick={confirm}>
        Take the new address
      </Button>
    </section>
  );
}
