"use client";

import { usePathname, useSearchParams } from "next/navigation";
import { USES, type Use } from "@/core/publish/model";

/** What is asked of a shelf. */
export type Wish = { use?: Use; language?: string; minutes?: number; level?: number; tag?: string };

export type Order = "newest" | "often";

/**
 * What is asked of the shelves. It stands in the address: it can be gone back to and handed on, and what leads to it does so
 * before the page is alive.
 */
export function useWish() {
  const params = useSearchParams();
  const path = usePathname();
  const text = (name: string) => params.get(name) ?? undefined;
  const wish: Wish = {
    use: USES.find((use) => use === params.get("use")) satisfies Use | undefined,
    language: text("language"),
    minutes: Number(params.get("minutes")) || undefined,
    level: Number(params.get("level")) || undefined,
    tag: text("tag"),
  };
  const order: Order = params.get("by") === "often" ? "often" : "newest";
  const hrefOf = (more: Wish & { by?: Order }) => {
    const all = { by: order, ...wish, ...more };
    const said = Object.entries(all).filter(([, value]) => value !== undefined && value !== "newest");
    const query = new URLSearchParams(said.map(([name, value]): [string, string] => [name, String(value)]));
    return query.size ? `${path}?${query}` : path;
  };
  const go = (more: Wish & { by?: Order }) => window.history.pushState(null, "", hrefOf(more));
  return { wish, order, hrefOf, go };
}

export type Wishing = ReturnType<typeof useWish>;

/** For a link that leads to a wish without the page being loaded anew; pressed to open elsewhere, it does that. */
export const wishLink = ({ hrefOf, go }: Wishing, more: Parameters<Wishing["go"]>[0]) => ({
  href: hrefOf(more),
  onClick: (event: React.MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey || event.button) return;
    event.preventDefault();
    go(more);
  },
});
