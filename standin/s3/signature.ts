import { createHash, createHmac, timingSafeEqual } from "node:crypto";
import type { IncomingHttpHeaders } from "node:http";

export type Keys = { key: string; secret: string; region: string };
type Asked = { method: string; url: URL; headers: IncomingHttpHeaders };

const sha256 = (text: string) => createHash("sha256").update(text).digest("hex");
const hmac = (key: string | Buffer, text: string) => createHmac("sha256", key).update(text).digest();
/** Everything but the unreserved characters of RFC 3986, as the signature wants it. */
const encode = (text: string) =>
  encodeURIComponent(text).replace(/[!'()*]/g, (one) => `%${one.charCodeAt(0).toString(16).toUpperCase()}`);

/**
 * Whether a request is signed with these keys, as "Authenticating Requests: Using the Authorization Header (AWS
 * Signature Version 4)" of the Amazon S3 API reference lays it down.
 */
export function isSigned({ method, url, headers }: Asked, { key, secret, region }: Keys): boolean {
  const found =
    /^AWS4-HMAC-SHA256 Credential=([^/]+)\/(\d{8})\/([^/]+)\/s3\/aws4_request, ?SignedHeaders=([\w;-]+), ?Signature=([0-9a-f]{64})$/.exec(
      headers.authorization ?? "",
    );
  if (!found) return false;
  const [, who, day, where, names, signature] = found;
  const date = String(headers["x-amz-date"]);
  const content = String(headers["x-amz-content-sha256"]);
  const signed = names!.split(";");
  if (who !== key || where !== region || !date.startsWith(day!)) return false;
  if (!signed.includes("host") || !signed.includes("x-amz-content-sha256")) return false;
  const query = [...url.searchParams]
    .map(([name, value]) => `${encode(name)}=${encode(value)}`)
    .sort()
    .join("&");
  const canonical = [
    method,
    url.pathname
      .split("/")
      .map((part) => encode(decodeURIComponent(part)))
      .join("/"),
    query,
    ...signed.map((name) => `${name}:${String(headers[name]).trim().replace(/ +/g, " ")}`),
    "",
    names,
    content,
  ].join("\n");
  const scope = `${day}/${region}/s3/aws4_request`;
  const toSign = ["AWS4-HMAC-SHA256", date, scope, sha256(canonical)].join("\n");
  const signing = hmac(hmac(hmac(hmac(`AWS4${secret}`, day!), region), "s3"), "aws4_request");
  return timingSafeEqual(hmac(signing, toSign), Buffer.from(signature!, "hex"));
}
