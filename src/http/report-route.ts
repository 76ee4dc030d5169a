import { reportDocument, reportedDocument, type Typed, type Wrong } from "@/core/care/report-document";
import { REASONS } from "@/core/care/reasons";
import { STRANGER } from "@/mechanism/actor";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { publishedBehind } from "@/services/reader/behind";
import { sendReport } from "@/services/reports/send";
import { answering } from "./answer";
import { formOf, page } from "./newsletter-route";

type Of = { params: Promise<{ code: string }> };
const NOTHING: Typed = { reason: "", words: "", address: "" };

const titleOf = async (code: string): Promise<string | null> =>
  (await publishedBehind({ code }, now()))?.collection.title ?? null;

/** GET /c/<code>/report: where something public is reported to the stewards. */
export const getReport = (_: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { code } = await params;
    const title = await titleOf(code);
    return title === null
      ? new Response(null, { status: 404 })
      : page(reportDocument(title, `/c/${code}`, NOTHING, {}));
  });

/** POST /c/<code>/report: reports it. No cookie is read, so it does not matter which site the form stood on. */
export const postReport = (request: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { code } = await params;
    const title = await titleOf(code);
    if (title === null) return new Response(null, { status: 404 });
    const form = await formOf(request);
    const field = (name: keyof Typed, most: number) => (form.get(name) ?? "").trim().slice(0, most);
    const typed = {
      reason: field("reason", 20),
      words: field("words", 2_000),
      address: field("address", 254),
    };
    const again = (wrong: Wrong, status: number) =>
      page(reportDocument(title, `/c/${code}`, typed, wrong), status);
    if (!(REASONS as readonly string[]).includes(typed.reason))
      return again({ reason: "Choose what it is." }, 422);
    try {
      await sendReport.call(STRANGER, { code, ...typed });
      return page(reportedDocument(title, `/c/${code}`));
    } catch (error) {
      if (!(error instanceof Problem) || error.kind === "not-found") throw error;
      const wrong = error.errors.map((one): Wrong => ({ [one.field]: one.detail }));
      return again(wrong.length ? Object.assign({}, ...wrong) : { words: error.detail }, error.status);
    }
  });
