import type { Answer } from "@/services/registry";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { inPlace } from "../talk/in-place";
import { sayFailure } from "../talk/say-failure";

/** A longer passage is cut: a context line is a line. */
const LONGEST = 600;

type Beginning = {
  team: string;
  /** Where the item stands whose context line it is. */
  beside: NonNullable<Answer<"reading.read">["beside"]>;
  words: string;
  done: () => void;
  go: (path: string) => void;
};

/** Puts a passage of a text into the context line of its item, in quotation marks, behind what stands there already. */
export function beginContext({ team, beside, words, done, go }: Beginning): void {
  const passage = words.replace(/\s+/g, " ").trim();
  const letters = [...passage];
  const quoted = `“${letters.length > LONGEST ? `${letters.slice(0, LONGEST).join("")}…` : passage}”`;
  const { placement, context, title } = beside;
  call("placements.edit", {
    placement,
    context: context.trim() ? `${context.trimEnd()}\n${quoted}` : quoted,
    // What somebody else writes there meanwhile stays.
    base: { context },
  })
    .then(({ entry }) => {
      done();
      sayDone(`In its context line in ${title}.`, team, entry, done, {
        words: "Go on writing there",
        go: () => go(inPlace(beside)),
      });
    })
    .catch(sayFailure);
}
