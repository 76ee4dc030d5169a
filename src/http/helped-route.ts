import { helpedDocument, thankedDocument } from "@/core/thanks/thanks-document";
import { STRANGER } from "@/mechanism/actor";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { publishedBehind } from "@/services/reader/behind";
import { giveThanks } from "@/services/thanks/give";
import { answering } from "./answer";
import { formOf, page } from "./newsletter-route";

type Of = { params: Promise<{ code: string }> };

async function about(code: string) {
  const collection = (await publishedBehind({ code }, now()))?.collection;
  return collection && { title: collection.title, teamName: collection.teamName, home: `/c/${code}` };
}

/** GET /c/<code>/helped: where a reader says that it helped. */
export const getHelped = (_: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const found = await about((await params).code);
    return found
      ? page(helpedDocument({ ...found, id: newId() }, { words: "", name: "" }, ""))
      : new Response(null, { status: 404 });
  });

/** POST /c/<code>/helped: says so. No cookie is read, so it does not matter which site the form stood on. */
export const postHelped = (request: Request, { params }: Of): Promise<Response> =>
  answering(async () => {
    const { code } = await params;
    const found = await about(code);
    if (!found) return new Response(null, { status: 404 });
    const form = await formOf(request);
    const field = (name: string, most: number) => (form.get(name) ?? "").trim().slice(0, most);
    const [thanks, words, name] = [field("thanks", 36), field("words", 500), field("name", 80)];
    try {
      await giveThanks.call(STRANGER, { code, thanks, words, name });
      return page(thankedDocument(found.title, found.home));
    } catch (error) {
      if (!(error instanceof Problem) || error.kind === "not-found") throw error;
      return page(helpedDocument({ ...found, id: newId() }, { words, name }, error.detail), error.status);
    }
  });
