import { setPicture } from "@/services/resources/set-picture";
import type { JobKind } from "./job-kind";
import { fetchPicture } from "./read-page";

/** Fetches a picture somebody chose for a resource. */
export const fetchPictureJob: JobKind = {
  run: async ({ resource, address }) => {
    const picture = await fetchPicture(String(address));
    if (picture) await setPicture(String(resource), picture);
  },
};
