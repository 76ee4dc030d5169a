import { asPrinted } from "@/core/formats/printed/model";
import { LARGEST_TEMPLATE } from "@/core/formats/printed/into-template";
import { noteFile } from "@/data/queries/texts-and-files";
import { dropTemplate, setTemplate } from "@/data/queries/templates";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { readStored } from "@/outside/files";
import { newId } from "@/outside/random";
import { docxInThread, TooSlow } from "@/outside/threads/in-thread";
import { arrived } from "../files/uploads";
import { SPECIMEN } from "./specimen";

class SetTemplate {
  @Id() team: string;
  /** The last step of the address the upload of a document (DOCX, DOTX) was given; null: no template any more. */
  @MaybeId() upload: string | null;
}

export const setTeamTemplate = action({
  name: "teams.set-template",
  about:
    "Gives a team the document its collections are put into when they are saved for a word processor: its letterhead, margins and styles. A paragraph that says [collection] gives way to the collection; without one it stands at the end.",
  input: SetTemplate,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, upload }, scope, tx, at, emit }) => {
    if (!upload) {
      await dropTemplate(tx, team);
      emit({ verb: "teams.set-template", subject: team, data: {} });
      return { template: null };
    }
    const file = await arrived(upload, scope.person!);
    if (!file) throw new Problem("file-not-arrived");
    const { hash, bytes, type } = file;
    const name = file.name.slice(0, 200);
    if (bytes > LARGEST_TEMPLATE) throw refused("This template is larger than 8 MB.");
    await mustTake(hash);
    await noteFile(tx, { hash, bytes, type, createdAt: at });
    await setTemplate(tx, { id: newId(), team, hash, name, addedBy: scope.person!, createdAt: at });
    emit({ verb: "teams.set-template", subject: team, data: { name } });
    return { template: { name, createdAt: at } };
  },
});

const refused = (words: string) => fieldProblem("upload", "template-not-readable", words);

/** A made-up collection is put into it, and what comes of that is read again. */
async function mustTake(hash: string): Promise<void> {
  const template = await readStored(hash);
  if (!template) throw new Problem("file-not-arrived");
  const task = { printed: asPrinted(SPECIMEN), paper: "a4" as const, pictures: {}, template };
  const made = await docxInThread(task, 10_000).catch((error: unknown) => {
    if (error instanceof TooSlow) return { refused: "It takes too long to fill this template." };
    throw error;
  });
  if ("refused" in made) throw refused(made.refused);
}
