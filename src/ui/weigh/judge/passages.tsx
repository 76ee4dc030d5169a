"use client";

import { LONGEST_WHY } from "@/core/appraise/answers";
import { Choice } from "../../parts/field";

type Props = { passages: readonly string[]; why: string; onQuote: (why: string) => void };

/** So much of a passage is seen where it is chosen. */
const SEEN = 70;
const quoted = (passage: string) => `“${passage.trim().replace(/\s+/g, " ")}”`;

/** What is marked in the text, to be put into the reason as its evidence: word by word, as it stands there. */
export function Passages({ passages, why, onQuote }: Props) {
  const left = passages.filter((one) => {
    const words = quoted(one);
    return !why.includes(words) && why.length + words.length + 1 <= LONGEST_WHY;
  });
  if (!left.length) return null;
  return (
    <Choice
      label="Quote what is marked"
      hideLabel
      className="mt-1"
      value=""
      options={[
        ["", "Quote what is marked …"],
        ...left.map((one, i) => {
          const words = quoted(one);
          return [String(i), words.length > SEEN ? `${words.slice(0, SEEN)}…` : words] as const;
        }),
      ]}
      onChange={({ target }) =>
        target.value && onQuote([why.trim(), quoted(left[Number(target.value)]!)].filter(Boolean).join(" "))
      }
    />
  );
}
