import { createHash } from "node:crypto";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { buffer } from "node:stream/consumers";
import { isSigned, type Keys } from "./signature";

type Kept = { bytes: Buffer; modified: Date };
/** So many are listed at once, few enough that tests meet a second page. */
const PAGE = 3;

/**
 * A small S3 in memory: objects of one bucket by path, listed, copied onto themselves, with ranges. Every request must be
 * signed, and its body be what its signature says.
 */
export class StandInS3 {
  readonly objects = new Map<string, Kept>();
  /** So many requests are answered with a fault of its own first. */
  faults = 0;

  constructor(
    readonly bucket: string,
    private readonly keys: Keys,
  ) {}

  /** @param port 0 for any that is free */
  listen(port: number): Promise<Server> {
    const server = createServer((request, response) => {
      this.answer(request, response).catch((error: unknown) => response.destroy(error as Error));
    });
    return new Promise((resolve) => server.listen(port, "127.0.0.1", () => resolve(server)));
  }

  private async answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const url = new URL(request.url!, `http://${request.headers.host}`);
    const method = request.method!;
    const body = await buffer(request);
    const end = (status: number, headers: Record<string, string> = {}, content: Buffer | string = "") =>
      void response.writeHead(status, headers).end(method === "HEAD" ? "" : content);
    if (this.faults > 0) return (this.faults--, end(503));
    if (!isSigned({ method, url, headers: request.headers }, this.keys)) return end(403);
    if (createHash("sha256").update(body).digest("hex") !== request.headers["x-amz-content-sha256"])
      return end(400);
    const [, bucket, ...rest] = url.pathname.split("/").map(decodeURIComponent);
    if (bucket !== this.bucket) return end(404);
    const key = rest.join("/");
    if (!key) return end(200, { "content-type": "application/xml" }, this.listing(url.searchParams));
    if (method === "DELETE") return (this.objects.delete(key), end(204));
    if (method === "PUT") {
      const source = request.headers["x-amz-copy-source"];
      const from =
        source && this.objects.get(decodeURIComponent(String(source)).split("/").slice(2).join("/"));
      if (source && !from) return end(404);
      this.objects.set(key, { bytes: from ? from.bytes : body, modified: new Date() });
      return end(200, {}, source ? "<CopyObjectResult/>" : "");
    }
    const kept = this.objects.get(key);
    if (!kept) return end(404);
    const modified = { "last-modified": kept.modified.toUTCString() };
    const whole = kept.bytes.length;
    const range = /^bytes=(\d+)-(\d+)$/.exec(request.headers.range ?? "");
    if (!range) return end(200, { ...modified, "content-length": String(whole) }, kept.bytes);
    const [start, last] = [Number(range[1]), Math.min(Number(range[2]), whole - 1)];
    if (start > last) return end(416);
    const part = kept.bytes.subarray(start, last + 1);
    const where = {
      "content-range": `bytes ${start}-${last}/${whole}`,
      "content-length": String(part.length),
    };
    end(206, { ...modified, ...where }, part);
  }

  private listing(query: URLSearchParams): string {
    const prefix = query.get("prefix") ?? "";
    const after = query.get("continuation-token") ?? "";
    const keys = [...this.objects.keys()].filter((key) => key.startsWith(prefix) && key > after).sort();
    const page = keys.slice(0, PAGE);
    const contents = page.map((key) => {
      const { bytes, modified } = this.objects.get(key)!;
      return `<Contents><Key>${key}</Key><LastModified>${modified.toISOString()}</LastModified><Size>${bytes.length}</Size></Contents>`;
    });
    const next = keys.length > PAGE ? `<NextContinuationToken>${page.at(-1)}</NextContinuationToken>` : "";
    return `<?xml version="1.0"?><ListBucketResult>${contents.join("")}${next}</ListBucketResult>`;
  }
}
