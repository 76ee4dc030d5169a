import { fileName } from "@/core/formats/file-name";
import { actorOf } from "@/services/accounts/actor-of-request";
import { aboutMe, everythingAbout } from "@/services/people/about-me";
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

/** GET /api/about-me: everything about oneself, to be saved. */
export const getAboutMe = (request: Request): Promise<Response> =>
  answering(async () => {
    const { person } = await aboutMe.call(await actorOf(request.headers), {});
    return fileAnswer({
      name: "everything-about-me.json",
      type: "application/json",
      content: everythingAbout(person),
    });
  });
