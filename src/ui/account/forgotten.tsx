"use client";

import { useState } from "react";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { Gate } from "./gate";
import { useAccountForm } from "./use-account-form";

/** Asks for a letter with a link to choose a new password. Says the same whether or not the address is known. */
export function Forgotten() {
  const [sent, setSent] = useState(false);
  const form = useAccountForm<{ email: string }>("/api/auth/request-password-reset", {
    redirectTo: "/new-password",
  });
  const { register, submit, failure, errorOf, busy } = form;
  if (sent)
    return (
      <Gate
        title="Look into your mail"
        about="If this address has an account, a letter with a link is on its way. The link holds for an hour."
      >
        <Link href="/sign-in" className="text-accent underline">
          To sign in
        </Link>
      </Gate>
    );
  return (
    <Gate title="Forgotten password" about="We send you a link by which you choose a new one.">
      <form noValidate className="flex flex-col gap-4" onSubmit={submit(() => setSent(true))}>
        <Field
          label="Mail address"
          type="email"
          autoComplete="email"
          error={errorOf("email")}
          {...register("email", { required: "Give your mail address." })}
        />
        {failure && (
          <p role="alert" className="text-stop">
            {failure}
          </p>
        )}
        <Button look="accent" type="submit" disabled={busy}>
          Send the link
        </Button>
      </form>
    </Gate>
  );
}
