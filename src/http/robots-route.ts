import { sitemap } from "@/core/publish/sitemap";
import { publicPages } from "@/data/queries/sharing";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { addressOfHobbin } from "@/services/accounts/address";

/** GET /robots.txt (RFC 9309): what is for everybody, and that the rest is not for search engines. */
export const getRobots = (): Response =>
  new Response(
    `User-agent: *\nAllow: /c/\nAllow: /public\nAllow: /fonts/\nDisallow: /\n\nSitemap: ${addressOfHobbin()}/sitemap.xml\n`,
    { headers: { "content-type": "text/plain; charset=utf-8", "cache-control": "public, max-age=3600" } },
  );

/** GET /sitemap.xml: the pages that are public. */
export async function getSitemap(): Promise<Response> {
  const at = addressOfHobbin();
  const pages = (await publicPages(database(), now())).map(({ code, updatedAt }) => ({
    address: `${at}/c/${code}`,
    changed: updatedAt,
  }));
  return new Response(sitemap(pages), {
    headers: { "content-type": "application/xml; charset=utf-8", "cache-control": "public, max-age=300" },
  });
}
