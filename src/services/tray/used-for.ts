import { IsOptional, IsString, MaxLength } from "class-validator";
import type { TrayState } from "@/core/tray/states";
import { findCollection } from "@/data/queries/collections";
import { findSection } from "@/data/queries/sections";
import type { Tx } from "@/data/database";
import { MaybeId } from "@/mechanism/input";
import { Problem } from "@/mechanism/problem";

/** What something is still to be used for. */
export class UsedFor {
  /** "The newsletter". */
  @IsOptional() @IsString() @MaxLength(200) forWords?: string;
  @MaybeId() forCollection?: string | null;
  @MaybeId() forSection?: string | null;
}

/**
 * The fields of an entry that say what it is still to be used for; of another state there are none.
 * @throws {Problem} not-found, for a place of another team
 */
export async function usedFor(tx: Tx, team: string, state: TrayState, input: UsedFor) {
  if (state !== "use") return { forWords: "", forCollection: null, forSection: null };
  const { forWords = "", forCollection = null, forSection = null } = input;
  if (forCollection && (await findCollection(tx, forCollection))?.team !== team)
    throw new Problem("not-found");
  if (forSection && (await findSection(tx, forSection))?.collection !== forCollection)
    throw new Problem("not-found");
  return { forWords: forWords.trim(), forCollection, forSection };
}
