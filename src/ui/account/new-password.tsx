"use client";

import { useState } from "react";
import { ownPath } from "@/core/address/own-path";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { send } from "../talk/call";
import { Gate } from "./gate";
import { NewPasswordField } from "./new-password-field";
import { useAccountForm } from "./use-account-form";

type Props = {
  token?: string;
  /** The address of who has just signed up: they go in at once. */
  welcome?: string;
  next?: string;
};

/** Chooses a password by the link of the letter: a new one, or the first. */
export function NewPassword({ token, welcome, next }: Props) {
  const [done, setDone] = useState(false);
  const chosen = async (password: string) => {
    if (!welcome) return setDone(true);
    const signIn = { email: welcome, password, rememberMe: true };
    await send("/api/auth/sign-in/email", signIn).then(
      () => window.location.assign(ownPath(next)),
      () => setDone(true),
    );
  };
  const form = useAccountForm<{ newPassword: string }>("/api/auth/reset-password", { token });
  const { register, submit, failure, errorOf, busy } = form;
  if (done)
    return (
      <Gate
        title="The new password holds"
        about={
          welcome
            ? "Sign in with it."
            : "Wherever you were signed in before, you are signed out now; access tokens and paired browsers have ended too."
        }
      >
        <Link href="/sign-in" className="text-accent underline">
          Sign in with it
        </Link>
      </Gate>
    );
  return (
    <Gate
      title={welcome ? "Choose your password" : "Choose a new password"}
      about={welcome && `For ${welcome}. Then you are in.`}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={submit((_, values) => void chosen(values.newPassword))}
      >
        <NewPasswordField
          label={welcome ? "Password" : "New password"}
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
