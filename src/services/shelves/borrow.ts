import { contentBytes } from "@/core/editions/content";
import { keysAfter } from "@/core/order/place";
import { findCollection, lastPosition } from "@/data/queries/collections";
import { addCredit } from "@/data/queries/credits";
import { noteFile } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";
import { copyLent } from "./copy-lent";
import { lentContent } from "./lent";

class Borrow {
  /** The public collection, of whatever team. */
  @Id() collection: string;
  /** Into which team. */
  @Id() team: string;
  /** Id for the copy; sent twice it is made once. */
  @Id() copy: string;
}

export const borrow = action({
  name: "shelves.borrow",
  about:
    "Makes an own copy of a public collection, with everything inside that its readers are shown: its sections, items, headings and context lines. From where it was taken stays with it. It is the team's own at first.",
  input: Borrow,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ team: true, collections: [input.copy] }),
  history: "copy with credit",
  run: async ({ input, scope, tx, at, set }) => {
    const [team, person] = [scope.team!, scope.person!];
    const there = await findCollection(tx, input.copy);
    if (there && there.team !== team) throw new Problem("id-taken");
    if (there) return { collection: { id: there.id, title: there.title } };
    const lent = await lentContent(tx, input.collection, at);
    if (!lent) throw new Problem("not-found");
    const top = lent.collection;
    const [position] = keysAfter(await lastPosition(tx, team, null), 1);
    const pairs = await copyLent(set, tx, { team, person }, top, {
      ...{ id: input.copy, parent: null, position: position! },
    });
    const bytes = contentBytes(lent);
    const digest = await storeFile(bytes);
    await noteFile(tx, { hash: digest, bytes: bytes.length, type: "application/json", createdAt: at });
    await addCredit(tx, {
      ...{ collection: input.copy, lender: top.id, title: top.title, teamName: top.teamName, digest },
      ...{ pairs: Object.fromEntries(pairs), settled: {}, asks: true, takenAt: at },
    });
    return { collection: { id: input.copy, title: top.title } };
  },
});
