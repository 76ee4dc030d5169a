import { suggestPlaces } from "@/core/tray/suggest-places";
import { findResource } from "@/data/queries/resources";
import { placesOf, placesOfSite } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { alikeOf } from "../search/alike";
import { tagsFor } from "../tags/suggest";

/** Of a site the newest are looked at; of tags so many are offered. */
const OF_SITE = 200;
const TAGS = 3;

class Suggest {
  @Id() resource: string;
}

export const suggestPlacesOf = reading({
  name: "tray.suggest",
  about:
    "Where something that waits might go, and how it might be tagged: by what is like it, and by where things of its site went.",
  input: Suggest,
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => {
    const team = scope.team!;
    const row = (await findResource(tx, input.resource))!;
    const [found, sites, here] = await Promise.all([
      alikeOf(tx, team, row.id),
      placesOfSite(tx, team, row.host, OF_SITE),
      placesOf(tx, [row.id]),
    ]);
    const likeness = new Map(found?.alike.map((one) => [one.id, one.score]));
    const near = await placesOf(tx, [...likeness.keys()]);
    const tags = found ? await tagsFor(tx, team, found) : [];
    return {
      places: suggestPlaces(
        near.map(({ resource, collection, title }) => ({
          collection,
          title,
          likeness: likeness.get(resource)!,
        })),
        sites,
        new Set(here.map((one) => one.collection)),
      ),
      tags: tags.slice(0, TAGS).map((one) => one.name),
    };
  },
});
