import { readFacets } from "./facets";
import { search } from "./find";

/** What people can do, by name. */
export const actions = {
  "search.facets": readFacets,
  "search.find": search,
};
