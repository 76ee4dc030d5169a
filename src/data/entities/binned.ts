import { getTableColumns, inArray } from "drizzle-orm";
import type { Change } from "@/core/history/change";
import type { Tx } from "../database";
import { collectionsHolding } from "../queries/resources";
import type { agreed, appraisal, criteria, outcome, round, searchRecord, wish } from "../schema";
import {
  collection,
  handout,
  learner,
  learnerGroup,
  placement,
  resource,
  section,
  suggestion,
} from "../schema";
import { inParts } from "../sql/by-keys";
import type { Entity } from "./entity";

type Table =
  | typeof collection
  | typeof section
  | typeof placement
  | typeof resource
  | typeof learnerGroup
  | typeof learner
  | typeof handout
  | typeof suggestion
  | typeof criteria
  | typeof appraisal
  | typeof agreed
  | typeof round
  | typeof outcome
  | typeof searchRecord
  | typeof wish;

/** What goes into the bin instead of away: the field `gone` says whether it lies there. */
export function binned<T extends Table>(
  table: T,
  names: readonly (keyof T["$inferSelect"] & string)[],
  rest: Pick<Entity<T["$inferInsert"]>, "seenIn" | "heardIn" | "verbs" | "placeOf">,
): Entity<T["$inferInsert"]> {
  const times = new Set(
    Object.entries(getTableColumns(table as Table)).flatMap(([name, column]) =>
      column.dataType === "date" ? [name] : [],
    ),
  );
  return {
    idOf: (row) => row.id,
    knows: (name) => name === "gone" || (names as readonly string[]).includes(name),
    present: () => ({ gone: false }),
    absent: { gone: true },
    fieldsOf: (row) =>
      Object.fromEntries(
        names.flatMap((name) => {
          const value = (row as Record<string, unknown>)[name];
          return value === undefined ? [] : [[name, value]];
        }),
      ),
    subjectOf: (id) => id,
    read: async (tx, ids) => {
      const rows = await tx
        .select()
        .from(table as Table)
        .where(inArray(table.id, [...ids]))
        .for("update");
      return new Map(
        (rows as Record<string, unknown>[]).map((row) => [
          row.id as string,
          { ...Object.fromEntries(names.map((name) => [name, row[name]])), gone: row.deletedAt !== null },
        ]),
      );
    },
    insert: (tx, rows) => inParts(rows, (part) => tx.insert(table as Table).values(part as never), 500),
    write: async (tx, ids, fields, { at }) => {
      if (!fields) throw new Error("What can lie in the bin is never taken away at once.");
      const { gone, ...named } = fields;
      // Changes are stored as JSON, where a time is text.
      for (const [name, value] of Object.entries(named))
        if (typeof value === "string" && times.has(name)) named[name] = new Date(value);
      const change = {
        ...named,
        ...(gone !== undefined && { deletedAt: gone ? at : null }),
        ...("updatedAt" in table && { updatedAt: at }),
      };
      await inParts(
        ids,
        (part) =>
          tx
            .update(table as Table)
            .set(change as never)
            .where(inArray(table.id, part)),
        500,
      );
    },
    ...rest,
  };
}

const hasAny = (names: readonly string[], wanted: readonly string[]) =>
  wanted.some((name) => names.includes(name));

export const collections = binned(
  collection,
  [
    "title",
    "description",
    "rich",
    "parent",
    "position",
    "coverHash",
    "awayAt",
    "view",
    "language",
    "aimMinutes",
    "aimLevel",
    "readingPace",
    "framedBy",
    "citationStyle",
    "givesReferences",
    "showsOutcomes",
    "use",
  ],
  {
    seenIn: async (_, changes) => changes.map(({ id }) => id),
    heardIn: async () => (change) => [change.id],
    verbs: {
      added: "collections.make",
      removed: "collections.remove",
      restored: "bin.restore-collection",
      changed: (names) =>
        hasAny(names, ["parent", "position"])
          ? "collections.move"
          : names.includes("awayAt")
            ? "collections.put-away"
            : "collections.edit",
    },
  },
);

