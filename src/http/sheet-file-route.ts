import { actorOf } from "@/services/accounts/actor-of-request";
import { readSheetFile } from "@/services/sheets/file";
import { answering } from "./answer";
import { sendFile } from "./file-route";

/** GET /h/<card>/<handout>/f/<item>: the file of an item, for who holds the card. */
export const getSheetFile = (
  request: Request,
  { params }: { params: Promise<{ card: string; handout: string; item: string }> },
): Promise<Response> =>
  answering(async () => {
    const { file } = await readSheetFile.call(await actorOf(request.headers), await params);
    return sendFile(request, file);
  });
