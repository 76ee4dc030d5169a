import { CARDS_SCRIPT, cardsDocument } from "@/core/groups/cards-document";
import { qrSvg } from "@/core/share/qr";
import { actorOf } from "@/services/accounts/actor-of-request";
import { addressOfHobbin } from "@/services/accounts/address";
import { lookAtGroup } from "@/services/groups/look";
import { answering } from "./answer";
import { policyOf } from "./reader-route";

/** GET /api/cards/<group>: the name cards of a group, to be printed and cut. */
export const getCards = (
  request: Request,
  { params }: { params: Promise<{ group: string }> },
): Promise<Response> =>
  answering(async () => {
    const { group, learners } = await lookAtGroup.call(await actorOf(request.headers), await params);
    const home = addressOfHobbin();
    const cards = learners.map(({ name, code, card }) => ({
      ...{ name, code, qr: qrSvg(`${home}/h/${card}`, "paper") },
    }));
    return new Response(cardsDocument(group.title, home.replace(/^https?:\/\//, ""), cards), {
      headers: {
        "content-type": "text/html; charset=utf-8",
        "cache-control": "no-store",
        "content-security-policy": policyOf([CARDS_SCRIPT], "", "'self'"),
        "x-content-type-options": "nosniff",
        "referrer-policy": "no-referrer",
      },
    });
  });
