import { agreed, appraisal, criteria, round, searchRecord, wish } from "../schema";
import { binned, ofTeam } from "./binned";
import type { Entity } from "./entity";

export const criteriaSets = binned(criteria, ["name", "version"], {
  ...ofTeam,
  verbs: {
    added: "criteria.make",
    removed: "criteria.remove",
    restored: "criteria.make",
    changed: () => "criteria.edit",
  },
});

const own = (id: string) => id.split("~")[1]!;
const judgements = binned(appraisal, ["answers", "number", "whole", "copy", "resource"], {
  ...ofTeam,
  verbs: {
    added: "appraisals.own",
    removed: "appraisals.own",
    restored: "appraisals.own",
    changed: () => "appraisals.own",
  },
});

/**
 * `person~appraisal`: what somebody thinks. Only they hear of it, because in a blind round others must not; that something was
 * judged is told beside it.
 */
export const appraisals: Entity<typeof appraisal.$inferInsert> = {
  ...judgements,
  idOf: ({ person, id }) => `${person}~${id}`,
  subjectOf: own,
  onlyFor: (id) => id.split("~")[0]!,
  read: async (tx, ids) => {
    const found = await judgements.read(tx, ids.map(own));
    return new Map(ids.flatMap((id) => (found.has(own(id)) ? [[id, found.get(own(id))!]] : [])));
  },
  write: (tx, ids, fields, stamp) => judgements.write(tx, ids.map(own), fields, stamp),
};

export const agreedAppraisals = binned(agreed, ["answers", "number", "people", "person", "resource"], {
  ...ofTeam,
  verbs: {
    added: "appraisals.agree",
    removed: "appraisals.agree",
    restored: "appraisals.agree",
    changed: () => "appraisals.agree",
  },
});

export const rounds = binned(round, ["title", "state", "budget", "currency"], {
  ...ofTeam,
  verbs: {
    added: "rounds.start",
    removed: "rounds.remove",
    restored: "rounds.start",
    changed: () => "rounds.edit",
  },
});

export const searchRecords = binned(searchRecord, ["kind", "source", "searched", "words", "hits"], {
  ...ofTeam,
  verbs: {
    added: "search-records.save",
    removed: "search-records.remove",
    restored: "search-records.save",
    changed: () => "search-records.save",
  },
});

export const wishes = binned(wish, ["price", "number", "priority"], {
  ...ofTeam,
  verbs: {
    added: "rounds.wish",
    removed: "rounds.wish",
    restored: "rounds.wish",
    changed: () => "rounds.wish",
  },
});
