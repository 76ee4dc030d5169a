import { clothSvg, weave, type Yarn } from "@/core/cover/weave";

/** The woven cover of a collection, or a piece of cloth of one item. */
export function Cover({
  threads,
  tags,
  width,
  height,
  className,
}: {
  threads: readonly Yarn[];
  tags: readonly string[];
  /** As wide and high as it is shown, or nearly: threads are of one fineness. */
  width: number;
  height: number;
  className?: string;
}) {
  return (
    <div
      className={`overflow-hidden rounded-md [&>svg]:block [&>svg]:size-full ${className ?? ""}`}
      dangerouslySetInnerHTML={{ __html: clothSvg(weave(threads, tags, width, height)) }}
    />
  );
}
