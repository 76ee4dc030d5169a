import { addressOfFile } from "@/core/address/read-address";
import { idsByHash } from "@/data/queries/imports";
import { reading } from "@/mechanism/action";
import { Id, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { addressHash } from "@/outside/hash";

class KnownAddresses {
  @Id() team: string;
  @Texts(2500, 4000) addresses: string[];
}

export const knownAddresses = reading({
  name: "resources.known",
  about:
    "Which of up to 2,500 addresses the team has already: the id of the resource, or null, in the same order.",
  input: KnownAddresses,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const hashes = input.addresses.map((address) => {
      const read = addressOfFile(address);
      return read.ok ? addressHash(read.address) : null;
    });
    const found = await idsByHash(tx, input.team, [...new Set(hashes.filter((hash) => hash !== null))]);
    return {
      known: hashes.map((hash) => {
        const one = hash ? found.get(hash) : undefined;
        return one && !one.deleted ? one.id : null;
      }),
    };
  },
});
