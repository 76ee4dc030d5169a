import { PLAN_SCRIPT, planDocument } from "@/core/lesson/plan-document";
import { actorOf } from "@/services/accounts/actor-of-request";
import { noteTaken } from "@/services/export/note-taken";
import { readLesson } from "@/services/lessons/read";
import { answering } from "./answer";
import { policyOf } from "./reader-route";

/** GET /api/plan/<collection>?at=08:15: the plan of a lesson on paper, for its own people. */
export const getPlan = (
  request: Request,
  { params }: { params: Promise<{ collection: string }> },
): Promise<Response> =>
  answering(async () => {
    const actor = await actorOf(request.headers);
    const { collection } = await params;
    const plan = await readLesson.call(actor, { collection });
    await noteTaken(actor, { collection }, "plan on paper");
    const at = new URL(request.url).searchParams.get("at") ?? "";
    return new Response(planDocument(plan, /^\d{1,2}:\d{2}$/.test(at) ? at : ""), {
      headers: {
        "content-type": "text/html; charset=utf-8",
        "cache-control": "no-store",
        "content-security-policy": policyOf([PLAN_SCRIPT], "", "'self'"),
        "x-content-type-options": "nosniff",
      },
    });
  });
