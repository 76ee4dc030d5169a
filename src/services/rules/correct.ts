import { tagKey } from "@/core/tags/tag-name";
import { whatToLeaveOut } from "@/core/rules/wrong";
import { findPlacement, placementOf } from "@/data/queries/placements";
import { findHit, findRule, senderOf, setHit } from "@/data/queries/rules";
import { linksOfResources, tagsByKey } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class CorrectHit {
  @Id() hit: string;
  /** What it was done to. */
  @Id() resource: string;
}

export const correctHit = action({
  name: "rules.correct",
  about:
    "Says that a rule was wrong about a resource: what it did there is taken back, as far as it stands, and what it could leave out from now on is answered.",
  input: CorrectHit,
  allow: can.bring("hit"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "take back what a rule did",
  run: async ({ input, tx, locked, remove, emit }) => {
    const hit = (await findHit(tx, input.hit))!;
    const row = locked.resource(input.resource);
    if (hit.resource !== row.id) throw new Problem("not-found");
    const rule = (await findRule(tx, hit.rule))!;
    if (hit.state === "done") {
      const there = hit.placedIn && (await placementOf(tx, row.id, hit.placedIn));
      if (there) await remove("placement", (await findPlacement(tx, there.id))!);
      if (hit.tagged?.length) {
        const tags = new Set((await tagsByKey(tx, row.team, hit.tagged.map(tagKey))).values());
        const links = await linksOfResources(tx, [row.id]);
        await remove(
          "resourceTag",
          links.filter((link) => tags.has(link.tag)),
        );
      }
    }
    await setHit(tx, hit.id, { state: "wrong", placedIn: null, tagged: null });
    emit({ verb: "rules.correct", subject: row.id, data: { rule: rule.name } });
    const leaveOut = whatToLeaveOut(rule.when, { host: row.host, sender: await senderOf(tx, row.id) });
    return { rule: rule.id, leaveOut };
  },
});
