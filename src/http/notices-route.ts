import { leaveLettersDocument, lettersEndedDocument } from "@/core/talk/leave-document";
import { Problem } from "@/mechanism/problem";
import { STRANGER } from "@/mechanism/actor";
import { leaveLetters } from "@/services/notices/leave";
import { readWhose } from "@/services/notices/whose";
import { answering } from "./answer";
import { formOf, page } from "./newsletter-route";

type Of = { params: Promise<{ token: string }> };

/** GET /notices/<token>: the address in every letter. It only asks: what fetches addresses to look at them ends nothing. */
export const getLeave = (_: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { token } = await params;
    try {
      const { address } = await readWhose.call(STRANGER, { token });
      return page(leaveLettersDocument(address, `/notices/${token}`));
    } catch (error) {
      if (error instanceof Problem && error.kind === "not-found") return page(lettersEndedDocument(), 404);
      throw error;
    }
  });

/** POST /notices/<token>: ends the letters; a press of a mail program sends `List-Unsubscribe=One-Click` (RFC 8058). */
export const postLeave = (request: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { token } = await params;
    const form = await formOf(request);
    if (form.get("do") !== "leave" && form.get("List-Unsubscribe") !== "One-Click")
      return new Response(null, { status: 422 });
    await leaveLetters.call(STRANGER, { token });
    return page(lettersEndedDocument());
  });
