import { actorOf } from "@/services/accounts/actor-of-request";
import { readPicture } from "@/services/pictures/read";
import { answering } from "./answer";
import { pictureAnswer } from "./reader-route";

/** GET /api/pictures/<hash>, for members of a team that has it. */
export const getPicture = (
  request: Request,
  { params }: { params: Promise<{ hash: string }> },
): Promise<Response> =>
  answering(async () => pictureAnswer(await readPicture.call(await actorOf(request.headers), await params)));
