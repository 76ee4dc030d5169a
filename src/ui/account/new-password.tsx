"use client";

import Link from "next/link";
import { useState } from "react";
import { Button } from "../parts/button";
import { Gate } from "./gate";
import { NewPasswordField } from "./new-password-field";
import { useAccountForm } from "./use-account-form";

/** Chooses a new password by the link of the letter. */
export function NewPassword({ token }: { token?: string }) {
  const [done, setDone] = useState(false);
  const form = useAccountForm<{ newPassword: string }>("/api/auth/reset-password", { token });
  const { register, submit, failure, errorOf, busy } = form;
  if (done)
    return (
      <Gate
        title="The new password holds"
        about="Wherever you were signed in before, you are signed out now; access tokens and paired browsers have ended too."
      >
        <Link href="/sign-in" className="text-accent underline">
          Sign in with it
        </Link>
      </Gate>
    );
  return (
    <Gate title="Choose a new password">
      <form noValidate className="flex flex-col gap-4" onSubmit={submit(() => setDone(true))}>
        <NewPasswordField
          label="New password"
          name="newPassword"
          register={register}
          error={errorOf("newPassword")}
        />
        {(failure || !token) && (
          <p role="alert" className="text-stop">
            {failure || "This link has been used or is too old."}{" "}
            <Link href="/forgotten" className="underline">
              Ask for a new one
            </Link>
          </p>
        )}
        <Button look="accent" type="submit" disabled={busy || !token}>
          Take this password
        </Button>
      </form>
    </Gate>
  );
}
