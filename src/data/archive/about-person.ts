import { and, asc, eq, getTableColumns, gt } from "drizzle-orm";
import type { MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import {
  accessToken,
  account,
  archiveImport,
  event,
  guest,
  historyEntry,
  lastVisit,
  logEntry,
  mailAddress,
  mailMessage,
  mailSender,
  mark,
  notice,
  noticeWish,
  membership,
  orderedFile,
  person,
  personPage,
  readingComfort,
  readingPlace,
  follow,
  savedSearch,
  session,
  steward,
  trayEntry,
  viewSetting,
} from "../schema";

/** A table with rows that are about somebody. */
type About = {
  name: string;
  table: MySqlTable;
  /** The person they are about. */
  of: MySqlColumn;
  /** Reading goes on behind the last one. */
  key: MySqlColumn;
  /** What opens doors, and so is written nowhere. */
  leave?: readonly string[];
};

const about = (
  name: string,
  table: MySqlTable & { id: MySqlColumn },
  of: MySqlColumn,
  leave: readonly string[] = [],
): About => ({ name, table, of, key: table.id, leave });

/** Everything that is about a person, by the tables that go with their account, and what they did. */
export const ABOUT_PERSON: readonly About[] = [
  about("person", person, person.id),
  about("membership", membership, membership.person),
  { name: "guest", table: guest, of: guest.person, key: guest.collection },
  about("session", session, session.userId, ["token"]),
  about("account", account, account.userId, ["accessToken", "refreshToken", "idToken", "password"]),
  about("access_token", accessToken, accessToken.person, ["hash"]),
  about("mail_address", mailAddress, mailAddress.person, ["local"]),
  about("mail_sender", mailSender, mailSender.person),
  about("mail_message", mailMessage, mailMessage.person),
  about("tray_entry", trayEntry, trayEntry.person),
  about("saved_search", savedSearch, savedSearch.person),
  about("follow", follow, follow.person),
  { name: "person_page", table: personPage, of: personPage.person, key: personPage.person },
  about("mark", mark, mark.person),
  { name: "reading_comfort", table: readingComfort, of: readingComfort.person, key: readingComfort.person },
  { name: "reading_place", table: readingPlace, of: readingPlace.person, key: readingPlace.resource },
  { name: "view_setting", table: viewSetting, of: viewSetting.person, key: viewSetting.collection },
  { name: "last_visit", table: lastVisit, of: lastVisit.person, key: lastVisit.collection },
  { name: "steward", table: steward, of: steward.person, key: steward.person },
  about("notice", notice, notice.person),
  {
    ...{ name: "notice_wish", table: noticeWish, of: noticeWish.person, key: noticeWish.person },
    leave: ["token"],
  },
  about("history_entry", historyEntry, historyEntry.person),
  about("archive_import", archiveImport, archiveImport.person),
  about("ordered_file", orderedFile, orderedFile.person),
  about("log_entry", logEntry, logEntry.person),
  about("event", event, event.actor),
];

/** What goes with an account and is not told, and why. */
export const NOT_TOLD: Readonly<Record<string, string>> = {
  presence: "where one is this minute",
  verification: "opens doors; gone within the hour",
  pairing: "opens doors; gone within minutes",
  rate_limit: "counts attempts by address, and names nobody",
  limit_use: "counts what is asked for within a minute",
};

const AT_ONCE = 500;

/** The rows of a table that are about a person, some at a time. */
export async function* rowsAbout(
  tx: Tx,
  { table, of, key, leave = [] }: About,
  personId: string,
): AsyncGenerator<Record<string, unknown>[]> {
  const columns = Object.fromEntries(
    Object.entries(getTableColumns(table)).filter(([name]) => !leave.includes(name)),
  );
  const name = Object.entries(getTableColumns(table) as Record<string, MySqlColumn>).find(
    ([, column]) => column === key,
  )![0];
  for (let last: unknown = null; ;) {
    const rows: Record<string, unknown>[] = await tx
      .select(columns)
      .from(table)
      .where(and(eq(of, personId), last === null ? undefined : gt(key, last)))
      .orderBy(asc(key))
      .limit(AT_ONCE);
    if (rows.length) yield rows;
    if (rows.length < AT_ONCE) return;
    last = rows.at(-1)![name];
  }
}
