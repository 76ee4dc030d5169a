import { downFrom } from "@/core/list/course";
import { FIRST_SETTING } from "@/core/list/view-setting";
import {
  collectionsAbove,
  collectionsInside,
  findCollection,
  sectionsOf,
  settingOf,
  sectionSums,
  clothOf,
  collectionTree,
} from "@/data/queries/collections";
import type { Tx } from "@/data/database";
import { creditsHere } from "@/data/queries/credits";
import { countGuests } from "@/data/queries/guests";
import { shareCodeOf, sharedUp } from "@/data/queries/sharing";
import { now } from "@/outside/clock";
import { audienceNow, doorOf } from "@/core/publish/opens";
import { itemsOf } from "@/data/queries/placements";
import { tagsOfCollection } from "@/data/queries/tags";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadCollection {
  @Id() collection: string;
}

/** Of a course at most so many stretches are drawn. */
const STRETCHES = 40;

/** The stretches of the cloth of a collection with others inside: itself and these, as far as they hold something. */
async function courseOf(tx: Tx, { id, team }: { id: string; team: string }) {
  const all = downFrom(await collectionTree(tx, team), id).filter((one) => !one.awayAt);
  const cloths = await clothOf(
    tx,
    all.slice(0, STRETCHES).map((one) => one.id),
  );
  return all.flatMap(({ id, title }) => {
    const cloth = cloths.get(id);
    return cloth?.items ? [{ id, title, ...cloth }] : [];
  });
}

/** How many items come with the first answer; the rest is asked for in pages. */
const FIRST = 60;

export const readCollection = reading({
  name: "collections.read",
  about: "A collection with its sections, sums, and its first items.",
  input: ReadCollection,
  allow: can.seeHere("collection"),
  run: async ({ input, scope, tx }) => {
    const found = (await findCollection(tx, input.collection))!;
    const [sections, sums, first, code, above, inside, cover, tags, setting, up, guests, credits] =
      await Promise.all([
        sectionsOf(tx, found.id),
        sectionSums(tx, found.id),
        itemsOf(tx, found.id, null, FIRST),
        shareCodeOf(tx, found.id),
        found.parent ? collectionsAbove(tx, found.id) : [],
        collectionsInside(tx, found.id),
        clothOf(tx, [found.id]),
        tagsOfCollection(tx, found.id),
        settingOf(tx, found.id, scope.person!),
        sharedUp(tx, found.id),
        countGuests(tx, found.id),
        creditsHere(tx, found.id, found.credit),
      ]);
    const at = now();
    const door = doorOf(up, at);
    const sees = (id: string) => scope.sight?.has(id) ?? true;
    return {
      collection: {
        id: found.id,
        team: found.team,
        teamName: found.teamName,
        parent: found.parent && sees(found.parent) ? found.parent : null,
        title: found.title,
        description: found.description,
        rich: found.rich,
        tags: tags.map((one) => one.name),
        audience: audienceNow(found, at),
        view: found.view,
        coverHash: found.coverHash,
        away: found.awayAt !== null,
        code: audienceNow(found, at) === "team" ? null : code,
        reach: found.reach,
        use: found.use,
        until: found.sharedUntil,
        leftOut: found.leftOut,
        language: found.language,
        aimMinutes: found.aimMinutes,
        aimLevel: found.aimLevel,
        framedBy: found.framedBy,
        citationStyle: found.citationStyle,
        givesReferences: found.givesReferences,
        showsOutcomes: found.showsOutcomes,
        /** By which collection readers see it, and under which address. */
        door:
          door && sees(door.by.id)
            ? {
                by: { id: door.by.id, title: door.by.title },
                path: `/c/${door.by.code}${door.part ? `/in/${door.part}` : ""}`,
              }
            : null,
        role: scope.role!,
        /** Whether one was let in, and is not in its team. */
        guest: scope.sight !== undefined,
        /** How many see it as guests. */
        guests,
        /** From where it (`own`) and the items in it were taken with credit, as that was called then. */
        credits: credits.map(({ id, title, teamName, edition, day, code }) => ({
          ...{ id, title, teamName, edition, day, code, own: id === found.credit },
        })),
      },
      above: above.filter((one) => sees(one.id)),
      sections,
      sums,
      inside: inside.map(({ id, title, audience }) => ({ id, title, audience })),
      setting: setting ?? FIRST_SETTING,
      cover: cover.get(found.id)!,
      course: inside.length ? await courseOf(tx, found) : [],
      ...first,
    };
  },
});
