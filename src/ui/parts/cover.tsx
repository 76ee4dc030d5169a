import { clothSvg, weave, type Yarn } from "@/core/cover/weave";

/** The woven cover of a collection, or a piece of cloth of one item. */
export function Cover({
  threads,
  tags,
  width,
  height,
  className,
  grown,
}: {
  threads: readonly Yarn[];
  tags: readonly string[];
  /** As wide and high as it is shown, or nearly: threads are of one fineness. */
  width: number;
  height: number;
  className?: string;
  /** What it is woven from by now: when that grows, one sees it come. */
  grown?: number;
}) {
  return (
    <div
      key={grown}
      className={`overflow-hidden ${grown ? "weaves" : ""} rounded-md [&>svg]:block [&>svg]:size-full ${className ?? ""}`}
      dangerouslySetInnerHTML={{ __html: clothSvg(weave(threads, tags, width, height)) }}
    />
  );
}