/** Where what these changes are about stood, stands and will stand. */
function standing(table: typeof section | typeof placement | typeof suggestion) {
  const named = ({ before, after }: Change) =>
    [before?.collection, after?.collection].filter((home) => typeof home === "string");
  const homesOf = async (tx: Tx, changes: readonly Change[]) => {
    const homes = new Map<string, string>();
    const unnamed = changes.filter((change) => !named(change).length);
    await inParts(
      unnamed.map(({ id }) => id),
      async (part) => {
        for (const row of await tx
          .select({ id: table.id, collection: table.collection })
          .from(table as typeof section)
          .where(inArray(table.id, part)))
          homes.set(row.id, row.collection);
      },
      500,
    );
    return (change: Change): string[] => {
      const home = homes.get(change.id);
      return home ? [home] : [...new Set(named(change))];
    };
  };
  return {
    seenIn: async (tx: Tx, changes: readonly Change[]) => changes.flatMap(await homesOf(tx, changes)),
    heardIn: homesOf,
    placeOf: ({ collection }: { collection: string }) => ({ collection }),
  };
}

export const sections = binned(
  section,
  ["title", "intro", "minutes", "teacher", "learners", "beyond", "position"],
  {
    ...standing(section),
    verbs: {
      added: "sections.make",
      removed: "sections.remove",
      restored: "bin.restore-section",
      changed: (names) => (names.includes("position") ? "sections.move" : "sections.edit"),
    },
  },
);

export const placements = binned(
  placement,
  [
    "collection",
    "section",
    "position",
    "heading",
    "context",
    "look",
    "forReaders",
    "givesCopy",
    "clipFrom",
    "clipTo",
    "taskMinutes",
    "mustStay",
    "askedOf",
    "askedBy",
    "askedUntil",
    "shownLive",
    "resource",
  ],
  {
    ...standing(placement),
    verbs: {
      added: "placements.add",
      removed: "placements.remove",
      restored: "bin.restore-placement",
      changed: (names) =>
        hasAny(names, ["collection", "section", "position"])
          ? "placements.move"
          : hasAny(names, ["askedOf", "askedUntil"])
            ? "placements.ask"
            : "placements.edit",
    },
  },
);

export const resources = binned(
  resource,
  [
    "title",
    "description",
    "notes",
    "siteName",
    "licence",
    "published",
    "authors",
    "itemType",
    "details",
    "kind",
    "typed",
    "minutes",
    "language",
    "words",
    "pages",
    "seconds",
    "player",
    "pictureHash",
    "captionsHash",
    "quotation",
    "duplicateOf",
  ],
  {
    seenIn: (tx, changes) =>
      collectionsHolding(
        tx,
        changes.map(({ id }) => id),
      ),
    heardIn: async () => () => [null],
    verbs: {
      added: "resources.captured",
      removed: "resources.remove",
      restored: "bin.restore-resource",
      changed: () => "resources.edit",
    },
  },
);

/** What is given to people outside the team, or thought within it, stands in no collection: nobody's reader sees it. */
export const ofTeam = {
  seenIn: async () => [],
  heardIn: async () => () => [null],
};

export const groups = binned(learnerGroup, ["title"], {
  ...ofTeam,
  verbs: {
    added: "groups.make",
    removed: "groups.remove",
    restored: "groups.make",
    changed: () => "groups.edit",
  },
});

export const learners = binned(learner, ["name"], {
  ...ofTeam,
  verbs: {
    added: "learners.add",
    removed: "learners.remove",
    restored: "learners.add",
    changed: () => "learners.edit",
  },
});

/** Those outside the team hear nothing of it by events; their own page says what became of it. */
export const suggestions = binned(suggestion, ["state", "word", "resource"], {
  seenIn: async () => [],
  heardIn: standing(suggestion).heardIn,
  placeOf: ({ collection }) => ({ collection }),
  verbs: {
    added: "suggestions.offer",
    removed: "suggestions.remove",
    restored: "suggestions.offer",
    changed: () => "suggestions.decide",
  },
});

export const handouts = binned(handout, ["title", "edition", "until"], {
  ...ofTeam,
  verbs: {
    added: "handouts.make",
    removed: "handouts.remove",
    restored: "handouts.make",
    changed: (names) => (names.includes("edition") ? "handouts.correct" : "handouts.edit"),
  },
});
