import { type StyleId, isOwnStyle, FIRST_STYLE } from "@/core/cite/styles";
import type { Tx } from "@/data/database";
import { ownStyle, styleSetFor, teamOf } from "@/data/queries/citation-styles";
import { fieldProblem } from "@/mechanism/problem";
import { styleFile } from "@/outside/styles";
import type { StyleSource } from "@/outside/threads/cite-thread";

/** A style to cite in. */
export type Style = { id: StyleId; name: string; source: StyleSource };

/** A style of a team's own, of the installation, or of Hobbin's; null: there is none of this id. */
export async function styleNamed(tx: Tx, team: string, id: StyleId): Promise<Style | null> {
  if (isOwnStyle(id)) {
    const own = await ownStyle(tx, team, id);
    return own && { id, name: own.name, source: { xml: own.xml } };
  }
  const found = await styleFile(id);
  return found && { id, name: found.name, source: { file: found.file } };
}

/** @throws {Problem} not-valid, beside its field, when a team has no such style */
export async function styleThere(tx: Tx, team: string, id: StyleId, field = "citationStyle"): Promise<Style> {
  const found = await styleNamed(tx, team, id);
  if (!found) throw fieldProblem(field, "style-unknown");
  return found;
}

/**
 * The style that is asked for, or the one that holds where the collection stands. One that holds and is not installed any
 * more gives way to the first there is.
 * @throws {Problem} not-valid, when it is asked for and not there
 */
export async function styleFor(tx: Tx, collection: string, asked: StyleId | undefined): Promise<Style> {
  const team = (await teamOf(tx, collection))!;
  if (asked) return styleThere(tx, team, asked, "style");
  const set = await styleSetFor(tx, collection);
  return (set && (await styleNamed(tx, team, set))) || styleThere(tx, team, FIRST_STYLE);
}
