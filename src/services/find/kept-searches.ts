import { and, desc, eq, sql } from "drizzle-orm";
import { keptSearch } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action, reading } from "../action";
import { Id, Name, MaybeId } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { Asked } from "./asked";

/** New results are counted up to here. */
const MOST_NEW = 99;
/** How many searches one keeps in a team at the most. */
const MOST_KEPT = 50;

class KeepSearch {
  @Id() team: string;
  @Name("a name", 120) name: string;
  @Name("something to look for", 500) query: string;
  @MaybeId() search?: string;
}

export const keepSearch = action({
  name: "search.keep",
  about: "Keeps a search under a name, for oneself. An id sent twice keeps one.",
  input: KeepSearch,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const mine = and(eq(keptSearch.person, scope.person!), eq(keptSearch.team, input.team));
    const all = await tx.select({ id: keptSearch.id }).from(keptSearch).where(mine);
    if (all.length >= MOST_KEPT)
      throw new Problem("not-valid", `At most ${MOST_KEPT} searches are kept. Let one go first.`);
    const id = input.search ?? newId();
    const at = now();
    const row = { id, team: input.team, person: scope.person!, name: input.name, query: input.query };
    await tx
      .insert(keptSearch)
      .values({ ...row, lookedAt: at, createdAt: at })
      .onDuplicateKeyUpdate({ set: { lookedAt: sql`looked_at` } });
    return { search: { id, name: input.name, query: input.query } };
  },
});

class ReadKept {
  @Id() team: string;
}

export const readKept = reading({
  name: "search.kept",
  about: "The searches one keeps in a team, with how many results came in since one last looked.",
  input: ReadKept,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const rows = await tx
      .select()
      .from(keptSearch)
      .where(and(eq(keptSearch.person, scope.person!), eq(keptSearch.team, input.team)))
      .orderBy(desc(keptSearch.id))
      .limit(MOST_KEPT);
    const searches = [];
    for (const { id, name, query, lookedAt } of rows) {
      const asked = await Asked.of(tx, input.team, query);
      const also = sql`r.created_at > ${lookedAt}`;
      const { hits } = await asked.page("newest", null, MOST_NEW + 1, { also });
      searches.push({ id, name, query, lookedAt, fresh: hits.length });
    }
    return { searches };
  },
});

class OneKept {
  @Id() team: string;
  @Id() search: string;
}

export const lookAtKept = action({
  name: "search.look",
  about: "Notes that one has looked at what a kept search finds.",
  input: OneKept,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const lookedAt = now();
    await tx
      .update(keptSearch)
      .set({ lookedAt })
      .where(
        and(
          eq(keptSearch.id, input.search),
          eq(keptSearch.person, scope.person!),
          eq(keptSearch.team, input.team),
        ),
      );
    return { lookedAt };
  },
});

export const forgetKept = action({
  name: "search.forget",
  about: "Lets a kept search go.",
  input: OneKept,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    await tx
      .delete(keptSearch)
      .where(
        and(
          eq(keptSearch.id, input.search),
          eq(keptSearch.person, scope.person!),
          eq(keptSearch.team, input.team),
        ),
      );
    return { forgotten: input.search };
  },
});
