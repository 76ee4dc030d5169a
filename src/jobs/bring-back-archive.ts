import { setArchiveImport } from "@/data/archive/load";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { bringBack } from "@/services/archives/come-back";
import type { JobKind } from "./job-kind";

/** Brings an archive back; begun anew it goes on where it was. */
export const bringBackJob: JobKind = {
  run: async ({ import: id }) => bringBack(String(id)),
  givenUp: ({ import: id }) =>
    setArchiveImport(database(), String(id), {
      ...{ state: "refused", updatedAt: now() },
      problem:
        "It could not be brought back whole, and was given up after several tries. What has come back is there.",
    }),
};
