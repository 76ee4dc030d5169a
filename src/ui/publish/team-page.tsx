"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { choosePicture } from "../parts/choose-picture";
import { OwnAddress } from "../parts/own-address";
import { SavedText } from "../parts/saved-text";
import { Tick } from "../parts/tick";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = { team: string; first: Answer<"teams.page"> };

/** The page of a team that lists what it made public: whether there is one, what it says, and where it stands. */
export function TeamPage({ team, first }: Props) {
  const [open, setOpen] = useState(first.open);
  const [words, setWords] = useState(first.words);
  const [picture, setPicture] = useState(first.picture);
  const give = (what: { picture?: string; noPicture?: boolean }) =>
    call("teams.set-page", { team, ...what })
      .then((set) => setPicture(set.picture ?? null))
      .catch(sayFailure);
  const set = (next: boolean) => {
    setOpen(next);
    call("teams.set-page", { team, open: next }).catch((failure: unknown) => {
      setOpen(!next);
      sayFailure(failure);
    });
  };
  return (
    <section aria-labelledby="page" className="flex flex-col gap-3 border-b border-line pb-5">
      <h2 id="page" className="text-base font-semibold">
        A page of your own
      </h2>
      <Tick
        on={open}
        onSet={set}
        words="Everybody finds what this team has made public on one page"
        more="It lists public collections and nothing else; what is public no more is not on it."
      />
      {open && (
        <>
          <SavedText
            lines
            label="What it says of you"
            value={words}
            maxLength={2000}
            onSave={async (text) => {
              await call("teams.set-page", { team, words: text });
              setWords(text);
            }}
          />
          <div className="flex flex-wrap items-center gap-3">
            {picture && (
              // eslint-disable-next-line @next/next/no-img-element -- kept pictures are small and made to size already
              <img
                src={`/api/pictures/${picture}`}
                alt="The picture on it"
                className="size-16 rounded-md border border-line object-cover"
              />
            )}
            <Button small onClick={() => choosePicture((chosen) => void give({ picture: chosen }))}>
              {picture ? "Another picture" : "Add a picture"}
            </Button>
            {picture && (
              <Button small look="quiet" onClick={() => void give({ noPicture: true })}>
                Take it off
              </Button>
            )}
          </div>
          <OwnAddress address={first.address} />
        </>
      )}
    </section>
  );
}
