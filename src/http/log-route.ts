import { fileName } from "@/core/formats/file-name";
import { actorOf } from "@/services/accounts/actor-of-request";
import { logAsCsv, takeLog } from "@/services/log/take";
import { answering } from "./answer";
import { fileAnswer } from "./file-answer";

/** GET /api/log/<team>?person=…&kind=…&from=…&to=…: who did what in a team, as a table to be saved. */
export const getLog = (
  request: Request,
  { params }: { params: Promise<{ team: string }> },
): Promise<Response> =>
  answering(async () => {
    const asked = Object.fromEntries(new URL(request.url).searchParams);
    const { name, wish } = await takeLog.call(await actorOf(request.headers), {
      ...asked,
      ...(await params),
    });
    return fileAnswer({
      name: `${fileName(name, "team")}, log.csv`,
      type: "text/csv; charset=utf-8",
      content: logAsCsv(wish),
    });
  });
