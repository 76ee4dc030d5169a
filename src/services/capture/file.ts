import { titleOfFile } from "@/core/formats/file-name";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { putFile } from "../files/put";
import { arrived } from "../files/uploads";
import { fileJob } from "../resources/blank";
import { land } from "./land";

class CaptureFile {
  @Id() team: string;
  /** The last step of the address the upload was given. */
  @Id() upload: string;
  @MaybeText(500) title?: string;
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
}

export const captureFile = action({
  name: "capture.file",
  about: "Makes a resource of a file that has arrived at /api/files. The same content twice is one resource.",
  input: CaptureFile,
  allow: can.bringIn(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "bring in",
  run: async ({ input, scope, tx, locked, at, set, enqueue }) => {
    const file = await arrived(input.upload, scope.person!);
    if (!file || file.team !== input.team) throw new Problem("file-not-arrived");
    const { id, already } = await putFile(tx, set, file, { title: input.title, sight: scope.sight });
    if (!already) enqueue(fileJob(id, input.team, at));
    const title = input.title || titleOfFile(file.name);
    return land({ input, scope, tx, locked, set }, id, { title, already });
  },
});
