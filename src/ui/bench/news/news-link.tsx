import { useContext } from "react";
import { Link } from "../../parts/link";
import { NewsContext } from "./news-context";

/** How much is other in a collection since one was here, and the way to what happened; nothing where nothing is. */
export function NewsLink({ collection }: { collection: string }) {
  const { items, gone, since } = useContext(NewsContext);
  if (!items.size && !gone) return null;
  const fresh = [...items.values()].filter((one) => one === "new").length;
  const others = items.size - fresh;
  const words = [fresh && `${fresh} new`, others && `${others} changed`, gone && `${gone} gone`];
  return (
    <Link
      // By then this visit may be old already.
      href={`/bench/${collection}/history?since=${since}`}
      className="rounded font-semibold text-accent underline decoration-dotted underline-offset-2"
    >
      {words.filter(Boolean).join(", ")}
      <span className="max-sm:sr-only"> since you were here</span>
    </Link>
  );
}
