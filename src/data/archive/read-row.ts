import { HIT_STATES } from "@/core/rules/wrong";
import { getTableColumns } from "drizzle-orm";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import { readAddress } from "@/core/address/read-address";
import { exchangeIds } from "@/core/archive/local-ids";
import { ITEM_TYPES } from "@/core/cite/reference";
import { isOwnStyle, isStyleId, LONGEST_STYLE } from "@/core/cite/styles";
import { VERBS } from "@/core/history/verbs";
import { asReference } from "@/core/imports/check-lines";
import { licenceId } from "@/core/licence/licence-id";
import { VIEWS } from "@/core/list/view-setting";
import { readFragment } from "@/core/marks/fragments";
import { PATTERNS, TINTS } from "@/core/marks/meanings";
import { KINDS, type Player } from "@/core/page/facts";
import { AUDIENCES, REACHES, SHOWS, USES } from "@/core/publish/model";
import { TRAY_STATES } from "@/core/tray/states";
import { sanitise } from "@/core/text/sanitise";
import { fieldsOf, OMITTED } from "./fields";
import type { Row } from "./rows";
import type { Archived } from "./tables";
import { usualOf } from "./usual";

/** An archive that is none, or is not whole; why, in words for who brought it. */
export class ArchiveRefused extends Error {}

/** What an archive that comes back may name. */
export type Coming = {
  team: string;
  /** The id something of the archive has here. */
  exchange: (id: string) => string;
  /** Whether an id is one of a row of this archive. */
  isRow: (id: unknown) => boolean;
  isPerson: (id: unknown) => boolean;
  /** Whether a stored file is in this archive. */
  hasFile: (hash: string) => boolean;
  /** What no row names has an id of its own here. */
  newId: () => string;
  /** Whether markup is made safe, which takes a while; else it is only looked whether everything is what it should be. */
  sanitises: boolean;
};

type Check = (value: unknown) => boolean;
const among =
  (values: readonly unknown[]): Check =>
  (value) =>
    values.includes(value);
const orNone =
  (check: Check): Check =>
  (value) =>
    value === null || value === undefined || check(value);
const isText: Check = (value) => typeof value === "string";
const texts: Check = (value) => Array.isArray(value) && value.every(isText);
const matches =
  (pattern: RegExp): Check =>
  (value) =>
    typeof value === "string" && pattern.test(value);

/** What a field must be, where its column alone does not say it; the interface and the readers' pages go by it. */
const CHECKS: Record<string, Record<string, Check>> = {
  resource: {
    kind: among(KINDS),
    itemType: orNone(among(ITEM_TYPES)),
    address: (value) => value === "" || (typeof value === "string" && readAddress(value).ok),
    addressHash: matches(/^[\w-]{43}$/),
    canonicalHash: orNone(matches(/^[\w-]{43}$/)),
    fetchState: among(["waiting", "done", "failed"]),
    licence: (value) => value === "" || (typeof value === "string" && licenceId(value) === value),
    authors: texts,
    typed: texts,
  },
  text_version: {
    digest: matches(/^[\da-f]{64}$/),
    origin: among(["fetched", "seen", "typed", "mail", "file"]),
  },
  mark: {
    fragment: (value) => value === "" || (typeof value === "string" && readFragment(value) !== null),
  },
  meaning: { pattern: among(PATTERNS), tint: among(TINTS) },
  resource_text: { origin: among(["fetched", "seen", "typed", "mail", "file"]) },
  resource_file: { type: matches(/^[\w.+-]+\/[\w.+-]+$/) },
  collection: {
    audience: among(AUDIENCES),
    view: among(VIEWS),
    reach: among(REACHES),
    shows: among(SHOWS),
    use: orNone(among(USES)),
    citationStyle: (value) => value === "" || isStyleId(value),
    framedBy: matches(/^(\*|(https?:\/\/[\w.:-]+ ?)*)$/),
  },
  citation_style: {
    style: (value) => isStyleId(value) && isOwnStyle(value),
    xml: (value) => typeof value === "string" && value.length <= LONGEST_STYLE,
  },
  rule: {
    when: isWhen,
    tags: texts,
    unless: orNone((value) => Array.isArray(value) && value.every(isWhen)),
  },
  rule_hit: { state: among(HIT_STATES), tagged: orNone(texts) },
  placement: { look: among(["item", "text"]) },
  share_link: { code: matches(/^[\da-z]{10,24}$/) },
  short_code: { code: matches(/^[\da-z]{5,8}$/) },
  edition: { digest: matches(/^[\da-f]{64}$/) },
  event: { verb: (value) => typeof value === "string" && Object.hasOwn(VERBS, value) },
  tray_entry: { state: among([...TRAY_STATES, "placed"]) },
};
/** What a rule asks for: some of four things, each in words. */
function isWhen(value: unknown): boolean {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return false;
  const asked = Object.entries(value);
  const isWord = (said: unknown) => typeof said === "string" && said !== "" && said.length <= 500;
  return (
    asked.length > 0 &&
    asked.every(([part, said]) => ["host", "sender", "tag", "word"].includes(part) && isWord(said))
  );
}
/** Fields with markup; wherever they stand in JSON, too. */
const MARKED = new Set(["html", "rich", "intro"]);

