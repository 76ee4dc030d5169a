import { html } from "../publish/html";

/** An item as it leaves by the clipboard. */
export type Clipped = { heading: string; context: string; resource: { title: string; address: string } };
/** Which items were copied or cut, so that they can be placed elsewhere as what they are. */
export type Clip = { team: string; placements: string[]; cut: boolean };

/**
 * Rich text: a list of links with their context lines; and, unseen, which items they are.
 * @param items in the order in which they stand
 * @param clip which items they are, for a Bench that takes them as such
 */
export function clipHtml(items: readonly Clipped[], clip: Clip): string {
  const list = items.map(({ heading, context, resource }) => {
    const title = heading || resource.title;
    return html`<li>${resource.address ? html`<a href="${resource.address}">${title}</a>` : title}${context ? html`<br>${context}` : null}</li>`;
  });
  return html`<ul data-hobbin="${encodeURIComponent(JSON.stringify(clip))}">${list}</ul>`.text;
}

/**
 * Plain text: title and address, a line each; what has no address is its title.
 * @param items in the order in which they stand
 */
export function clipText(items: readonly Clipped[]): string {
  return items
    .map(({ heading, resource }) => [heading || resource.title, resource.address].filter(Boolean).join("\n"))
    .join("\n\n");
}

/**
 * Only the addresses, one a line.
 * @param items in the order in which they stand
 */
export function linksText(items: readonly Clipped[]): string {
  return items.flatMap(({ resource }) => resource.address || []).join("\n");
}

/**
 * What `clipHtml` hid in rich text, or null when it comes from elsewhere. Nothing of it is trusted but its shape.
 * @param text the rich text of a clipboard, from anywhere
 */
export function readClip(text: string): Clip | null {
  const found = /data-hobbin="([^"]+)"/.exec(text)?.[1];
  if (!found) return null;
  try {
    const clip = JSON.parse(decodeURIComponent(found.replaceAll("&amp;", "&"))) as Partial<Clip> | null;
    return typeof clip?.team === "string" &&
      Array.isArray(clip.placements) &&
      clip.placements.every((id) => typeof id === "string")
      ? { team: clip.team, placements: clip.placements, cut: clip.cut === true }
      : null;
  } catch {
    return null;
  }
}
