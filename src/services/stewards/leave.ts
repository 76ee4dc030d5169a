import { closeReports, lockReport } from "@/data/queries/care";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { noteDeed } from "./deed";

class Leave {
  @Id() report: string;
}

export const leaveReport = action({
  name: "stewards.leave",
  about: "Decides that what was reported can stay as it is.",
  input: Leave,
  allow: can.steward(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const found = await lockReport(tx, input.report);
    if (!found) throw new Problem("not-found");
    if (!found.closedAt) {
      await closeReports(tx, { id: found.id }, at);
      await noteDeed(tx, { kind: "leave", person: scope.person, at, collection: found.collection });
    }
    return { closedAt: found.closedAt ?? at };
  },
});
