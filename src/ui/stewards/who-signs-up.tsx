"use client";

import { useState } from "react";
import type { SignUp, SignUpRule } from "@/core/care/sign-up";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { call } from "../talk/call";
import { whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";

const MODES: Record<SignUp, string> = {
  everybody: "Everybody with a mail address",
  domains: "Those with an address of certain mail domains, and whoever is invited",
  invited: "Whoever is invited into a team or to a collection",
};

/** Who may sign up, and by which mail domains. */
export function WhoSignsUp({ rule, onSet }: { rule: SignUpRule; onSet: () => void }) {
  const [mode, setMode] = useState(rule.mode);
  const [domains, setDomains] = useState(rule.domains.join(", "));
  const [wrong, setWrong] = useState<string>();
  const set = (event: React.FormEvent) => {
    event.preventDefault();
    setWrong(undefined);
    call("stewards.set-sign-up", { mode, domains: domains.split(/[\s,;]+/).filter(Boolean) })
      .then((done) => {
        setDomains(done.domains.join(", "));
        onSet();
        toast("From now on so. Who has an account keeps it.");
      })
      .catch((refused: unknown) => setWrong(whyOf(refused)));
  };
  return (
    <form className="flex flex-col gap-3 pt-3" onSubmit={set}>
      <fieldset className="flex flex-col gap-1">
        <legend className="sr-only">Who may sign up</legend>
        {(Object.keys(MODES) as SignUp[]).map((one) => (
          <label key={one} className="flex min-h-8 items-center gap-2">
            <input
              type="radio"
              name="mode"
              className="size-4 shrink-0 accent-accent"
              checked={mode === one}
              onChange={() => setMode(one)}
            />
            {MODES[one]}
          </label>
        ))}
      </fieldset>
      {mode === "domains" && (
        <Field
          label="Mail domains"
          hint="Each for itself: school.example lets nobody in from mail.school.example."
          placeholder="school.example, library.example"
          value={domains}
          maxLength={5_000}
          error={wrong}
          onChange={(event) => setDomains(event.target.value)}
        />
      )}
      {wrong && mode !== "domains" && (
        <p role="alert" className="text-stop">
          {wrong}
        </p>
      )}
      <Button type="submit" className="self-start">
        Set it so
      </Button>
    </form>
  );
}
