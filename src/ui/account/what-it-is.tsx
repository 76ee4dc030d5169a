import { SAMPLE } from "@/core/sample/sample";
import { sayMinutes } from "@/core/text/minutes";
import { Cover } from "../parts/cover";
import { KindWord } from "../parts/kind";

/** What comes in on the left of the picture, as it comes. */
const LOOSE = [
  { kind: "page", words: "lantern-moss.example/bog" },
  { kind: "video", words: "Ninety days, one jar" },
  { kind: "document", words: "what-to-bring.pdf" },
  { kind: "sound", words: "curlew, post 7" },
  { kind: "page", words: "lantern-moss.example/paths" },
] as const;

/** What Hobbin is, in two sentences and a picture: loose things on one side, what is made of them on the other. */
export function WhatItIs() {
  const [section] = SAMPLE.sections;
  const threads = SAMPLE.sections.flatMap(({ items }) =>
    items.map(({ kind, minutes }) => ({ kind, minutes })),
  );
  return (
    <section aria-label="What Hobbin is" className="flex flex-col gap-8">
      <p className="max-w-prose font-serif text-xl leading-relaxed text-balance">
        Hobbin is where teachers and research teams gather links, videos and documents, say why each is worth
        it, and put them into an order that makes a point. What they make goes out as a page anybody can open,
        as a sheet of paper, or as a file.
      </p>
      <div
        aria-hidden
        className="grid grid-cols-[minmax(0,2fr)_14px_minmax(0,3fr)] overflow-hidden rounded-md border border-line text-sm max-sm:hidden"
      >
        <ul className="bg-sunk py-2">
          {LOOSE.map(({ kind, words }) => (
            <li key={words} className="border-b border-line px-4 py-2.5 last:border-0">
              <KindWord kind={kind} />
              <span className="block truncate text-quiet">{words}</span>
            </li>
          ))}
        </ul>
        <div className="seam bg-sheet" />
        <div className="bg-sheet p-5">
          <Cover threads={threads} tags={["moss", "walks"]} width={300} height={40} className="h-10" />
          <p className="mt-3 font-serif text-lg font-semibold">A walk on the moss</p>
          <ol>
            {section!.items.map((item, i) => (
              <li
                key={item.title}
                className="grid grid-cols-[1.25rem_minmax(0,1fr)] border-b border-line py-2"
              >
                <span className="font-serif text-quiet">{i + 1}</span>
                <span>
                  <span className="block font-serif text-base leading-snug">
                    {item.context || item.title}
                  </span>
                  <span className="text-quiet">
                    {item.context && `${item.title} · `}
                    {sayMinutes(item.minutes)}
                  </span>
                </span>
              </li>
            ))}
          </ol>
        </div>
      </div>
    </section>
  );
}
