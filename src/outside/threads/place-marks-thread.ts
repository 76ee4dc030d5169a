import { MarkedText, type Place } from "@/core/marks/place";
import { textOfCopy } from "@/core/marks/text-of-copy";

export type PlaceTask = {
  html: string;
  marks: readonly { quote: string; prefix: string; suffix: string; start: number | null }[];
};

/** Where passages stand in a reading copy; null for those whose place is lost. */
export default function work({ html, marks }: PlaceTask): (Place | null)[] {
  const text = new MarkedText(textOfCopy(html));
  return marks.map(({ quote, prefix, suffix, start }) =>
    text.place({ exact: quote, prefix, suffix }, start ?? undefined),
  );
}
