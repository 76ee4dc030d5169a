"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import { useGather } from "../gather/gather";
import { Button, buttonLook } from "../parts/button";
import { Area } from "../parts/field";
import { Key } from "../parts/key";
import { Link } from "../parts/link";
import { KEYS } from "../shell/commands";
import type { TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

/** An empty Desk: one box that takes anything, and beside it the other ways to begin. */
export function FirstHour({ team }: { team: TeamRow }) {
  return may(team.role, "bring") ? (
    <div className="grid gap-x-16 gap-y-10 lg:grid-cols-[minmax(0,1fr)_400px]">
      <Box />
      <Ways team={team} />
    </div>
  ) : (
    <p className="max-w-prose text-quiet">
      Nothing is here yet. When the team brings things in and makes collections, you will see them at once.
    </p>
  );
}

function Box() {
  const { take, takeFiles } = useGather();
  const [text, setText] = useState("");
  const go = () => {
    if (!text.trim()) return;
    take?.(text);
    setText("");
  };
  return (
    <section aria-labelledby="begin" className="flex flex-col items-start gap-4">
      <h1 id="begin" className="font-serif text-3xl font-semibold text-balance">
        What is it to be about?
      </h1>
      <form
        className="flex w-full flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          go();
        }}
      >
        <Area
          label="Name a collection, or paste links"
          hint="Links come in at once, a list after a look at it. Files can be dropped anywhere on this page."
          inputClass="min-h-28 text-lg"
          autoFocus
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== "Enter" || event.shiftKey || event.nativeEvent.isComposing) return;
            event.preventDefault();
            go();
          }}
        />
        <span className="flex flex-wrap gap-2">
          <Button look="accent" type="submit" disabled={!text.trim()}>
            Begin
          </Button>
          <label className={`${buttonLook()} cursor-pointer focus-within:outline-2`}>
            Choose files
            <input
              type="file"
              multiple
              className="sr-only"
              onChange={(event) => {
                takeFiles?.([...(event.target.files ?? [])]);
                event.target.value = "";
              }}
            />
          </label>
        </span>
      </form>
    </section>
  );
}

function Ways({ team }: { team: TeamRow }) {
  const router = useRouter();
  const { file } = useGather();
  const toTry = () => {
    const collection = newId();
    void call("samples.make", { team: team.id, collection })
      .then(() => router.push(`/bench/${collection}`))
      .catch(sayFailure);
  };
  return (
    <section aria-labelledby="ways">
      <h2 id="ways" className="border-b border-line pb-3 font-serif text-xl font-semibold">
        Or begin with what you have
      </h2>
      <ul>
        <Way
          title="The bookmarks of your browser"
          about="Let the browser write them into a file. You see what is in it before anything comes in."
        >
          <Button small onClick={file}>
            Choose the file
          </Button>
        </Way>
        <Way
          title="The page you are reading"
          about={
            <>
              With the extension <Key>{KEYS.extension}</Key> opens a small window on any page, and{" "}
              <Key>{KEYS.atOnce}</Key> saves it at once.
            </>
          }
        >
          <Link href="/account#browser" className={buttonLook("line", true)}>
            Get the extension
          </Link>
        </Way>
        <Way
          title="A newsletter"
          about="Forward it to an address of your own; its links are there to be picked."
        >
          <Link href={`/team/${team.id}/mail`} className={buttonLook("line", true)}>
            Get an address
          </Link>
        </Way>
        {may(team.role, "arrange") && (
          <Way
            title="Nothing yet?"
            about="A small made-up collection to move about in and write on. It goes away with one press."
          >
            <Button small onClick={toTry}>
              Try with that
            </Button>
          </Way>
        )}
      </ul>
    </section>
  );
}

function Way({
  title,
  about,
  children,
}: {
  title: string;
  about: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <li className="flex flex-col items-start gap-2 border-b border-line py-4">
      <h3 className="font-semibold">{title}</h3>
      <p className="text-[15px] text-quiet">{about}</p>
      {children}
    </li>
  );
}
