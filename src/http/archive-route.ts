import { fileName } from "@/core/formats/file-name";
import { actorOf } from "@/services/accounts/actor-of-request";
import { archiveOf, takeArchive } from "@/services/archives/take";
import { answering } from "./answer";
import { fileAnswer } from "./file-answer";

/** GET /api/archive/<team>: everything of a team, to be saved. */
export const getArchive = (
  request: Request,
  { params }: { params: Promise<{ team: string }> },
): Promise<Response> =>
  answering(async () => {
    const { name, ...taker } = await takeArchive.call(await actorOf(request.headers), await params);
    return fileAnswer({
      name: `${fileName(name, "team")}.zip`,
      type: "application/zip",
      content: archiveOf(taker),
    });
  });
