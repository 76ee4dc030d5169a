import { actorOf } from "../people/actor-of-request";
import { exportCollection } from "../publish/export-collection";
import { answering } from "./answer";

/** GET /api/export/<collection>?format=…: the file itself, to be saved. */
export const getExport = (
  request: Request,
  { params }: { params: Promise<{ collection: string }> },
): Promise<Response> =>
  answering(async () => {
    const { collection } = await params;
    const format = new URL(request.url).searchParams.get("format");
    const file = await exportCollection.call(await actorOf(request.headers), { collection, format });
    const name = encodeURIComponent(file.name).replace(/['()*]/g, (c) => `%${c.charCodeAt(0).toString(16)}`);
    return new Response(file.content, {
      headers: {
        "content-type": file.type,
        // RFC 6266: a plain name for old clients, the real one beside it.
        "content-disposition": `attachment; filename="${file.name.replace(/[^\x20-\x7e]|["\\]/g, "_")}"; filename*=UTF-8''${name}`,
        "content-security-policy": "sandbox",
        "x-content-type-options": "nosniff",
        "cache-control": "no-store",
      },
    });
  });
