import { type SQL, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { queryRows } from "../sql/query-rows";

/** What takes space in the store of files, by what it is for. */
const SPACE_KINDS = ["files", "pictures", "texts", "editions", "others"] as const;
export type SpaceKind = (typeof SPACE_KINDS)[number];

/** Where stored files of a team are named, by what they are for; each file counts once a kind, however often it is named. */
const HELD: Record<SpaceKind, (team: string) => SQL[]> = {
  files: (team) => [
    sql`SELECT hash FROM resource_file WHERE team = ${team}`,
    sql`SELECT file_hash FROM suggestion WHERE team = ${team} AND file_hash IS NOT NULL`,
  ],
  pictures: (team) => [
    sql`SELECT picture_hash AS hash FROM resource WHERE team = ${team} AND picture_hash IS NOT NULL`,
    sql`SELECT cover_hash FROM collection WHERE team = ${team} AND cover_hash IS NOT NULL`,
    sql`SELECT p.hash FROM text_picture p JOIN resource r ON r.id = p.resource WHERE r.team = ${team}`,
  ],
  texts: (team) => [
    sql`SELECT v.digest AS hash FROM text_version v JOIN resource r ON r.id = v.resource WHERE r.team = ${team}`,
    sql`SELECT captions_hash FROM resource WHERE team = ${team} AND captions_hash IS NOT NULL`,
  ],
  editions: (team) => [
    sql`SELECT e.digest AS hash FROM edition e JOIN collection c ON c.id = e.collection WHERE c.team = ${team}`,
    sql`SELECT f.hash FROM edition_file f JOIN edition e ON e.id = f.edition
      JOIN collection c ON c.id = e.collection WHERE c.team = ${team}`,
  ],
  others: (team) => [
    sql`SELECT hash FROM document_template WHERE team = ${team}`,
    sql`SELECT original FROM mail_message WHERE team = ${team} AND original IS NOT NULL`,
    sql`SELECT hash FROM ordered_file WHERE team = ${team} AND hash IS NOT NULL`,
  ],
};

/** How many stored files a team has and how many bytes they are, by what they are for. */
export async function spaceOf(
  tx: Tx,
  team: string,
): Promise<{ kind: SpaceKind; files: number; bytes: number }[]> {
  return Promise.all(
    SPACE_KINDS.map(async (kind) => {
      const [row] = await queryRows<{ files: number; bytes: string | null }>(
        tx,
        sql`SELECT COUNT(*) AS files, SUM(b.bytes) AS bytes
          FROM (${sql.join(HELD[kind](team), sql` UNION `)}) held JOIN file_blob b ON b.hash = held.hash`,
      );
      return { kind, files: Number(row!.files), bytes: Number(row!.bytes ?? 0) };
    }),
  );
}
