import { FOLLOWED, type Followed } from "@/core/shelves/followed";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { addFollow, countFollows } from "@/data/queries/follows";
import { publicNow, publicTeamName } from "@/data/queries/listings";
import { action } from "@/mechanism/action";
import { Id, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";

/** So much one person follows in a team. */
const MOST = 1_000;

class AddFollow {
  /** Into which team what is new would be taken. */
  @Id() team: string;
  @OneOf(FOLLOWED) kind: Followed;
  /** The id of a public collection or of a team; a subject; words to find. */
  @Name("what is to be followed", 500) what: string;
}

/** By which each thing is followed once; a subject as tags are folded. */
export const followHash = (kind: Followed, what: string): string =>
  identityHash(`follow:${kind} ${kind === "subject" ? tagKey(what) : what.toLowerCase()}`);

export const addToFollowed = action({
  name: "follows.add",
  about:
    "Follows a public collection, what a team makes public, a subject of public collections, or what words find among them: what is new there from now on stands under Followed.",
  input: AddFollow,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, kind, what }, scope, tx, at }) => {
    const whose = { person: scope.person!, team };
    if ((await countFollows(tx, whose)) >= MOST)
      throw new Problem(
        "too-much-followed",
        `At most ${MOST.toLocaleString("en")} things are followed. Let one go first.`,
      );
    const name = await nameOf(tx, kind, what, at);
    if (name === null) throw new Problem("not-found");
    const hash = followHash(kind, what);
    await addFollow(tx, {
      ...{ id: newId(), ...whose, kind, what, name: name.slice(0, 200), hash },
      ...{ seenAt: at, createdAt: at },
    });
    return { hash };
  },
});

/** What it is called; null: there is nothing public of that kind. */
async function nameOf(tx: Tx, kind: Followed, what: string, at: Date): Promise<string | null> {
  if (kind === "subject" || kind === "search") return what;
  if (!/^[0-9a-f-]{36}$/i.test(what)) return null;
  if (kind === "team") return publicTeamName(tx, what, at);
  return (await publicNow(tx, what, at)) && (await findCollection(tx, what))!.title;
}
