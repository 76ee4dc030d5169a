import sharp from "sharp";
import { qrSvg } from "@/core/share/qr";
import { readShortCode } from "@/core/share/short-code";
import { addressOfHobbin } from "@/services/accounts/address";
import { placesOf } from "@/services/reader/places";
import { readerPage } from "@/services/reader/reader-page";
import { askedAt, type ReaderParams } from "./reader-route";

/** Pixels of the square; 20 cm on paper at 150 dots an inch. */
const WIDE = 1_200;

/**
 * GET …/qr/svg, …/qr/png: the address of a reader's page as a QR code; with `?short=…` that of the short code, which has
 * fewer and larger squares, to be read from afar.
 */
export async function getQr(
  request: Request,
  { params }: { params: Promise<ReaderParams & { file: string }> },
): Promise<Response> {
  const { file, ...at } = await params;
  const { code } = at;
  const asked = askedAt(at);
  if (!/^(svg|png)$/.test(file) || !(await readerPage(asked))) return new Response(null, { status: 404 });
  const { searchParams } = new URL(request.url);
  const short = readShortCode(searchParams.get("short") ?? "");
  const path = "code" in short ? `/go/${short.code}` : placesOf(asked).self;
  const svg = qrSvg(addressOfHobbin() + path, "wall");
  const isPng = file === "png";
  const bytes = isPng
    ? await sharp(Buffer.from(svg), { density: 300 })
        .resize(WIDE, WIDE, { kernel: "nearest" })
        .png({ palette: true })
        .toBuffer()
    : svg;
  return new Response(bytes as BodyInit, {
    headers: {
      "content-type": isPng ? "image/png" : "image/svg+xml",
      "cache-control": "public, max-age=3600",
      "content-security-policy": "default-src 'none'; sandbox",
      "x-content-type-options": "nosniff",
      ...(searchParams.has("save") && {
        "content-disposition": `attachment; filename="code-${code.slice(0, 4)}.${file}"`,
      }),
    },
  });
}
