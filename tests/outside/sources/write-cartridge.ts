import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { cartridgeOf } from "@/core/formats/cartridge";
import type { EditionContent } from "@/core/editions/content";
import { COURSE } from "./course";
import type { PublishedTree } from "@/core/publish/model";

/** Writes the course, as its readers see it, as the files of a cartridge into a folder. */
const [folder = "."] = process.argv.slice(2);
const asEdition = ({ collection, inside }: PublishedTree): unknown => ({
  ...collection,
  sections: collection.sections.map((section) => ({
    ...section,
    id:
      section.id === null
        ? null
        : `0199f3a0-0000-7000-8000-${String(section.title.length).padStart(12, "0")}`,
    items: section.items.map((item, i) =>
      i === 1
        ? {
            ...item,
            file: { hash: "ab".repeat(32), name: "Ein Plan & mehr.pdf", type: "application/pdf", bytes: 3 },
          }
        : item,
    ),
  })),
  inside: inside.map(asEdition),
});
const cartridge = cartridgeOf({ form: 1, collection: asEdition(COURSE) } as EditionContent);
const put = (name: string, content: string) => {
  const file = path.join(folder, name);
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, content);
};
for (const { path: name, text } of cartridge.pages) put(name, text);
for (const { path: name } of cartridge.files) put(name, "pdf");
