"use client";

import { ownPath } from "@/core/address/own-path";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { Gate } from "./gate";
import { WhatItIs } from "./what-it-is";
import { useAccountForm } from "./use-account-form";

/** Signing in, with the way to a forgotten password. */
export function SignIn({ next }: { next?: string }) {
  const { register, submit, failure, errorOf, busy } = useAccountForm<{ email: string; password: string }>(
    "/api/auth/sign-in/email",
    {
      rememberMe: true,
    },
  );
  return (
    <Gate title="Sign in" beside={<WhatItIs />}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={submit(() => window.location.assign(ownPath(next)))}
      >
        <Field
          label="Mail address"
          type="email"
          autoComplete="username"
          error={errorOf("email")}
          {...register("email", { required: "Give your mail address." })}
        />
        <Field
          label="Password"
          type="password"
          autoComplete="current-password"
          error={errorOf("password")}
          {...register("password", { required: "Give your password." })}
        />
        {failure && (
          <p role="alert" className="text-stop">
            {failure}
          </p>
        )}
        <Button look="accent" type="submit" disabled={busy}>
          Sign in
        </Button>
      </form>
      <p className="flex flex-wrap justify-between gap-2 text-[15px]">
        <Link
          href={next ? `/sign-up?next=${encodeURIComponent(next)}` : "/sign-up"}
          className="text-accent underline"
        >
          Sign up
        </Link>
        <Link href="/forgotten" className="text-accent underline">
          Forgotten the password?
        </Link>
      </p>
    </Gate>
  );
}
