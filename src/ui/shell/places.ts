import { may, type Role } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";

export type Waiting = Answer<"teams.waiting">;
export type Place = {
  words: string;
  href: string;
  /** What waits there, as `teams.waiting` counts it. */
  waits?: keyof Waiting;
};
/** A stage of the work, with its places; a place is here when there is something to be done at it. */
export type Stage = { name: string; places: Place[] };

/** The places of a team in the order of the work, for whoever has this role in it. */
export function stagesOf({ id, role }: { id: string; role: Role }): Stage[] {
  const at = (words: string, path: string, waits?: keyof Waiting): Place => ({
    words,
    href: `/team/${id}/${path}`,
    waits,
  });
  const brings = may(role, "bring");
  return [
    {
      name: "Gather",
      places: [
        ...(brings ? [at("Tray", "tray", "tray"), at("Mail", "mail", "held"), at("Imports", "imports")] : []),
        at("Rules", "rules"),
        at("Shelves", "shelves"),
        at("Followed", "followed"),
      ],
    },
    {
      name: "Arrange",
      places: [
        at("Collections", "collections"),
        at("Catalogue", "catalogue"),
        at("Tags", "tags"),
        at("Likely duplicates", "duplicates", "duplicates"),
      ],
    },
    {
      name: "Weigh up",
      places: [
        at("Appraisal", "appraisal", "toJudge"),
        at("Outcomes", "outcomes"),
        at("Time", "time"),
        at("Mix of sources", "mix"),
        at("Links", "links", "links"),
      ],
    },
    {
      name: "Share",
      places: [
        at("What is out", "out"),
        ...(may(role, "arrange") ? [at("Suggestions", "suggestions", "suggested")] : []),
        ...(may(role, "publish") ? [at("Groups", "groups")] : []),
      ],
    },
    {
      name: "Team",
      places: [
        at("People", "people"),
        ...(may(role, "arrange") ? [at("Bin", "bin")] : []),
        ...(may(role, "manage") ? [at("Upkeep", "upkeep")] : []),
      ],
    },
  ];
}

/**
 * The stage a page belongs to.
 * @param path of the page
 */
export function stageAt(stages: readonly Stage[], path: string): string | null {
  if (path.startsWith("/bench/")) return "Arrange";
  if (path.startsWith("/publish/") || /^\/team\/[^/]+\/handouts\//.test(path)) return "Share";
  const isAt = (place: Place) => path === place.href || path.startsWith(`${place.href}/`);
  return stages.find((stage) => stage.places.some(isAt))?.name ?? null;
}

/** How much waits at the places of a stage. */
export const waitingAt = (stage: Stage, waiting: Waiting | undefined): number =>
  stage.places.reduce((sum, { waits }) => sum + ((waits && waiting?.[waits]) ?? 0), 0);
