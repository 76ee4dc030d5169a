import { addSteward, dropSteward } from "@/data/queries/care";
import { personByAddress } from "@/data/queries/people";
import { changing } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { noteDeed } from "./deed";

/**
 * Names somebody a steward, or no steward any more, on the word of who runs the installation.
 * @returns who it was; null: nobody has an account with this address
 */
export async function nameSteward(address: string, on: boolean): Promise<{ name: string } | null> {
  const { result } = await changing(async (tx) => {
    const at = now();
    const found = await personByAddress(tx, address.trim().toLowerCase());
    if (found) {
      await (on ? addSteward(tx, found.id, at) : dropSteward(tx, found.id));
      await noteDeed(tx, { kind: on ? "named" : "let-go", person: null, at, words: found.name });
    }
    return { result: found && { name: found.name } };
  });
  return result;
}
