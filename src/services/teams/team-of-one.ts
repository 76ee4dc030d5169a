import { addMember, addTeam } from "@/data/queries/teams";
import { isDuplicate, transact } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";

/** Everybody has a team of one from the start; asking twice makes one. */
export async function makeTeamOfOne(person: string, name: string): Promise<void> {
  try {
    await transact(database(), async (tx) => {
      const id = newId();
      await addTeam(tx, { id, name: `${name}’s own`, ownOf: person, createdAt: now() });
      await addMember(tx, { id: newId(), team: id, person, role: "owner", createdAt: now() });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}
