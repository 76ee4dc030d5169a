import { LONGEST_STYLE, ownStyleId } from "@/core/cite/styles";
import { styleInfo } from "@/core/cite/style-info";
import { addStyle, ownStyle, stylesOf } from "@/data/queries/citation-styles";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { sha256 } from "@/outside/hash";
import { newId } from "@/outside/random";
import { styleFile } from "@/outside/styles";
import { styleProblemsInThread, TooSlow } from "@/outside/threads/in-thread";

/** More nobody goes through in a list. */
export const MOST_STYLES = 100;

class AddStyle {
  @Id() team: string;
  /** The style: XML by the Citation Style Language 1.0. */
  @Name("the content of a style", LONGEST_STYLE) xml: string;
}

export const addOwnStyle = action({
  name: "references.add-style",
  about:
    "Adds a citation style (CSL) to those of a team, once it was looked over by the schema of the language and a few works could be set in it; what is wrong is said by its line. The same file is the same style.",
  input: AddStyle,
  allow: can.arrange("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, xml }, scope, tx, at, emit }) => {
    const info = styleInfo(xml);
    // A style needs none, and what is declared in one unfolds without an end.
    const says = /<!DOCTYPE|<!ENTITY/i.test(xml) ? "It declares what no style declares." : undefined;
    if (!info || says) throw fieldProblem("xml", "style-not-readable", says);
    if (info.parent !== null) {
      const parent = await styleFile(info.parent);
      throw fieldProblem(
        "xml",
        "style-not-readable",
        `This file only gives another name to the style “${parent?.name ?? info.parent}”. ${parent ? "That one is here: look for it." : "Add that one."}`,
      );
    }
    if (!info.hasBibliography)
      throw fieldProblem("xml", "style-not-readable", "This style sets notes only, and no bibliography.");
    const id = ownStyleId(sha256(xml));
    if (!(await ownStyle(tx, team, id))) await mustBeStyle(xml);
    if ((await stylesOf(tx, team, MOST_STYLES)).length >= MOST_STYLES) throw new Problem("too-many-styles");
    const name = info.title.slice(0, 200);
    await addStyle(tx, {
      ...{ id: newId(), team, style: id, name, xml, addedBy: scope.person!, createdAt: at, removedAt: null },
    });
    emit({ verb: "references.add-style", subject: team, data: { name } });
    return { style: { id, name } };
  },
});

async function mustBeStyle(xml: string): Promise<void> {
  const problems = await styleProblemsInThread(xml).catch((error: unknown) => {
    if (!(error instanceof TooSlow)) throw error;
    throw fieldProblem("xml", "style-not-readable", "It takes too long to set anything in this style.");
  });
  if (problems.length)
    throw fieldProblem(
      "xml",
      "style-not-readable",
      problems.map(({ line, words }) => (line === null ? words : `Line ${line}: ${words}`)).join(" "),
    );
}
