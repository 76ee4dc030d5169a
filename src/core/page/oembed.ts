import { Parser } from "htmlparser2";
import { resolveReference } from "../address/read-address";
import type { PageFacts } from "./facts";

/**
 * Adds what an oEmbed answer (https://oembed.com, §2.3.4) says to what the page said. It fills gaps; of the page's
 * own words it replaces none. The player is taken from the frame in its `html`, never the markup itself.
 * @param facts what the page said of itself
 * @param answer the JSON of the provider, from outside
 * @param address of the page
 */
export function withOembed(facts: PageFacts, answer: unknown, address: string): PageFacts {
  if (!answer || typeof answer !== "object") return facts;
  const said = answer as Record<string, unknown>;
  const text = (key: string) =>
    typeof said[key] === "string" ? (said[key] as string).trim().slice(0, 500) || null : null;
  const frame = frameAddress(longText(said.html));
  const frameSrc = resolveReference(frame, address);
  const thumbnail = resolveReference(
    text("thumbnail_url") ?? (said.type === "photo" ? text("url") : null),
    address,
  );
  return {
    ...facts,
    kind:
      facts.kind === "page" && said.type === "video"
        ? "video"
        : facts.kind === "page" && said.type === "photo"
          ? "picture"
          : facts.kind,
    title: facts.title ?? text("title"),
    siteName: facts.siteName ?? text("provider_name"),
    authors: facts.authors.length
      ? facts.authors
      : [text("author_name")].filter((name): name is string => !!name),
    pictures:
      thumbnail && !facts.pictures.includes(thumbnail) ? [...facts.pictures, thumbnail] : facts.pictures,
    seconds:
      facts.seconds ??
      (typeof said.duration === "number" && said.duration > 0 ? Math.round(said.duration) : null),
    player: facts.player ?? (frameSrc ? { type: "frame", address: frameSrc, mime: "text/html" } : null),
  };
}

const longText = (value: unknown): string => (typeof value === "string" ? value.slice(0, 20_000) : "");

function frameAddress(html: string): string | undefined {
  let src: string | undefined;
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === "iframe" && !src) src = attributes.src;
    },
  });
  parser.end(html);
  return src;
}
