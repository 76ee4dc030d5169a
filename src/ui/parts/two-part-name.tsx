import { cutInMiddle } from "@/core/list/course";

/** A name that, where there is no room for it, is cut in the middle: names of one course often differ at their end. */
export function TwoPartName({ name }: { name: string }) {
  const [head, tail] = cutInMiddle(name);
  return (
    <span className="flex min-w-0">
      <span className="min-w-[4ch] shrink-[9999] truncate whitespace-pre">{head}</span>
      {tail && <span className="min-w-0 truncate whitespace-pre">{tail}</span>}
    </span>
  );
}
