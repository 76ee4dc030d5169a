import { sayFragment } from "@/core/marks/fragments";
import type { Answer } from "@/services/registry";
import { Link } from "../parts/link";
import { MeaningWord } from "../read/marks/meaning-word";
import type { Meaning } from "../read/marks/use-marks";

/** So much of a long passage is shown; all of it stands in its text. */
const LONGEST = 600;

/** A mark among those of a collection: its words lead to its place. */
export function MarkLine({
  mark,
  meaning,
  about,
  chosen,
  onChoose,
}: {
  mark: Answer<"marks.of-collection">["marks"][number];
  meaning: Meaning | undefined;
  /** Whose it is, and on what, where the heading does not say so. */
  about: readonly (string | false)[];
  chosen: boolean;
  onChoose: () => void;
}) {
  const { quote, note } = mark;
  const part = sayFragment(mark.fragment);
  const said = [
    ...about,
    mark.private && "for you alone",
    quote !== "" && mark.sure === 0 && !part && "place lost",
  ].filter(Boolean);
  return (
    <li className="flex gap-3 border-b border-line py-3 [contain-intrinsic-size:auto_80px] [content-visibility:auto]">
      <input
        type="checkbox"
        aria-label={`Choose: ${(quote || note || part).slice(0, 80)}`}
        className="mt-1.5 size-4 shrink-0 accent-[var(--accent)]"
        checked={chosen}
        onChange={onChoose}
      />
      <div className="min-w-0 flex-1">
        <Link
          href={`/read/${mark.source.id}#mark-${mark.id}`}
          className={`break-words hover:underline ${quote ? "font-serif text-[17px] leading-relaxed" : "text-quiet"}`}
        >
          {quote.length > LONGEST
            ? `${quote.slice(0, LONGEST).trimEnd()} …`
            : quote || part || "On the whole"}
        </Link>
        {note && <p className="mt-1 break-words whitespace-pre-line">{note}</p>}
        <p className="mt-1 flex flex-wrap items-center gap-x-2 text-sm text-quiet">
          {meaning && <MeaningWord meaning={meaning} />}
          {said.join(" · ")}
        </p>
      </div>
    </li>
  );
}
