import { rejectedLines } from "../intake/rejected-lines";
import { actorOf } from "../people/actor-of-request";
import { exportCollection } from "../publish/export-collection";
import { answering } from "./answer";
import { fileAnswer } from "./file-answer";

/** GET /api/export/<collection>?format=…: the file itself, to be saved. */
export const getExport = (
  request: Request,
  { params }: { params: Promise<{ collection: string }> },
): Promise<Response> =>
  answering(async () => {
    const { collection } = await params;
    const format = new URL(request.url).searchParams.get("format");
    return fileAnswer(await exportCollection.call(await actorOf(request.headers), { collection, format }));
  });

/** GET /api/intakes/<intake>/rejected: the lines to mend, as a table. */
export const getRejected = (
  request: Request,
  { params }: { params: Promise<{ intake: string }> },
): Promise<Response> =>
  answering(async () => fileAnswer(await rejectedLines.call(await actorOf(request.headers), await params)));
