import { linksOnPaper, PAPER_SCRIPT, paperDocument } from "@/core/publish/paper-document";
import { now } from "@/outside/clock";
import { codesInThread } from "@/outside/threads/in-thread";
import { addressOfHobbin } from "@/services/accounts/address";
import { publishedBehind } from "@/services/reader/behind";
import { askedAt, policyOf, type ReaderParams, readerHeaders } from "./reader-route";

/** GET …/paper?paper=a4&compact=1&room=1: the collection as a sheet to be printed. */
export async function getPaper(
  request: Request,
  { params }: { params: Promise<ReaderParams> },
): Promise<Response> {
  const found = await publishedBehind(askedAt(await params), now());
  if (!found) return new Response(null, { status: 404 });
  const asked = new URL(request.url).searchParams;
  const codes = await codesInThread(linksOnPaper(found.collection, found.places));
  const text = paperDocument(
    found.collection,
    found.places,
    {
      paper: asked.get("paper") === "letter" ? "letter" : "a4",
      compact: asked.has("compact"),
      room: asked.has("room"),
    },
    { home: addressOfHobbin().replace(/^https?:\/\//, ""), short: found.short },
    codes,
  );
  return new Response(text, {
    headers: {
      ...readerHeaders({ noindex: true, framedBy: "" }),
      "content-security-policy": policyOf([PAPER_SCRIPT], "", "'self'"),
    },
  });
}
