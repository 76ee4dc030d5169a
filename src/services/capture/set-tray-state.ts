import { and, eq } from "drizzle-orm";
import { trayEntry } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";

const STATES = ["waiting", "away"] as const;

class SetTrayState {
  @Id() resource: string;
  @OneOf(STATES) state: (typeof STATES)[number];
}

export const setTrayState = action({
  name: "tray.set",
  about: "Puts something in one's own Tray away, or lets it wait there.",
  input: SetTrayState,
  allow: can.see("resource"),
  run: async ({ input, scope, tx, tell, did }) => {
    const at = now();
    const [before] = await tx
      .select({ state: trayEntry.state })
      .from(trayEntry)
      .where(and(eq(trayEntry.person, scope.person!), eq(trayEntry.resource, input.resource)));
    await tx
      .insert(trayEntry)
      .values({
        id: newId(),
        person: scope.person!,
        team: scope.team!,
        resource: input.resource,
        state: input.state,
        createdAt: at,
        updatedAt: at,
      })
      .onDuplicateKeyUpdate({ set: { state: input.state, updatedAt: at } });
    tell({ subject: input.resource, data: { before: before?.state ?? null, after: input.state } });
    const deed = did(
      input.state === "away" ? "put something away" : "let something wait in the Tray",
      [
        {
          thing: "tray",
          id: `${scope.person!}~${input.resource}`,
          before: before ? { state: before.state } : null,
          after: { state: input.state },
        },
      ],
      "see",
    );
    return { resource: input.resource, state: input.state, deed };
  },
});
