import { offeredLinks } from "@/core/imports/offered-links";

/** What a text leads to, as it is offered: addresses and titles. */
export default function work({ html }: { html: string }): { address: string; title: string }[] {
  return offeredLinks(html).map(({ address, title }) => ({ address, title }));
}
