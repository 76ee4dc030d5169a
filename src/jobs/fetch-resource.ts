import { findResource } from "@/data/queries/resources";
import { database } from "@/mechanism/changing";
import { fillResource, proposeFilling } from "@/services/resources/fill";
import type { JobKind } from "./job-kind";
import { readAddressOf, readSeen } from "./read-page";

/**
 * Reads the page of a resource and fills in what it says of itself. `seen` names the kept HTML somebody's browser
 * showed; `propose` lays the findings before people where something is known already.
 */
export const fetchResource: JobKind = {
  run: async ({ resource, seen, propose }) => {
    const row = await findResource(database(), String(resource));
    if (!row || row.deletedAt || !row.address) return;
    const filling =
      typeof seen === "string" ? await readSeen(seen, row.address) : await readAddressOf(row.address);
    if (propose && filling.ok && row.fetchedAt) await proposeFilling(row.id, filling);
    else await fillResource(row.id, filling);
  },
  givenUp: async ({ resource }) => fillResource(String(resource), { ok: false, problem: "internal" }),
};
