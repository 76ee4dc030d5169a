import { membership, team } from "@/data/schema";
import { isDuplicate, transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { database } from "../action";

/** Everybody has a team of one from the start; asking twice makes one. */
export async function makeTeamOfOne(person: string, name: string): Promise<void> {
  try {
    await transact(database(), async (tx) => {
      const id = newId();
      await tx.insert(team).values({ id, name: `${name}’s own`, ownOf: person, createdAt: now() });
      await tx.insert(membership).values({ id: newId(), team: id, person, role: "owner", createdAt: now() });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}
