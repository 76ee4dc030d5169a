import { changesDocument, editionsDocument } from "@/core/publish/editions-document";
import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { changesBehind, editionsBehind } from "@/services/reader/editions";
import { askedAt, policyOf, readerHeaders } from "./reader-route";

const answer = (text: string) =>
  new Response(text, {
    headers: {
      ...readerHeaders({ noindex: true, framedBy: "" }),
      "content-security-policy": policyOf([COMFORT_SCRIPT], ""),
    },
  });
const nothing = () => new Response(null, { status: 404 });

/** GET /c/<code>/editions: every edition that was kept. */
export async function getEditions(
  _: Request,
  { params }: { params: Promise<{ code: string }> },
): Promise<Response> {
  const { code } = await params;
  const found = await editionsBehind(code);
  return found ? answer(editionsDocument(found, `/c/${code}`, "/fonts")) : nothing();
}

/** GET /c/<code>/e/<number>/changes: what changed since the edition before. */
export async function getChanges(
  _: Request,
  { params }: { params: Promise<{ code: string; edition: string }> },
): Promise<Response> {
  const { code, ...at } = await params;
  const number = askedAt({ code, ...at }).edition!;
  const found = await changesBehind(code, number);
  return found ? answer(changesDocument({ ...found, number }, `/c/${code}`, "/fonts")) : nothing();
}
