import { readAddress } from "@/core/address/read-address";
import { addFind, findFind, findsOn } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { ADDRESS_WORDS } from "../capture/say-address";
import { noteWritten, openToWrite } from "./open-to-write";

class AddFind {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
  @MaybeId() find?: string;
  /** As the handout names it. */
  @MaybeId() section?: string | null;
  @MaybeText(2_000) address?: string;
  @MaybeText(300) title?: string;
  @MaybeText(4_000) context?: string;
}

/** So much one learner can add to a handout. */
const MOST_FINDS = 200;

export const addOwnFind = action({
  name: "sheets.add-find",
  about:
    "Adds something the learner found to their handout. It is theirs, and in no catalogue, until it is collected. An id sent twice adds it once.",
  input: AddFind,
  allow: can.holdCard(),
  // The sheet, which is begun when it is not there; that is seen to together.
  locks: null,
  // It is taken away by itself.
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const { sheet } = await openToWrite(tx, scope, input.handout, at, true);
    const there = input.find ? await findFind(tx, input.find) : null;
    if (there && there.sheet !== sheet.id) throw new Problem("id-taken");
    const { section = null, title = "", context = "" } = input;
    const read = input.address ? readAddress(input.address) : null;
    if (read && !read.ok) throw fieldProblem("address", "address-not-taken", ADDRESS_WORDS[read.problem]);
    const address = read?.address ?? "";
    if (!address && !title) throw fieldProblem("address", "find-without-words");
    const row = {
      id: input.find ?? newId(),
      sheet: sheet.id,
      section,
      address,
      title,
      context,
      createdAt: at,
    };
    if (!there && (await findsOn(tx, sheet.id)).length >= MOST_FINDS) throw new Problem("sheet-full");
    if (!there) {
      await addFind(tx, row);
      await noteWritten(tx, set, sheet, at);
    }
    return { find: { id: row.id, section, address, title, context } };
  },
});
