import { writeFileSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { bibliography } from "@/core/cite/bibliography";
import { asPrinted } from "@/core/formats/printed/model";
import writeDocx from "@/outside/threads/write-docx-thread";
import writeEpub from "@/outside/threads/write-epub-thread";
import { readFileSync } from "node:fs";
import { COURSE, PICTURE } from "./course";

/** Writes the course into a folder in every format that is shown to programs of others. */
const [folder = "."] = process.argv.slice(2);
const jpeg = await sharp({ create: { width: 320, height: 200, channels: 3, background: "#557755" } })
  .jpeg()
  .toBuffer();
const items = [COURSE, ...COURSE.inside].flatMap((one) =>
  one.collection.sections.flatMap((section) => section.items),
);
const references = bibliography(
  items.map((one) => ({ ...one, itemType: "webpage" as const, details: {} })),
  {
    style: readFileSync("assets/csl/styles/apa.csl", "utf8"),
    locale: "en-US",
    localeXml: () => readFileSync("assets/csl/locales/locales-en-US.xml", "utf8"),
  },
);
const printed = asPrinted(COURSE, references);
const pictures = { [PICTURE]: jpeg };
writeFileSync(path.join(folder, "course.docx"), await writeDocx({ printed, paper: "a4", pictures }));
writeFileSync(path.join(folder, "course.epub"), writeEpub({ printed, pictures }));
