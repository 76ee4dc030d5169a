"use client";

import type { SheetPart, SheetSection } from "@/core/handouts/sheet-view";
import { AddFind } from "./add-find";
import { SheetFind } from "./sheet-find";
import { SheetItem } from "./sheet-item";
import type { Sheet } from "./use-sheet";

type Props = {
  parts: readonly SheetPart[];
  /** How something is done in it; without it, it is only read. */
  sheet?: Sheet;
  writes?: boolean;
  /** Where the files of its items are, for who holds the card. */
  files?: string;
};

/** The collections of a handout with what was done at each item; the first is the one that was handed out. */
export function SheetParts({ parts, sheet, writes = true, files }: Props) {
  return parts.map((part, i) => (
    <div key={part.id} className="flex flex-col gap-4">
      {i > 0 && <h2 className="mt-4 font-serif text-2xl font-semibold break-words">{part.title}</h2>}
      {part.description && <p className="text-quiet">{part.description}</p>}
      {part.sections.map((section) => (
        <Section
          key={section.id ?? "none"}
          section={section}
          // What stands before the first section that has a name, if anything does.
          isBefore={section.id === null && !section.items.length && part.sections.length > 1}
          level={i > 0 ? "h3" : "h2"}
          sheet={sheet}
          writes={writes}
          files={files}
        />
      ))}
    </div>
  ));
}

function Section({
  section,
  isBefore,
  level: Heading,
  sheet,
  writes,
  files,
}: {
  section: SheetSection;
  isBefore: boolean;
  level: "h2" | "h3";
  sheet?: Sheet;
  writes: boolean;
  files?: string;
}) {
  if (isBefore && !section.finds.length) return null;
  return (
    <section className="flex flex-col">
      {section.id !== null && (
        <Heading className="mt-2 border-b border-line pb-1 font-serif text-xl font-semibold break-words">
          {section.title}
        </Heading>
      )}
      {section.intro && (
        <div className="rich my-2 text-quiet" dangerouslySetInnerHTML={{ __html: section.intro }} />
      )}
      <ul>
        {section.items.map((item) => (
          <SheetItem key={item.id} item={item} sheet={sheet} writes={writes} files={files} />
        ))}
        {section.finds.map((find) => (
          <SheetFind key={find.id} find={find} sheet={writes ? sheet : undefined} />
        ))}
      </ul>
      {sheet && writes && !isBefore && <AddFind section={section} onFind={sheet.find} />}
    </section>
  );
}
