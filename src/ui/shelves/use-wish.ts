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
  const { by: order, ...wish } = asked(params);
  const hrefOf = (more: Partial<Asked>) => addressOf(path, { by: order, ...wish, ...more });
  // What is drawn follows the address a little later: a second choice made meanwhile adds to the first one.
  const go = (more: Partial<Asked>) => {
    const now = asked(new URLSearchParams(window.location.search));
    window.history.pushState(null, "", addressOf(path, { ...now, ...more }));
  };
  return { wish, order, hrefOf, go };
}

type Asked = Wish & { by: Order };

function asked(params: Pick<URLSearchParams, "get">): Asked {
  const text = (name: string) => params.get(name) ?? undefined;
  return {
    by: params.get("by") === "often" ? "often" : "newest",
    use: USES.find((use) => use === params.get("use")) satisfies Use | undefined,
    language: text("language"),
    minutes: Number(params.get("minutes")) || undefined,
    level: Number(params.get("level")) || undefined,
    tag: text("tag"),
  };
}

function addressOf(path: string, all: Asked) {
  const said = Object.entries(all).filter(([, value]) => value !== undefined && value !== "newest");
  const query = new URLSearchParams(said.map(([name, value]): [string, string] => [name, String(value)]));
  return query.size ? `${path}?${query}` : path;
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
