import type { Followed } from "@/core/shelves/followed";
import { tagKey } from "@/core/tags/tag-name";
import { addressHash, identityHash } from "@/outside/hash";

/** By which each thing is followed once: a subject as tags are folded, a feed as addresses are. */
export function followHash(kind: Followed, what: string): string {
  if (kind === "feed") return identityHash(`follow:feed ${addressHash(what)}`);
  return identityHash(`follow:${kind} ${kind === "subject" ? tagKey(what) : what.toLowerCase()}`);
}
