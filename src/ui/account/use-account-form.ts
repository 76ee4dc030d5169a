"use client";

import { useState } from "react";
import { type FieldValues, type Path, useForm } from "react-hook-form";
import { Refusal, send } from "../talk/call";

/** What the accounts library says, in our words and beside the field it is about. */
const WORDS: [match: RegExp, field: string | null, words: string][] = [
  [
    /invalid email or password/i,
    null,
    "This address and password do not go together. Try again, or choose a new password.",
  ],
  [
    /email not verified/i,
    null,
    "This address is not confirmed yet. We have sent the letter again: follow the link in it.",
  ],
  [
    /user already exists/i,
    "email",
    "Somebody has signed up with this address. Sign in, or choose a new password.",
  ],
  [/password (is )?too short/i, "password", "At least 12 characters, please."],
  [/password (is )?too long/i, "password", "At most 128 characters, please."],
  [/invalid email|\[body\.email\]/i, "email", "This is not a mail address."],
  [/invalid token/i, null, "This link has been used or is too old. Ask for a new one."],
  [/invalid password/i, "currentPassword", "This is not your password."],
  [
    /too many wrong tries/i,
    null,
    "There were too many wrong tries for this account. Wait a quarter of an hour, or choose a new password: the link by mail lets you in at once.",
  ],
  [/too many requests/i, null, "Too many tries. Wait a minute, then try again."],
];

/** A form that is sent to the accounts library; failures come back to their fields, and nothing typed is lost. */
export function useAccountForm<T extends FieldValues>(path: string, extra: object = {}) {
  const form = useForm<T>();
  const [failure, setFailure] = useState("");
  const submit = (then: (answer: unknown, values: T) => void) =>
    form.handleSubmit(async (values) => {
      setFailure("");
      try {
        then(await send(path, { ...values, ...extra }), values);
      } catch (error) {
        const said = error instanceof Refusal ? error.detail : "";
        const [, field, words] = WORDS.find(([match]) => match.test(said)) ?? [
          null,
          null,
          said || "Something went wrong. Try again.",
        ];
        if (field) form.setError(field as Path<T>, { message: words });
        else setFailure(words);
      }
    });
  const errorOf = (field: Path<T>) => form.formState.errors[field]?.message as string | undefined;
  return { ...form, submit, failure, errorOf, busy: form.formState.isSubmitting };
}
