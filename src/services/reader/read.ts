import { AUDIENCES, REACHES } from "@/core/publish/model";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { publishedCollection } from "./published-collection";
import { shownIf, shownTo } from "./shown";

class ReadPublished {
  @Id() collection: string;
  /** As it would be with these, for its own people. */
  @MaybeOneOf(AUDIENCES) audience?: (typeof AUDIENCES)[number];
  @MaybeOneOf(REACHES) reach?: (typeof REACHES)[number];
}

export const readPublished = reading({
  name: "reader.read",
  about: "A collection as readers get it. For members, and for whoever it is shared with.",
  input: ReadPublished,
  allow: can.read(),
  run: async ({ input, scope, actor, tx }) => {
    const shown = scope.role
      ? await shownIf(tx, input.collection, input, now())
      : await shownTo(tx, input.collection, actor.share, now());
    return { collection: await publishedCollection(tx, input.collection, shown) };
  },
});
