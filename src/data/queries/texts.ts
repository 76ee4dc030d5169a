import type { Tx } from "../database";
import { wordsOf } from "./search-feed";

/** Of a long text so much is looked through for passages and phrases. */
const READ = 60_000;

/** The words of these resources as people see them, for passages and phrases. */
export async function textsOf(tx: Tx, ids: readonly string[]) {
  if (!ids.length) return [];
  return (await wordsOf(tx, ids)).map((row) => ({ ...row, text: row.text.slice(0, READ) }));
}
