import { action } from "@/mechanism/action";
import { Id, MaybeMoment } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EditHandout {
  @Id() handout: string;
  /** From then on it is only read; null: it has no end. */
  @MaybeMoment() until?: string | null;
}

export const editHandout = action({
  name: "handouts.edit",
  about: "Sets when a handout ends, or takes its end away. What is over can be opened again.",
  input: EditHandout,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ handouts: [input.handout] }),
  history: "set the end of the handout",
  run: async ({ input, locked, change }) => {
    const row = locked.handout(input.handout);
    const until = input.until === undefined ? row.until : input.until === null ? null : new Date(input.until);
    await change("handout", row, { until });
    return { handout: row.id, until };
  },
});
