import { createHash } from "node:crypto";
import { GO_SCRIPT, goDocument, sayWrong } from "@/core/publish/go-document";
import { readShortCode } from "@/core/share/short-code";
import { Problem } from "@/mechanism/problem";
import { openCode } from "@/services/codes/open";
import { answering } from "./answer";

const script = createHash("sha256").update(GO_SCRIPT).digest("base64");
const POLICY = [
  "default-src 'none'",
  `script-src 'sha256-${script}'`,
  "style-src 'unsafe-inline'",
  "font-src 'self'",
  "base-uri 'none'",
  "form-action 'self'",
].join("; ");

/** Where what a code opens has its page. */
const PLACES = { collection: "c", card: "h", suggestions: "s", invitation: "join" };

/** GET /go, /go?code=…, /go/<code>: where a short code is typed, and on to what it opens. No cookie is read or set. */
export const getGo = (
  request: Request,
  { params }: { params: Promise<{ code?: string } | undefined> },
): Promise<Response> =>
  answering(async () => {
    const given = (await params)?.code ?? new URL(request.url).searchParams.get("code");
    if (given === null) return page("", "", 200);
    const typed = readShortCode(given);
    if (!("code" in typed)) return page(given, sayWrong(typed), 422);
    try {
      const { code, opens } = await openCode.call({ person: null, share: null }, { code: typed.code });
      return new Response(null, {
        status: 303,
        headers: { location: `/${PLACES[opens]}/${code}`, "cache-control": "no-store" },
      });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      if (error.kind === "too-many") return page(given, sayWrong({ wrong: "many" }), 429);
      return page(given, sayWrong({ wrong: "nothing" }), 404);
    }
  });

const page = (typed: string, wrong: string, status: number) =>
  new Response(goDocument(typed.slice(0, 60), wrong, "/fonts"), {
    status,
    headers: {
      "content-type": "text/html; charset=utf-8",
      "content-security-policy": POLICY,
      "cache-control": "no-store",
      "x-content-type-options": "nosniff",
      "x-robots-tag": "noindex",
      "referrer-policy": "no-referrer",
    },
  });
