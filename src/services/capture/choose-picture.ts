import { candidatesOf } from "@/data/queries/contents";
import { cardsById, findResource, withTags } from "@/data/queries/resources";
import { action } from "../action";
import { Id, Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { newId } from "@/outside/random";
import { now } from "@/outside/clock";

class ChoosePicture {
  @Id() resource: string;
  /** One of the pictures the page offers. */
  @Name("the address of a picture", 4000) address: string;
}

export const choosePicture = action({
  name: "resources.choose-picture",
  about: "Takes another of the page's pictures. It is fetched behind this and stays through later fetches.",
  input: ChoosePicture,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, later }) => {
    const row = (await findResource(tx, input.resource))!;
    if (!(await candidatesOf(tx, row.id)).includes(input.address))
      throw fieldProblem("address", "The page does not offer this picture.");
    later({
      id: newId(),
      kind: "picture.fetch",
      uniqueKey: `picture.fetch:${row.id}`,
      team: scope.team,
      payload: { resource: row.id, address: input.address },
      createdAt: now(),
    });
    return { resource: (await withTags(tx, await cardsById(tx, row.team, [row.id])))[0]! };
  },
});
