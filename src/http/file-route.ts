import { Readable } from "node:stream";
import { openFile } from "@/outside/files";
import { actorOf } from "@/services/accounts/actor-of-request";
import { readFile } from "@/services/files/read";
import { handleUpload } from "@/services/files/uploads";
import { answering, forExtension, mustBeOwnSite, preflight } from "./answer";
import { hasAlready, isRangeOf } from "./conditional";
import { disposition } from "./file-answer";
import { ofLength } from "./length";

type Stored = { hash: string; name: string; type: string; bytes: number };

/** What a browser may show in place. Everything else is saved: HTML and SVG could bring scripts of their own. */
const INLINE =
  /^(application\/pdf|image\/(jpeg|png|gif|webp|avif)|audio\/[\w.+-]+|video\/[\w.+-]+|text\/plain)$/;

/** GET /api/file/<resource>, for members; ?save to save it under its name. */
export const getFile = (
  request: Request,
  { params }: { params: Promise<{ resource: string }> },
): Promise<Response> =>
  answering(async () => {
    const { file } = await readFile.call(await actorOf(request.headers), await params);
    return sendFile(request, file);
  });

/** Every request of the tus protocol at /api/files. */
export const tus = async (request: Request): Promise<Response> =>
  forExtension(
    request,
    await answering(async () => {
      if (request.method === "OPTIONS" && request.headers.has("origin")) return preflight(request);
      if (request.method !== "OPTIONS" && request.method !== "HEAD") mustBeOwnSite(request);
      return inWords(await handleUpload(request));
    }),
  );

/**
 * What the library for uploads refuses, as problem details like everywhere else. What it did not foresee it tells as it
 * comes, with paths of the server; that goes into the log.
 */
async function inWords(answer: Response): Promise<Response> {
  if (answer.status < 400) return answer;
  const said = (await answer.text()).trim();
  if (answer.status >= 500) throw new Error(`the library for uploads failed: ${said}`);
  const headers = new Headers(answer.headers);
  headers.delete("content-length");
  headers.set("content-type", "application/problem+json");
  const body = {
    type: "about:blank",
    code: "upload-refused",
    title: "This upload was refused",
    status: answer.status,
  };
  return new Response(JSON.stringify({ ...body, detail: said }), { status: answer.status, headers });
}

/**
 * A stored file, whole or the range that is asked for (RFC 9110 §14: one range of bytes; several are answered whole, as the
 * standard allows), so that players can seek.
 */
export async function sendFile(request: Request, file: Stored): Promise<Response> {
  const save = new URL(request.url).searchParams.has("save") || !INLINE.test(file.type);
  const headers: Record<string, string> = {
    "content-type": file.type === "text/plain" ? "text/plain; charset=utf-8" : file.type,
    "content-disposition": disposition(save ? "attachment" : "inline", file.name),
    "accept-ranges": "bytes",
    "cache-control": "private, max-age=3600",
    etag: `"${file.hash.slice(0, 32)}"`,
    "x-content-type-options": "nosniff",
    // A PDF is shown by the browser's own viewer, which a sandbox would forbid; it runs no script of the file here.
    "content-security-policy":
      file.type === "application/pdf"
        ? "default-src 'none'; object-src 'self'; plugin-types application/pdf; style-src 'unsafe-inline'"
        : "default-src 'none'; style-src 'unsafe-inline'; media-src 'self'; img-src 'self'; sandbox",
  };
  if (hasAlready(request.headers.get("if-none-match"), headers.etag!))
    return new Response(null, { status: 304, headers });
  const asked = isRangeOf(request.headers.get("if-range"), headers.etag!)
    ? request.headers.get("range")
    : null;
  const range = readRange(asked, file.bytes);
  if (range === "impossible")
    return new Response(null, {
      status: 416,
      headers: { ...headers, "content-range": `bytes */${file.bytes}` },
    });
  const opened = await openFile(file.hash, range ?? undefined);
  if (!opened) return new Response(null, { status: 404 });
  const body = Readable.toWeb(opened.stream as Readable) as ReadableStream;
  if (!range) return new Response(body, { headers: { ...headers, ...ofLength(file.bytes) } });
  return new Response(body, {
    status: 206,
    headers: {
      ...headers,
      "content-range": `bytes ${range.start}-${range.end}/${file.bytes}`,
      ...ofLength(range.end - range.start + 1),
    },
  });
}

/**
 * RFC 9110 §14.1.2: `bytes=0-499`, `bytes=500-`, `bytes=-500`.
 * @param header the Range header, or null
 */
export function readRange(
  header: string | null,
  bytes: number,
): { start: number; end: number } | "impossible" | null {
  const found = /^bytes=(\d*)-(\d*)$/.exec(header?.trim() ?? "");
  if (!found || (!found[1] && !found[2])) return null;
  const start = found[1] ? Number(found[1]) : Math.max(0, bytes - Number(found[2]));
  const end = found[1] && found[2] ? Math.min(Number(found[2]), bytes - 1) : bytes - 1;
  if (found[1] && found[2] && Number(found[2]) < start) return null;
  return start >= bytes || start > end ? "impossible" : { start, end };
}
