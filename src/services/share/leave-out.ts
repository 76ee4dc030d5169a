import { IsBoolean } from "class-validator";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LeaveOut {
  @Id() collection: string;
  @IsBoolean() out: boolean;
}

export const leaveOut = action({
  name: "share.leave-out",
  about:
    "Leaves a collection out of what readers are shown of the one it stands in, or takes it in again. Its own address, if it has one, stays as it is.",
  input: LeaveOut,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, locked, change }) => {
    const before = locked.collection(input.collection);
    await change("collection", before, { leftOut: input.out }, { verb: "share.set" });
    return { leftOut: input.out };
  },
});
