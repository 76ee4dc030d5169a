import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { referencesDocument } from "@/core/publish/references-document";
import { now } from "@/outside/clock";
import { publishedReferences } from "@/services/reader/references";
import { askedAt, policyOf, type ReaderParams, readerHeaders } from "./reader-route";

/** GET …/references: the bibliography of that page with those inside it, where its readers are given it. */
export async function getReferences(
  _: Request,
  { params }: { params: Promise<ReaderParams> },
): Promise<Response> {
  const found = await publishedReferences(askedAt(await params), now());
  if (!found) return new Response(null, { status: 404 });
  return new Response(referencesDocument(found), {
    headers: {
      ...readerHeaders({ noindex: true, framedBy: "" }),
      "content-security-policy": policyOf([COMFORT_SCRIPT], ""),
    },
  });
}
