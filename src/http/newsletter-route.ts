import { askedDocument, doneDocument, joinDocument, onListDocument } from "@/core/newsletter/list-document";
import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { Problem } from "@/mechanism/problem";
import { STRANGER } from "@/mechanism/actor";
import { askForNewsletter } from "@/services/newsletters/ask";
import { confirmOnList } from "@/services/newsletters/confirm";
import { leaveList } from "@/services/newsletters/leave";
import { readOnList } from "@/services/newsletters/on-list";
import { readerPage } from "@/services/reader/reader-page";
import { publishedBehind } from "@/services/reader/behind";
import { now } from "@/outside/clock";
import { answering } from "./answer";
import { policyOf, readerHeaders } from "./reader-route";

/** A small page that is kept nowhere. */
export const page = (text: string, status = 200) =>
  new Response(text, {
    status,
    headers: {
      ...readerHeaders({ noindex: true, framedBy: "" }),
      "cache-control": "no-store",
      "content-security-policy": policyOf([COMFORT_SCRIPT], "", "'self'"),
    },
  });

/** What a form of ours sends, and no more than that. */
export async function formOf(request: Request): Promise<URLSearchParams> {
  const type = request.headers.get("content-type") ?? "";
  if (/^multipart\/form-data/i.test(type)) {
    // RFC 8058, 3.2 allows it for the press of a mail program.
    const form = await request.formData();
    return new URLSearchParams(
      [...form].flatMap(([key, value]) => (typeof value === "string" ? [[key, value]] : [])),
    );
  }
  return new URLSearchParams(await request.text());
}

type Of = { params: Promise<{ code: string }> };
const titleOf = async (code: string): Promise<string | null> => {
  if (!(await readerPage({ code }))) return null;
  const found = await publishedBehind({ code }, now());
  return found?.collection.use === "newsletter" ? found.collection.title : null;
};

/** GET /c/<code>/join: where somebody asks for a newsletter by mail. */
export const getJoin = (_: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { code } = await params;
    const title = await titleOf(code);
    return title === null
      ? new Response(null, { status: 404 })
      : page(joinDocument(title, `/c/${code}`, "", ""));
  });

/** POST /c/<code>/join: asks for it. No cookie is read, so it does not matter which site the form stood on. */
export const postJoin = (request: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { code } = await params;
    const title = await titleOf(code);
    if (title === null) return new Response(null, { status: 404 });
    const typed = (await formOf(request)).get("address") ?? "";
    try {
      const { address } = await askForNewsletter.call(STRANGER, { code, address: typed });
      return page(askedDocument(title, `/c/${code}`, address));
    } catch (error) {
      if (!(error instanceof Problem) || error.kind === "not-found") throw error;
      const wrong = error.errors.find((one) => one.field === "address")?.detail ?? error.detail;
      return page(joinDocument(title, `/c/${code}`, typed.slice(0, 254), wrong), error.status);
    }
  });

type OfList = { params: Promise<{ token: string }> };

/** GET /list/<token>: the address in every letter. It only asks: what fetches addresses to look at them confirms nothing. */
export const getList = (_: Request, { params }: OfList): Promise<Response> =>
  answering(async () => {
    const { token } = await params;
    try {
      return page(onListDocument(await readOnList.call(STRANGER, { token }), `/list/${token}`));
    } catch (error) {
      if (error instanceof Problem && error.kind === "not-found") return page(doneDocument("left", ""), 404);
      throw error;
    }
  });

/** POST /list/<token>: confirms, or leaves; a press of a mail program sends `List-Unsubscribe=One-Click` (RFC 8058). */
export const postList = (request: Request, { params }: OfList): Promise<Response> =>
  answering(async () => {
    const { token } = await params;
    const form = await formOf(request);
    if (form.get("do") === "confirm") {
      const { title } = await confirmOnList.call(STRANGER, { token });
      return page(doneDocument("confirmed", title));
    }
    if (form.get("do") !== "leave" && form.get("List-Unsubscribe") !== "One-Click")
      return new Response(null, { status: 422 });
    await leaveList.call(STRANGER, { token });
    return page(doneDocument("left", ""));
  });
