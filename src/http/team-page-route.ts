import { COMFORT_SCRIPT } from "@/core/publish/reader-script";
import { publicPageDocument, shelvesDocument } from "@/core/publish/team-document";
import { Problem } from "@/mechanism/problem";
import { openFile } from "@/outside/files";
import { lookAtShelves } from "@/services/shelves/open";
import { readOfPerson } from "@/services/shelves/of-person";
import { readOfTeam } from "@/services/shelves/of-team";
import { pictureAnswer, policyOf, readerHeaders } from "./reader-route";

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
    publicPageDocument(
      await readOfTeam.call(NOBODY, { of: team }),
      { at: `/public/${team}`, follow: `/follow/team/${team}` },
      "/fonts",
    ),
  );
}

/** GET /public/person/<person>: what a person has a hand in, if they wish such a page. */
export async function getPersonPage(
  _: Request,
  { params }: { params: Promise<{ person: string }> },
): Promise<Response> {
  const { person } = await params;
  return answer(false, async () =>
    publicPageDocument(
      await readOfPerson.call(NOBODY, { of: person }),
      { at: `/public/person/${person}`, follow: `/follow/person/${person}` },
      "/fonts",
    ),
  );
}

/** GET …/p/<hash>: the picture of such a page, and no other. */
export async function getPagePicture(
  _: Request,
  { params }: { params: Promise<{ hash: string } & ({ team: string } | { person: string })> },
): Promise<Response> {
  const { hash, ...of } = await params;
  const found = await (
    "team" in of ? readOfTeam.call(NOBODY, { of: of.team }) : readOfPerson.call(NOBODY, { of: of.person })
  ).catch(unlessProblem);
  const file = found?.picture === hash ? await openFile(hash) : null;
  return file ? pictureAnswer(file) : new Response(null, { status: 404 });
}

/** Of what is not there, or is no id at all, there is no picture. */
function unlessProblem(error: unknown): null {
  if (error instanceof Problem) return null;
  throw error;
}
