import { likelySubjects, listedKinds, sharedSubjects } from "@/data/queries/shelves";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { cachedFor } from "../search/cached-for";

/** So many subjects are shown, out of so many that may be. */
const [SHOWN, LIKELY] = [24, 40];

const likely = cachedFor(60_000, (tx) => likelySubjects(tx, LIKELY));
const kinds = cachedFor(60_000, (tx) => listedKinds(tx, now()));

export const readSubjects = reading({
  name: "shelves.subjects",
  about:
    "By what there are shelves: subjects that several teams have in what is public, uses, and languages.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ tx }) => {
    // Which may be a little old; whether several teams have them in what is public now is looked up.
    const subjects = await sharedSubjects(tx, await likely(tx, ""), now());
    return { subjects: subjects.slice(0, SHOWN), ...(await kinds(tx, "")) };
  },
});
