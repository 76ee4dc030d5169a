import { actorOf } from "@/services/accounts/actor-of-request";
import { readSuggestedFile } from "@/services/suggestions/file";
import { takeFileFor } from "@/services/suggestions/take-file";
import { Problem } from "@/mechanism/problem";
import { STRANGER } from "@/mechanism/actor";
import { answering, json, mustBeOwnSite } from "./answer";
import { sendFile } from "./file-route";

/** GET /api/suggested/<suggestion>: a file that was suggested, for whoever decides about it. */
export const getSuggestedFile = (
  request: Request,
  { params }: { params: Promise<{ suggestion: string }> },
): Promise<Response> =>
  answering(async () => {
    const { file } = await readSuggestedFile.call(await actorOf(request.headers), await params);
    return sendFile(request, file);
  });

/** POST /s/<page>/file?name=…: takes in a file somebody wants to suggest; no cookie is read. */
export const postSuggestedFile = (
  request: Request,
  { params }: { params: Promise<{ page: string }> },
): Promise<Response> =>
  answering(async () => {
    mustBeOwnSite(request);
    const { page } = await params;
    if (!request.body) throw new Problem("suggestion-without-anything");
    const name = new URL(request.url).searchParams.get("name") ?? "";
    return json({ file: await takeFileFor(STRANGER, page, name, request.body) });
  });