/**
 * A row of an archive as it can be written; null for one that cannot stand by itself (its file is lost, nobody knows what
 * it tells of).
 * @param raw the row as it stands in the archive
 * @throws {ArchiveRefused} when it is not what its table holds
 */
export function readRow(archived: Archived, raw: unknown, coming: Coming): Row | null {
  const { name, refs, people, hashes = [], loose = [] } = archived;
  const refuse = (field: string): never => {
    throw new ArchiveRefused(`“${field}” of a row of ${name} is not what stands there in an archive.`);
  };
  if (typeof raw !== "object" || raw === null || Array.isArray(raw)) return refuse("everything");
  const row: Row = {};
  const kinds = new Map(fieldsOf(archived).map((one) => [one.name, one.kind]));
  const here = (field: string, value: unknown): unknown => {
    const kind = kinds.get(field);
    if (kind === "id" || kind === "loose id")
      return typeof value === "string" ? coming.exchange(value) : refuse(field);
    return kind === "json" && typeof value === "object"
      ? JSON.parse(exchangeIds(JSON.stringify(value), coming.exchange))
      : value;
  };
  for (const [field, column] of Object.entries(getTableColumns(archived.table)) as [string, MySqlColumn][]) {
    if (OMITTED.has(field)) continue;
    if (field === "id" && archived.dense) {
      row.id = coming.newId();
      continue;
    }
    const given = (raw as Row)[field] ?? null;
    // What follows from the rest of the row names nothing.
    const value = given === null ? (usualOf(name, field)?.of(raw as Row) ?? null) : here(field, given);
    if (field === "team") row.team = coming.team;
    else if (value === null) {
      if (!column.notNull) row[field] = null;
      // What a newer table has besides is as it is for everything new.
      else if (column.default === undefined) return refuse(field);
      else row[field] = column.default;
    } else if (field === "id" || field in refs) {
      const isThere = coming.isRow(value);
      if (!isThere && !loose.includes(field)) return refuse(field);
      row[field] = isThere ? value : null;
    } else if (people.includes(field)) {
      if (!coming.isPerson(value)) return refuse(field);
      row[field] = value;
    } else if (hashes.includes(field)) {
      if (typeof value !== "string") return refuse(field);
      if (coming.hasFile(value)) row[field] = value;
      else if (column.notNull) return null;
      else row[field] = null;
    } else {
      row[field] = ofColumn(column, value, coming, () => refuse(field));
      if (coming.sanitises && MARKED.has(field)) row[field] = sanitise(String(value), { formulas: true });
    }
    const longest = (column as { length?: unknown }).length;
    if (typeof longest === "number" && typeof row[field] === "string" && [...row[field]].length > longest)
      return refuse(field);
    const check = CHECKS[name]?.[field];
    if (check && !check(row[field] ?? null)) {
      // What somebody did that nobody knows the word for is passed over.
      if (name === "event") return null;
      return refuse(field);
    }
  }
  return name === "resource" ? asResource(row) : row;
}

function ofColumn(column: MySqlColumn, value: unknown, { sanitises }: Coming, refuse: () => never): unknown {
  const safe = (json: object | null) => (sanitises ? sanitiseMarked(json) : json);
  switch (column.dataType) {
    case "date": {
      const time = typeof value === "string" ? new Date(value) : null;
      return time && !Number.isNaN(time.getTime()) ? time : refuse();
    }
    case "number":
      return typeof value === "number" && Number.isSafeInteger(value) ? value : refuse();
    case "boolean":
      return typeof value === "boolean" ? value : refuse();
    case "json":
      return typeof value === "object" ? safe(value) : refuse();
    case "custom":
      // Text of a kind of its own, or JSON that may be large.
      return typeof value === "string" ? value : typeof value === "object" ? safe(value) : refuse();
    default:
      return typeof value === "string" ? value : refuse();
  }
}

/** JSON in which nothing is markup but what is sanitised. @throws {ArchiveRefused} when it is nested too deep */
export function sanitiseMarked(value: unknown, depth = 0): unknown {
  if (depth > 40) throw new ArchiveRefused("Something in the archive is nested deeper than anything here.");
  if (Array.isArray(value)) return value.map((one) => sanitiseMarked(one, depth + 1));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [
      key,
      MARKED.has(key) && typeof one === "string" ? sanitise(one) : sanitiseMarked(one, depth + 1),
    ]),
  );
}

/** A player leads to a file of its own, or into the web; a work has only the fields works have. */
function asResource(row: Row): Row {
  const player = row.player as Partial<Player> | null;
  const isPlayed =
    player &&
    (player.type === "file" || player.type === "frame") &&
    typeof player.address === "string" &&
    /^(https?:\/\/|\/api\/file\/[\da-f-]{36}$)/.test(player.address);
  return {
    ...row,
    player: isPlayed ? { type: player.type, address: player.address, mime: player.mime ?? null } : null,
    details: asReference({ fields: row.details as Record<string, string> })?.fields ?? {},
  };
}
