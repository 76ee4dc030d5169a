"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Day } from "../parts/day";
import { Area } from "../parts/field";
import { call } from "../talk/call";
import { whyOf } from "../talk/say-failure";
import { toast } from "../talk/toast";

type Props = {
  collection: string;
  hidden: NonNullable<Answer<"share.read">["hidden"]>;
  publishes: boolean;
  onDone: () => void;
};

/** That stewards hide a collection from its readers, with what they say, and a way to answer. */
export function Hidden({ collection, hidden, publishes, onDone }: Props) {
  const [words, setWords] = useState("");
  const [wrong, setWrong] = useState<string>();
  const answer = (event: React.FormEvent) => {
    event.preventDefault();
    if (!words.trim()) return setWrong("Write something to them.");
    call("share.answer", { collection, words: words.trim() })
      .then(() => {
        setWords("");
        setWrong(undefined);
        onDone();
        toast("The stewards have your answer.");
      })
      .catch((refused: unknown) => setWrong(whyOf(refused)));
  };
  return (
    <section aria-labelledby="hidden" className="flex flex-col gap-2 rounded-md border border-stop p-4">
      <h2 id="hidden" className="font-semibold">
        Hidden by the stewards of this installation
      </h2>
      <p className="text-[15px]">
        Nobody outside the team sees it, since <Day of={hidden.since} />. Nothing of it is lost, and they can
        show it again.
      </p>
      {hidden.words && (
        <blockquote className="border-l-2 border-edge pl-3 font-serif break-words">{hidden.words}</blockquote>
      )}
      {hidden.answer && (
        <p className="text-[15px] break-words">
          <span className="font-semibold">You answered:</span> {hidden.answer}
        </p>
      )}
      {publishes && (
        <form className="flex flex-col gap-2" onSubmit={answer}>
          <Area
            label={hidden.answer ? "Answer once more" : "Answer them"}
            rows={2}
            maxLength={1_000}
            value={words}
            error={wrong}
            onChange={(event) => setWords(event.target.value)}
          />
          <Button small type="submit" className="self-start">
            Send the answer
          </Button>
        </form>
      )}
    </section>
  );
}
