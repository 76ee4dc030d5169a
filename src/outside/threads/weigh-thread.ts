import { type Searchable, type Weighed, weigh } from "@/core/search/weigh";

/** Weighs the words of some resources; a hundred with texts take some tenths of a second. */
export default function work({ resources }: { resources: Searchable[] }): Weighed[][] {
  return resources.map(weigh);
}
