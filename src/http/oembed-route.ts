import { embedOf, embedXml } from "@/core/publish/oembed-out";
import { now } from "@/outside/clock";
import { addressOfHobbin } from "@/services/accounts/address";
import { publishedBehind } from "@/services/reader/behind";
import { answering } from "./answer";

/** GET /api/oembed?url=…&format=json|xml&maxwidth=…&maxheight=…: how a page for readers is set into another site. */
export const getOembed = (request: Request): Promise<Response> =>
  answering(async () => {
    const asked = new URL(request.url).searchParams;
    const home = addressOfHobbin();
    const format = asked.get("format") ?? "json";
    if (format !== "json" && format !== "xml") return new Response(null, { status: 501 });
    const given = asked.get("url") ?? "";
    const [, code, part] =
      (given.startsWith(`${home}/c/`) &&
        /^\/c\/([\w-]+)(?:\/in\/([\da-f-]{36}))?\/?(?:[?#]|$)/.exec(given.slice(home.length))) ||
      [];
    const found = code ? await publishedBehind({ code, part }, now()) : null;
    if (!found) return new Response(null, { status: 404 });
    const { title, teamName } = found.collection;
    const address = home + found.places.self;
    const embed = embedOf(
      { title, author: teamName, address, home },
      { width: Number(asked.get("maxwidth") ?? NaN), height: Number(asked.get("maxheight") ?? NaN) },
    );
    const headers = { "cache-control": "public, max-age=300", "access-control-allow-origin": "*" };
    return format === "json"
      ? Response.json(embed, { headers })
      : new Response(embedXml(embed), { headers: { ...headers, "content-type": "text/xml; charset=utf-8" } });
  });
