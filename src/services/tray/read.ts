import { groupBy } from "@/core/list/group-by";
import { hitsOf } from "@/data/queries/rules";
import { traySum, trayOf } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadTray {
  @Id() team: string;
}

export const readTray = reading({
  name: "tray.read",
  about: "What waits in one's own Tray, newest first, with how much it is.",
  input: ReadTray,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const [entries, sum] = await Promise.all([
      trayOf(tx, scope.person!, input.team, 200),
      traySum(tx, scope.person!, input.team),
    ]);
    const hits = await hitsOf(
      tx,
      entries.map((entry) => entry.resource.id),
    );
    const suggested = groupBy(
      hits.filter((hit) => hit.state === "suggested"),
      (hit) => hit.resource,
    );
    return {
      entries: entries.map((entry) => ({ ...entry, suggestions: suggested.get(entry.resource.id) ?? [] })),
      ...sum,
    };
  },
});
