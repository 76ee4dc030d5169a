import { findResource } from "@/data/queries/resources";
import { database } from "@/mechanism/changing";
import { fillResource, proposeFilling } from "@/services/resources/fill";
import type { JobKind } from "./job-kind";
import { mustBeInTime, readAddressOf, readSeen } from "./read-page";

/**
 * Reads the page of a resource, as somebody's browser showed it if it was kept, and fills in what it says of itself;
 * `propose` lays the findings before people where something is known already.
 */
export const fetchResource: JobKind = {
  run: async ({ resource, propose }, attempt) => {
    const row = await findResource(database(), String(resource));
    if (!row || row.deletedAt || !row.address) return;
    const filling = row.seenHash
      ? await readSeen(row.seenHash, row.address)
      : await readAddressOf(row.address);
    if (propose && filling.ok && row.fetchedAt) await proposeFilling(row.id, filling);
    else await fillResource(row.id, filling);
    mustBeInTime(filling, attempt);
  },
  givenUp: async ({ resource }) => fillResource(String(resource), { ok: false, problem: "internal" }),
};
