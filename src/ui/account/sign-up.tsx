"use client";

import Link from "next/link";
import { useState } from "react";
import { ownPath } from "@/core/address/own-path";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { Gate } from "./gate";
import { NewPasswordField } from "./new-password-field";
import { useAccountForm } from "./use-account-form";

/** Signing up; a mail confirms the address. */
export function SignUp({ next }: { next?: string }) {
  const [sentTo, setSentTo] = useState("");
  const form = useAccountForm<{ name: string; email: string; password: string }>("/api/auth/sign-up/email", {
    callbackURL: ownPath(next),
  });
  const { register, submit, failure, errorOf, busy } = form;
  if (sentTo)
    return (
      <Gate
        title="Confirm your address"
        about={`A letter is on its way to ${sentTo}. Follow the link in it, and you are in.`}
      >
        <p className="text-[15px] text-quiet">
          Nothing there after some minutes? Look among the unwanted mail, or sign in: then it is sent again.
        </p>
        <Link href="/sign-in" className="text-accent underline">
          To sign in
        </Link>
      </Gate>
    );
  return (
    <Gate title="Sign up" about="You get a place of your own, and can make or join teams.">
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={submit((_, values) => setSentTo(values.email))}
      >
        <Field
          label="Name"
          autoComplete="name"
          error={errorOf("name")}
          {...register("name", {
            required: "Give the name others will see.",
            maxLength: { value: 120, message: "At most 120 characters, please." },
          })}
        />
        <Field
          label="Mail address"
          type="email"
          autoComplete="email"
          error={errorOf("email")}
          {...register("email", { required: "Give your mail address." })}
        />
        <NewPasswordField label="Password" name="password" register={register} error={errorOf("password")} />
        {failure && (
          <p role="alert" className="text-stop">
            {failure}
          </p>
        )}
        <Button look="accent" type="submit" disabled={busy}>
          Sign up
        </Button>
      </form>
      <Link href="/sign-in" className="text-[15px] text-accent underline">
        I have an account
      </Link>
    </Gate>
  );
}
