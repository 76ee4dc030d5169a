import { copyDocument } from "@/core/publish/copy-document";
import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { now } from "@/outside/clock";
import { publishedBehind } from "@/services/reader/behind";
import { askedAt, policyOf, type ReaderParams, readerHeaders } from "./reader-route";

/** GET …/t/<item>: the reading copy of an item of that page, where readers are given it. */
export async function getCopy(
  _: Request,
  { params }: { params: Promise<ReaderParams & { item: string }> },
): Promise<Response> {
  const { item: id, ...asked } = await params;
  const found = await publishedBehind(askedAt(asked), now());
  const item = found?.collection.sections.flatMap((section) => section.items).find((one) => one.id === id);
  const text = item?.copy ? await found?.copyOf(id) : null;
  if (!found || !item || !text) return new Response(null, { status: 404 });
  const { title } = found.collection;
  const from = { title, address: `${found.places.self}#i-${id}`, fonts: "/fonts" };
  return new Response(copyDocument(item, text.html, from, text.at), {
    headers: {
      ...readerHeaders({ noindex: true, framedBy: "" }),
      "content-security-policy": policyOf([COMFORT_SCRIPT], ""),
    },
  });
}
