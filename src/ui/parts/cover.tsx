import { clothSvg, type Thread, weave } from "@/core/cover/weave";

/** The woven cover of a collection. */
export function Cover({
  threads,
  tags,
  width,
  height,
  className,
}: {
  threads: Thread[];
  tags: string[];
  width: number;
  height: number;
  className?: string;
}) {
  return (
    <div
      className={`overflow-hidden rounded-md bg-sunk [&>svg]:block [&>svg]:size-full ${className ?? ""}`}
      dangerouslySetInnerHTML={{ __html: clothSvg(weave(threads, tags, width, height)) }}
    />
  );
}
