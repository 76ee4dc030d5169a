import { commentById } from "@/data/queries/comments";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name } from "@/mechanism/input";
import type { Locked } from "@/mechanism/locks";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { addressTo } from "./address";

class AddComment {
  @Id() collection: string;
  @MaybeId() comment?: string;
  /** What it is about; without either the collection as a whole. */
  @MaybeId() section?: string;
  @MaybeId() placement?: string;
  /** Of an item: the mark in its text that is meant, which all see. */
  @MaybeId() mark?: string;
  /** The comment a thread begins with, to be answered; then it is about the same. */
  @MaybeId() thread?: string;
  @Name("some words", 4000) words: string;
}

export const addComment = action({
  name: "comments.add",
  about:
    "Says something about an item in its place, a mark in its text, a section or a collection, or answers what was said there; an answer opens again what was settled. An id sent twice says it once.",
  input: AddComment,
  // Whoever sees it may say what they think of it; it changes nothing of the collection.
  allow: can.seeHere("collection"),
  locks: ({ input }) => ({
    collections: [input.collection],
    sections: [input.section],
    placements: [input.placement],
    comments: [input.comment, input.thread],
    marks: [input.mark],
  }),
  history: ({ input }) => (input.thread ? "answer" : "say something"),
  run: async ({ input, scope, tx, at, locked, set, add, change }) => {
    const there = input.comment && (await commentById(tx, input.comment));
    if (there && there.by.id !== scope.person) throw new Problem("id-taken");
    if (there) return { comment: there };
    const begun = input.thread ? locked.comment(input.thread) : null;
    // An answer to an answer stands in the same thread.
    if (begun && (begun.thread !== null || begun.home !== input.collection)) throw new Problem("not-found");
    const row = {
      ...{ id: input.comment ?? newId(), team: scope.team!, person: scope.person!, words: input.words },
      ...(begun
        ? {
            collection: begun.collection,
            section: begun.section,
            placement: begun.placement,
            mark: begun.mark,
          }
        : about(input, locked)),
      ...{ thread: begun?.id ?? null, home: input.collection, createdAt: at },
    };
    await add("comment", row);
    await addressTo({ scope, tx, at, set }, row);
    if (begun?.settledAt) await change("comment", begun, { settledAt: null, settledBy: null });
    return { comment: (await commentById(tx, row.id))! };
  },
});

/** What a new thread is about: it stands in this collection, and is not in the bin. */
function about({ collection, section, placement, mark }: AddComment, locked: Locked) {
  const nothing = { collection: null, section: null, placement: null, mark: null };
  if (mark && !placement) throw new Problem("not-found");
  const row = placement ? locked.placement(placement) : section ? locked.section(section) : null;
  if (!row) return { ...nothing, collection };
  if (row.collection !== collection) throw new Problem("not-found");
  if (row.deletedAt) throw new Problem("in-bin");
  if (!mark) return { ...nothing, ...(placement ? { placement } : { section }) };
  const meant = locked.mark(mark);
  // A private one is not there for others to hear of.
  if (meant.resource !== locked.placement(placement!).resource || meant.private)
    throw new Problem("not-found");
  if (meant.deletedAt) throw new Problem("in-bin");
  return { ...nothing, placement, mark };
}
