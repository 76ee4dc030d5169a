import { FOLLOWED, type Followed } from "@/core/shelves/followed";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { addFollows, countFollows, isFollowed } from "@/data/queries/follows";
import { publicNow, publicTeamName } from "@/data/queries/listings";
import { pageOfPerson } from "@/data/queries/person-pages";
import { action } from "@/mechanism/action";
import { Id, MaybeText, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { feedAddress, followFeeds } from "./follow-feeds";
import { followHash } from "./follow-hash";

/** So much one person follows in a team. */
export const MOST = 1_000;

class AddFollow {
  /** Into which team what is new would be taken. */
  @Id() team: string;
  @OneOf(FOLLOWED) kind: Followed;
  /** The id of a public collection, of a team or of a person with a public page; a subject; words to find; the address of a feed. */
  @Name("what is to be followed", 500) what: string;
  /** What a feed is called, until it says so itself. */
  @MaybeText(200) title?: string;
}

export const addToFollowed = action({
  name: "follows.add",
  about:
    "Follows a public collection, what a team makes public, what a person with a public page has a hand in, a subject of public collections, what words find among them, or a feed from elsewhere (Atom, RSS, JSON Feed): what is new there stands under Followed; of a feed also what came in the two weeks before. One that did not answer is asked again.",
  input: AddFollow,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, kind, what, title }, scope, tx, at, set }) => {
    const whose = { person: scope.person!, team };
    const address = kind === "feed" ? feedAddress(what) : what;
    const hash = followHash(kind, address);
    // What is followed already is not one more: a feed that did not answer is asked again by it.
    if (!(await isFollowed(tx, whose, hash)) && (await countFollows(tx, whose)) >= MOST)
      throw new Problem(
        "too-much-followed",
        `At most ${MOST.toLocaleString("en")} things are followed. Let one go first.`,
      );
    if (kind === "feed") {
      await followFeeds({ tx, set }, whose, [{ address, title: title ?? "" }]);
      return { hash };
    }
    const name = await nameOf(tx, kind, what, at);
    if (name === null) throw new Problem("not-found");
    const row = { id: newId(), ...whose, kind, what, name: name.slice(0, 200), hash };
    await addFollows(tx, [{ ...row, seenAt: at, trayFrom: null, createdAt: at }]);
    return { hash };
  },
});

/** What it is called; null: there is nothing public of that kind. */
async function nameOf(tx: Tx, kind: Followed, what: string, at: Date): Promise<string | null> {
  if (kind === "subject" || kind === "search") return what;
  if (!/^[0-9a-f-]{36}$/i.test(what)) return null;
  if (kind === "team") return publicTeamName(tx, what, at);
  if (kind === "person") {
    const found = await pageOfPerson(tx, what);
    return found?.page.open ? found.name : null;
  }
  return (await publicNow(tx, what, at)) && (await findCollection(tx, what))!.title;
}
