import { MOST_MEANINGS, nextLook, type Pattern, PATTERNS, type Tint, TINTS } from "@/core/marks/meanings";
import { tagKey } from "@/core/tags/tag-name";
import { meaningsOf, saveMeaning as writeMeaning } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeOneOf, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class SaveMeaning {
  @Id() team: string;
  @MaybeId() meaning?: string;
  @Name("what it means", 40) name: string;
  @MaybeOneOf(PATTERNS) pattern?: Pattern;
  @MaybeOneOf(TINTS) tint?: Tint;
}

export const saveMeaning = action({
  name: "meanings.save",
  about:
    "Names what a team means by a mark, with a pattern and a colour; or changes it. An id sent twice names one.",
  input: SaveMeaning,
  allow: can.arrange("team"),
  locks: () => ({ team: true }),
  history: null,
  run: async ({ input: { team, meaning, name, pattern, tint }, tx, at, emit }) => {
    const all = await meaningsOf(tx, team);
    const key = tagKey(name).slice(0, 40);
    const listed = all.filter((one) => !one.removedAt);
    const same = all.find((one) => one.key === key);
    // One that was taken off the list comes back under its name.
    const before = all.find((one) => one.id === meaning) ?? (same?.removedAt ? same : undefined);
    if (same && same.id !== before?.id) throw fieldProblem("name", "meaning-named-already");
    if ((!before || before.removedAt) && listed.length >= MOST_MEANINGS)
      throw new Problem(
        "too-many-meanings",
        `A team tells ${MOST_MEANINGS} meanings apart. Take one off first.`,
      );
    const look = { ...(before ?? nextLook(listed)), ...(pattern && { pattern }), ...(tint && { tint }) };
    const row = {
      ...{ id: before?.id ?? meaning ?? newId(), team, name: name.trim(), key },
      ...{ pattern: look.pattern, tint: look.tint },
      ...{ createdAt: before?.createdAt ?? at, removedAt: null },
    };
    await writeMeaning(tx, row);
    emit({ subject: row.id, verb: "meanings.change" });
    return { meaning: { id: row.id, name: row.name, pattern: row.pattern, tint: row.tint } };
  },
});
