import { giveBack, isUsedUp, type Limit, useUp } from "@/data/limits";
import { Problem } from "./problem";
import { requestAddress } from "@/outside/request-context";
import { settings } from "@/outside/settings";

const MINUTE = 60;
const HOUR = 60 * MINUTE;

/** What is counted, by whom it is about. */
const limits = () => {
  const {
    signInLimit,
    accountLimit,
    letterLimit,
    signUpLimit,
    codeLimit,
    shortCodeLimit,
    filesADay,
    megabytesADay,
    suggestionLimit,
  } = settings();
  return {
    tries: { name: "tries", most: Number(signInLimit), within: MINUTE },
    wrongTries: { name: "wrong", most: Number(accountLimit), within: 15 * MINUTE },
    letters: { name: "letters", most: Number(letterLimit), within: HOUR },
    signUps: { name: "sign-ups", most: Number(signUpLimit), within: HOUR },
    codes: { name: "codes", most: Number(codeLimit), within: 10 * MINUTE },
    /** Wrong short codes from everywhere: see docs/security.md, “Guessing”. */
    shortCodes: { name: "short-codes", most: Number(shortCodeLimit), within: HOUR },
    files: { name: "files", most: Number(filesADay), within: 24 * HOUR },
    /** Letters to people who are no members, of one team. */
    invitations: { name: "invitations", most: 1_000, within: 24 * HOUR },
    /** By one address: a whole class may stand behind it. */
    suggestions: { name: "suggestions", most: Number(suggestionLimit), within: HOUR },
    /** For one collection, by everybody. */
    suggestedTo: { name: "suggested-to", most: 5 * Number(suggestionLimit), within: HOUR },
    /** What is looked for on the public shelves by one address; a whole school may stand behind it. */
    publicSearches: { name: "public-searches", most: 5_000, within: HOUR },
    /** Of what is public, by one address. */
    reports: { name: "reports", most: 20, within: HOUR },
    /** By one address: a whole class may stand behind it; and to one collection, by everybody. */
    thanks: { name: "thanks", most: 60, within: HOUR },
    thanksTo: { name: "thanks-to", most: 200, within: HOUR },
    /** By one person, to all they have taken from. */
    givenBack: { name: "given-back", most: 100, within: HOUR },
    /** By one person: each looks at several addresses. */
    feedsLookedFor: { name: "feeds-looked-for", most: 300, within: HOUR },
    /** By one person: each asks several addresses. */
    linksTried: { name: "links-tried", most: 200, within: HOUR },
    suggestedFiles: { name: "suggested-files", most: Number(megabytesADay), within: 24 * HOUR },
    megabytes: { name: "megabytes", most: Number(megabytesADay), within: 24 * HOUR },
  } satisfies Record<string, Limit>;
};
type Name = keyof ReturnType<typeof limits>;

/** Uses some of a limit. @returns whether it was within it */
export const within = (name: Name, whom: string, points = 1): Promise<boolean> =>
  useUp(settings().databaseUrl, limits()[name], whom, points);

/** Whether a limit is used up already. */
const isOver = (name: Name, whom: string): Promise<boolean> =>
  isUsedUp(settings().databaseUrl, limits()[name], whom);

/** It was right after all. */
export const wasRight = (name: Name, whom: string): Promise<unknown> =>
  giveBack(settings().databaseUrl, limits()[name], whom);

/**
 * Looks something up that only works when what one brings is right, and counts the wrong ones against the address they
 * come from: so nobody can try codes by the thousand. Past the limit right ones are refused there for a while as well.
 * @param kind of what is tried: they are counted apart
 * @param look null or a `Problem` of the kind not-found when it is wrong
 * @param all the limit of wrong ones from everywhere together, for codes that are short enough to be guessed at
 * @throws {Problem} too-many-tries
 */
export async function guarded<T>(kind: string, look: () => Promise<T>, all?: "shortCodes"): Promise<T> {
  const address = requestAddress();
  if (!address) return look();
  const whom = `${kind} ${address}`;
  if ((await isOver("codes", whom)) || (all && (await isOver(all, "all"))))
    throw new Problem("too-many-tries");
  const wrong = async () => {
    await within("codes", whom);
    if (all) await within(all, "all");
  };
  let found: T;
  try {
    found = await look();
  } catch (error) {
    if (error instanceof Problem && error.kind === "not-found") await wrong();
    throw error;
  }
  if (found === null) await wrong();
  return found;
}
