import { eq } from "drizzle-orm";
import { type AddressProblem, readAddress } from "@/core/address/read-address";
import { findByAddress, touchCollectionsOf } from "@/data/queries/resources";
import { resource, twinApart } from "@/data/schema";
import { now } from "@/outside/clock";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { IsBoolean, IsOptional } from "class-validator";
import { action } from "../action";
import { Id, MaybeId, Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { blank, fetchJob } from "./blank";
import { land } from "./land";

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
  @IsOptional() @IsBoolean() again?: boolean;
  /** Keep it as a resource of its own on purpose, although the same address is here already. */
  @IsOptional() @IsBoolean() apart?: boolean;
}

const SAY: Record<AddressProblem, string> = {
  empty: "Give an address.",
  "not-an-address": "This is not a web address. One looks like https://site.example/page.",
  "not-a-web-address": "Only addresses that begin with http or https can be brought in.",
  "has-password": "This address carries a name or password. Take that out first, so that it is not shared.",
};

export const captureAddress = action({
  name: "capture.address",
  about:
    "Brings in one web address. It is there at once; what the page says of itself is filled in afterwards.",
  input: CaptureAddress,
  allow: can.bring("team"),
  run: async ({ input, scope, tx, tell, did, later }) => {
    const read = readAddress(input.address);
    if (!read.ok) throw fieldProblem("address", SAY[read.problem]);

    const at = now();
    const same = await findByAddress(tx, input.team, addressHash(read.address));
    const known = input.apart ? null : same;
    const id = known?.id ?? newId();
    // One that is kept apart has an identity of its own, and the two are not called twins.
    const hash =
      input.apart && same ? identityHash(`apart:${id} ${read.address}`) : addressHash(read.address);
    if (input.apart && same) await tx.insert(twinApart).values({ a: same.id, b: id, team: input.team });
    if (!known) {
      await tx.insert(resource).values({
        ...blank(id, read.address, read.host),
        team: input.team,
        addressHash: hash,
        addedBy: scope.person!,
        createdAt: at,
        updatedAt: at,
      });
      later(fetchJob(id, input.team, at));
    } else if (known.deletedAt) {
      await tx.update(resource).set({ deletedAt: null, updatedAt: at }).where(eq(resource.id, id));
      await touchCollectionsOf(tx, [id], at);
    }
    const already = Boolean(known && !known.deletedAt);
    // What is known is only placed again when that is asked for.
    const place = !already || Boolean(input.again);
    return land({ input, scope, tx, tell, did }, id, { title: known?.title ?? read.host, already, place });
  },
});
