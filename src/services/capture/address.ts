import { IsBoolean } from "class-validator";
import { readAddress } from "@/core/address/read-address";
import { keepApart } from "@/data/queries/duplicates";
import { findByAddress } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { blank, fetchJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { land } from "./land";
import { ADDRESS_WORDS } from "./say-address";

class CaptureAddress {
  @Id() team: string;
  @Name("an address", 4000) address: string;
  /** The collection it goes to; without one it waits in the Tray. */
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  /** Id for the placement, so that a request sent twice places once. */
  @MaybeId() placement?: string;
  /** Place it even when it is in the catalogue already. */
  @Optional() @IsBoolean() again?: boolean;
  /** Keep it as a resource of its own on purpose, although the same address is here already. */
  @Optional() @IsBoolean() apart?: boolean;
}

export const captureAddress = action({
  name: "capture.address",
  about:
    "Brings in one web address. It is there at once; what the page says of itself is filled in afterwards.",
  input: CaptureAddress,
  allow: can.bringIn(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "bring in",
  run: async ({ input, scope, tx, locked, set, enqueue }) => {
    const read = readAddress(input.address);
    if (!read.ok) throw fieldProblem("address", "address-not-taken", ADDRESS_WORDS[read.problem]);

    const { team } = input;
    const common = { team, person: scope.person!, sight: scope.sight };
    const hash = addressHash(read.address);
    const same = input.apart ? await findByAddress(tx, team, hash) : null;
    // One that is kept apart has an identity of its own, and the two are not called twins.
    const own = same ? identityHash(`apart:${newId()} ${read.address}`) : hash;
    const { id, known, already } = await findOrAdd(tx, set, { ...common, hash: own }, (fresh) =>
      blank(fresh, read.address, read.host),
    );
    if (same) await keepApart(tx, team, same.id, id);
    if (!known) enqueue(fetchJob(id, team, set.at));
    // What is known is only placed again when that is asked for.
    const place = !already || Boolean(input.again);
    return land({ input, scope, tx, locked, set }, id, { title: known?.title ?? read.host, already, place });
  },
});
