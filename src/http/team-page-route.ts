import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { shelvesDocument, teamDocument } from "@/core/publish/team-document";
import { Problem } from "@/mechanism/problem";
import { lookAtShelves } from "@/services/shelves/open";
import { readOfTeam } from "@/services/shelves/of-team";
import { policyOf, readerHeaders } from "./reader-route";

const NOBODY = { person: null, share: null };

/** An answer that is a document; what is not there, or not for everybody, is not found. */
async function answer(noindex: boolean, make: () => Promise<string>): Promise<Response> {
  try {
    return new Response(await make(), {
      headers: {
        ...readerHeaders({ noindex, framedBy: "" }),
        "content-security-policy": policyOf([COMFORT_SCRIPT], "", "'self'"),
      },
    });
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    // Of what is not there, or is no id at all, no more is told than that.
    return new Response(null, { status: error.kind === "too-many" ? 429 : 404 });
  }
}

/** GET /public?q=…: what all teams have made public, where the installation shows it to everybody. */
export function getShelves(request: Request): Promise<Response> {
  const query = new URL(request.url).searchParams.get("q")?.slice(0, 500) ?? "";
  return answer(query !== "", async () =>
    shelvesDocument({ query, ...(await lookAtShelves.call(NOBODY, { query })) }, "/fonts"),
  );
}

/** GET /public/<team>: what a team has made public, if it wishes such a page. */
export async function getTeamPage(
  _: Request,
  { params }: { params: Promise<{ team: string }> },
): Promise<Response> {
  const { team } = await params;
  return answer(false, async () =>
    teamDocument(await readOfTeam.call(NOBODY, { of: team }), `/public/${team}`, "/fonts"),
  );
}
