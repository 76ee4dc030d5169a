"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button } from "../parts/button";
import { choosePicture } from "../parts/choose-picture";
import { Field } from "../parts/field";
import { PersonMark } from "../parts/person-mark";
import type { Me } from "../shell/frame";
import { call } from "../talk/call";
import { ChangeAddress } from "./change-address";
import { sayAtField } from "../talk/say-failure";

/** What others see of oneself: name and picture. */
export function OwnPart({ me }: { me: Me }) {
  const router = useRouter();
  const [name, setName] = useState(me.name);
  const [error, setError] = useState("");
  const save = (input: { name?: string; picture?: string; noPicture?: boolean }) =>
    void call("people.edit", input)
      .then(() => (setError(""), router.refresh()))
      .catch(sayAtField("name", setError));
  return (
    <header className="flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 className="sr-only">{me.name}</h1>
      <PersonMark person={me} className="size-20 text-2xl!" />
      <div className="min-w-52 flex-1">
        <Field
          hideLabel
          label="Your name, as others see it"
          value={name}
          maxLength={120}
          error={error}
          autoComplete="name"
          inputClass="-ml-2.5 border-transparent! bg-transparent! px-2! font-serif text-3xl font-semibold hover:border-edge! focus:border-edge!"
          onChange={(event) => setName(event.target.value)}
          onBlur={() => name.trim() !== me.name && save({ name })}
          onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
        />
        <ChangeAddress email={me.email} />
      </div>
      <span className="flex flex-wrap gap-2">
        <Button small onClick={() => choosePicture((picture) => save({ picture }))}>
          {me.image ? "Another picture" : "Add a picture"}
        </Button>
        {me.image && (
          <Button small look="quiet" onClick={() => save({ noPicture: true })}>
            Take it off
          </Button>
        )}
      </span>
    </header>
  );
}
