import { writeFileSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { bibliography } from "@/core/cite/bibliography";
import { asPrinted } from "@/core/formats/printed/model";
import writeDocx from "@/outside/threads/write-docx-thread";
import writeEpub from "@/outside/threads/write-epub-thread";
import { readFileSync } from "node:fs";
import { germanTemplate } from "./german-template";
import { sanitise } from "@/core/text/sanitise";
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
for (const [name, template] of [
  ["course", undefined],
  ["in-template", germanTemplate()],
] as const) {
  const made = await writeDocx({ printed, paper: "a4", pictures, ...(template && { template }) });
  if ("refused" in made) throw new Error(made.refused);
  writeFileSync(path.join(folder, `${name}.docx`), made.bytes);
}
// A copy as pages are: nested wrongly, with what books do not allow.
const html = sanitise(
  '<div>Words <p>in <span><div>a block</div></span></p><h4>A heading</h4><ul>x<li>one<p>two</ul><a href="#here">here</a><table><caption>c</caption><tr><td>1<td>2</table><dl><dt>t<dd>d</dl><a href="https://bog.example/a b">there</a><ruby>漢<rt>kan</rt></ruby></div>',
);
const [first, second] = items;
const copies = [
  { item: first!.id, title: first!.title, address: first!.address, language: "en", html, day: "2026-05-02" },
  { item: second!.id, title: "Another", address: "", language: null, html: "", day: "2026-05-02" },
];
writeFileSync(path.join(folder, "course.epub"), writeEpub({ printed, pictures, copies }));
