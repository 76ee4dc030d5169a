import { cardOf } from "@/data/queries/resources";
import { candidatesOf } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { pictureJob } from "./blank";

class ChoosePicture {
  @Id() resource: string;
  /** One of the pictures the page offers. */
  @Name("the address of a picture", 4000) address: string;
}

export const choosePicture = action({
  name: "resources.choose-picture",
  about: "Takes another of the page's pictures. It is fetched behind this and stays through later fetches.",
  input: ChoosePicture,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: null,
  run: async ({ input, tx, locked, at, enqueue }) => {
    const row = locked.resource(input.resource);
    if (!(await candidatesOf(tx, row.id)).includes(input.address))
      throw fieldProblem("address", "picture-not-offered");
    enqueue(pictureJob(row.id, row.team, input.address, at));
    return { resource: await cardOf(tx, row) };
  },
});
