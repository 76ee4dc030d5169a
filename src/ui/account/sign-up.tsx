"use client";

import { useState } from "react";
import { ownPath } from "@/core/address/own-path";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { Gate } from "./gate";
import { useAccountForm } from "./use-account-form";

/** Signing up; the password is chosen by the link in a letter, which so confirms the address. */
export function SignUp({ next }: { next?: string }) {
  const [sentTo, setSentTo] = useState("");
  const form = useAccountForm<{ name: string; email: string }>("/api/auth/sign-up/email", {
    callbackURL: ownPath(next),
  });
  const { register, submit, failure, errorOf, busy } = form;
  if (sentTo)
    return (
      <Gate
        title="Confirm your address"
        about={`A letter is on its way to ${sentTo}. Follow the link in it, choose a password, and you are in.`}
      >
        <p className="text-[15px] text-quiet">
          Nothing there after some minutes? Look among the unwanted mail, or sign up once more: then it is
          sent again.
        </p>
        <Link href="/sign-in" className="text-accent underline">
          To sign in
        </Link>
      </Gate>
    );
  return (
    <Gate
      title="Sign up"
      about="You get a place of your own, and can make or join teams. We send you a letter; by the link in it you choose a password."
    >
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
