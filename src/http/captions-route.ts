import { Readable } from "node:stream";
import { openFile } from "@/outside/files";
import { actorOf } from "@/services/accounts/actor-of-request";
import { readResource } from "@/services/resources/read";
import { answering } from "./answer";
import { ofLength } from "./length";

/** GET /api/captions/<resource>: what is said in a film or a sound, as WebVTT, for members. */
export const getCaptions = (
  request: Request,
  { params }: { params: Promise<{ resource: string }> },
): Promise<Response> =>
  answering(async () => {
    const { resource } = await readResource.call(await actorOf(request.headers), await params);
    return sendCaptions(resource.captionsHash);
  });

/** Stored captions, which never change under their hash. */
export async function sendCaptions(hash: string | null | undefined): Promise<Response> {
  const file = hash ? await openFile(hash) : null;
  if (!file) return new Response(null, { status: 404 });
  return new Response(Readable.toWeb(file.stream as Readable) as ReadableStream, {
    headers: {
      "content-type": "text/vtt; charset=utf-8",
      ...ofLength(file.bytes),
      "cache-control": "private, no-cache",
      "content-security-policy": "default-src 'none'; sandbox",
      "x-content-type-options": "nosniff",
    },
  });
}
