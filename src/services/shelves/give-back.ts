import { givenBack } from "@/core/shelves/give-back";
import { findCollection } from "@/data/queries/collections";
import { findCredit } from "@/data/queries/credits";
import { resourceAddressOf } from "@/data/queries/resources";
import {
  addGivenBack,
  countWaitingIn,
  findSuggestion,
  givenBackOf,
  isBlocked,
} from "@/data/queries/suggestions";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newShareCode } from "@/outside/random";
import { contentOf } from "../editions/stored-content";
import { tellPublishers } from "../notices/tell";
import { MOST_WAITING } from "../suggestions/offer";
import { lentContent } from "./lent";

class GiveBack {
  /** An own item, taken with credit or standing in what was. */
  @Id() placement: string;
  /** So that a request sent twice gives once. */
  @Id() suggestion: string;
}

const KINDS = { words: "words", link: "link", item: "address" } as const;

export const giveBack = action({
  name: "shelves.give-back",
  about:
    "Offers the lender of what was taken with credit, as a suggestion in the name of one's team, the own context line of an item, an address of it that was mended, or an item they do not have. They decide, as on all that is suggested.",
  input: GiveBack,
  // Words of the team leave it.
  allow: can.publish("placement"),
  counted: async (_, { person }) => {
    if (person && !(await within("givenBack", person.id))) throw new Problem("too-many-suggestions");
  },
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: null,
  run: async ({ input, scope, tx, locked, at, set }) => {
    const own = locked.placement(input.placement);
    const home = (await findCollection(tx, own.collection))!;
    const credit = await findCredit(tx, own.credit ?? home.credit ?? "");
    const lent = credit && (await lentContent(tx, credit.lender, at));
    if (!lent) throw new Problem("not-found");
    const there = await findSuggestion(tx, input.suggestion);
    if (there && there.givenFrom !== own.id) throw new Problem("id-taken");
    if (there) return { given: there.id };
    const address = await resourceAddressOf(tx, own.resource);
    const taken = (await contentOf(credit.digest)).collection;
    const given = givenBack({ ...own, address }, lent.content.collection, credit.pairs, taken);
    if (!given) throw new Problem("nothing-to-give-back");
    const offer = {
      kind: KINDS[given.what],
      address: given.what === "words" ? "" : address,
      text: given.what === "words" ? given.text : "",
    };
    const last = await givenBackOf(tx, own.id);
    // Pressed twice it is not offered twice.
    const waits = last?.state === "waiting" && (await findSuggestion(tx, last.id));
    if (waits && waits.kind === offer.kind && waits.address === offer.address && waits.text === offer.text)
      return { given: waits.id };
    const team = (await findCollection(tx, given.collection))!.team;
    const by = scope.team!;
    if (await isBlocked(tx, team, by)) throw new Problem("takes-nothing-back");
    if ((await countWaitingIn(tx, given.collection)) >= MOST_WAITING) throw new Problem("suggestions-full");
    const item = given.what === "item" ? null : given.item;
    await addGivenBack(tx, {
      ...{ id: input.suggestion, team, collection: given.collection, name: home.teamName.slice(0, 80) },
      ...{ giver: newShareCode(), ...offer, title: item ? item.heading || item.title : own.heading },
      ...{ why: item ? "" : own.context.slice(0, 2_000), fileHash: null, fileSent: null },
      ...{
        fileName: "",
        fileType: "",
        fileBytes: 0,
        state: "waiting",
        byItself: false,
        heldFor: "",
        word: "",
      },
      ...{ resource: null, betters: item?.id ?? null, givenBy: by, givenFrom: own.id },
      ...{ createdAt: at, deletedAt: null },
    });
    set.emit({
      ...{ verb: "suggestions.offer", subject: input.suggestion, collection: given.collection, team },
      ...{ actor: null, data: { title: lent.content.collection.title } },
    });
    const about = { team, collection: given.collection, subject: given.collection };
    await tellPublishers({ tx, at, set }, about, "suggested");
    return { given: input.suggestion };
  },
});
