import type { PublishedTree } from "@/core/publish/model";

/** The smallest collection there is, to try things on. */
export const SPECIMEN: PublishedTree = {
  collection: {
    ...{ id: "", title: "A collection", description: "", rich: "", cover: null, teamName: "", language: "" },
    ...{ audience: "team", view: "rows", use: null, framedBy: "", inside: [], way: null },
    ...{ createdAt: new Date(0), updatedAt: new Date(0) },
    sections: [{ id: "1", title: "A section", intro: "<ul><li>A word</li></ul>", items: [] }],
  },
  inside: [],
};
