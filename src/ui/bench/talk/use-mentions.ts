import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { mentionsIn, nameBegun, offeredFor } from "@/core/talk/mentions";
import { ask } from "../../talk/call";

/** So many names are offered. */
const MOST = 6;

type Field = {
  collection: string;
  me: string | undefined;
  words: string;
  /** Puts words into the field, with the caret where one writes on. */
  write: (words: string, caret: number) => void;
};

/**
 * Names behind an `@` in a field: who sees the collection is offered while a name is written, and what is nobody's name is
 * said before it is sent.
 */
export function useMentions({ collection, me, words, write }: Field) {
  const list = useId();
  const hint = useId();
  const [caret, setCaret] = useState<number | null>(null);
  const [chosen, setChosen] = useState(0);
  const { data } = useQuery({
    queryKey: ["people", collection],
    queryFn: () => ask("comments.people", { collection }),
    enabled: words.includes("@"),
    staleTime: 60_000,
  });
  const people = (data?.people ?? []).filter((one) => one.id !== me);
  const begun = caret === null ? null : nameBegun(words, caret);
  const offers = begun && data ? offeredFor(begun.begun, people, MOST) : [];
  const at = Math.min(chosen, offers.length - 1);
  const take = (name: string) => {
    const before = `${words.slice(0, begun!.at)}@${name} `;
    write(before + words.slice(caret!), before.length);
    setCaret(null);
  };
  // A name that is being written is not known yet.
  const { unknown } = data ? mentionsIn(words, data.people) : { unknown: [] };
  return {
    list,
    hint,
    offers,
    at,
    take,
    unknown: offers.length ? [] : unknown,
    /** Where one writes now. */
    moved: (to: number | null) => {
      setCaret(to);
      setChosen(0);
    },
    /** @returns whether the key was for the names */
    onKey: (key: string): boolean => {
      const one = offers[at];
      if (!one) return false;
      if (key === "ArrowDown") setChosen((at + 1) % offers.length);
      else if (key === "ArrowUp") setChosen((at + offers.length - 1) % offers.length);
      else if (key === "Enter" || key === "Tab") take(one.name);
      else if (key === "Escape") setCaret(null);
      else return false;
      return true;
    },
  };
}
