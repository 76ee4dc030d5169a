import type { LinkState } from "@/core/health/link-state";

/** What was found of an address, as a heading, and what it means. */
export const FOUND: Record<Exclude<LinkState, "ok" | "unreachable">, { head: string; means: string }> = {
  gone: { head: "Gone", means: "The site says that there is no such page." },
  missing: {
    head: "Not found, and not said so",
    means: "The site answers with what it shows for any address it does not have.",
  },
  certificate: {
    head: "Certificate wrong",
    means: "The site does not prove who it is, so browsers warn before they open it.",
  },
  "sign-in": { head: "Behind a sign-in", means: "The site shows it only to people it knows." },
  front: {
    head: "Leads to a front page",
    means: "It was a page of its own, and leads to the beginning of a site.",
  },
  changed: {
    head: "Another page now",
    means: "What stands there has next to nothing in common with the copy that is kept.",
  },
  silent: {
    head: "No answer for two weeks",
    means: "The site cannot be reached, or says that something is wrong with it.",
  },
  moved: { head: "Moved for good", means: "The site says where it stands now." },
};
