import { addArchiveImport, archiveImportsOf } from "@/data/archive/load";
import { addMember, addTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { arrived } from "../files/uploads";

class BringBack {
  /** The last step of the address the upload of the archive was given. */
  @Id() upload: string;
}

/** One person does no more at once. */
const MOST = 3;

export const bringArchiveBack = action({
  name: "archives.bring-back",
  about:
    "Brings an archive that has arrived at /api/files back as a new team of one's own. People in it are names; whoever is to be a member is invited.",
  input: BringBack,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, enqueue }) => {
    const person = scope.person!;
    const file = await arrived(input.upload, person);
    if (!file) throw new Problem("file-not-arrived");
    const running = (await archiveImportsOf(tx, person)).filter((one) => one.state === "running");
    if (running.length >= MOST) throw new Problem("busy");
    const [id, team] = [newId(), newId()];
    await addTeam(tx, { id: team, name: "An archive on its way back", createdAt: at });
    await addMember(tx, { id: newId(), team, person, role: "owner", createdAt: at });
    await addArchiveImport(tx, {
      ...{ id, team, person, hash: file.hash, state: "running", createdAt: at, updatedAt: at },
    });
    enqueue({
      ...{ kind: "archives.bring-back", uniqueKey: `archive ${id}`, team, payload: { import: id } },
      ...{ id: newId(), priority: 5, runAt: at, createdAt: at },
    });
    return { import: id, team };
  },
});
