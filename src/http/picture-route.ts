import { Problem } from "@/mechanism/problem";
import { openFile } from "@/outside/files";
import { actorOf } from "@/services/accounts/actor-of-request";
import { readPicture } from "@/services/pictures/read";
import { answering } from "./answer";
import { pictureAnswer } from "./reader-route";

/** GET /api/pictures/<hash>, for members of a team that has it. */
export const getPicture = (
  request: Request,
  { params }: { params: Promise<{ hash: string }> },
): Promise<Response> =>
  answering(async () => {
    const { hash } = await readPicture.call(await actorOf(request.headers), await params);
    const file = await openFile(hash);
    if (!file) throw new Problem("not-found");
    return pictureAnswer(file);
  });
