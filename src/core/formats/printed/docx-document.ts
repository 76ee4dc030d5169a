import {
  AlignmentType,
  Document,
  ExternalHyperlink,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  Paragraph,
  type ParagraphChild,
  TableOfContents,
  TextRun,
} from "docx";
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from "fflate";
import type { Block } from "../../text/blocks";
import { asChild, colour, HEADINGS, pageNumbers, PAPER, referencesOf, SERIF, stylesOf } from "./docx-look";
import type { Pictures, Printed, PrintedEntry, PrintedPart, PrintedSection } from "./model";

const PICTURE = { width: 120, height: 75 };

/**
 * A collection as a document of a word processor: by styles with names, so that whoever gets it can give it another look at
 * once; headings with their levels, numbered items, links, a list of contents, pictures with what is to be seen on them.
 */
export function docxDocument(printed: Printed, paper: keyof typeof PAPER, pictures: Pictures): Document {
  const bidirectional = printed.direction === "rtl";
  const lists: Lists = { made: 0, starts: new Set() };
  const children = [
    ...printed.parts.flatMap((part, i) => partOf(part, i, printed, pictures, lists)),
    ...creditsOf(printed.credits),
    ...referencesOf(printed.references),
  ];
  return new Document({
    title: printed.title,
    creator: printed.team,
    lastModifiedBy: printed.team,
    keywords: printed.keywords.join(", "),
    features: { updateFields: printed.parts.length > 1 },
    styles: stylesOf(printed.language, bidirectional),
    numbering: {
      config: [
        { reference: "bullets", levels: levels(LevelFormat.BULLET, () => "•") },
        ...[...lists.starts].map((start) => ({
          reference: `numbers-${start}`,
          levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`, start),
        })),
        {
          reference: "items",
          levels: [
            {
              ...{ level: 0, format: LevelFormat.DECIMAL, text: "%1", alignment: AlignmentType.START },
              style: {
                run: { font: SERIF, bold: true, color: colour("accent") },
                paragraph: { indent: { left: 500, hanging: 500 } },
              },
            },
          ],
        },
      ],
    },
    sections: [
      {
        properties: {
          page: { size: PAPER[paper], margin: { top: 1_080, bottom: 1_190, left: 1_190, right: 1_190 } },
        },
        footers: {
          default: pageNumbers(),
        },
        children,
      },
    ],
  });
}

/**
 * What stands for a picture until the document is packed: its hash. The package docx makes a sum of every picture's bytes, and
 * packs them again, which takes longer than all the rest.
 */
const standIn = (hash: string): Uint8Array => strToU8(hash);
const HASH = /^[\da-f]{64}$/;

/**
 * The packed document with its pictures.
 * @param packed as `docxDocument` makes it, packed, or put into a template
 */
export function withPictures(packed: Uint8Array, pictures: Pictures): Uint8Array {
  const files = Object.entries(unzipSync(packed)).map(([name, content]): [string, Zippable[string]] => {
    const hash = name.startsWith("word/media/") && content.length === 64 ? strFromU8(content) : "";
    const picture = HASH.test(hash) ? pictures[hash] : undefined;
    return [name, [picture ?? content, { mtime: new Date(1980, 0, 1), level: picture ? 0 : 6 }]];
  });
  return zipSync(Object.fromEntries(files));
}

/** Whose works stand here, and under which licences. */
function creditsOf(credits: Printed["credits"]): Paragraph[] {
  if (!credits.length) return [];
  return [
    new Paragraph({ heading: HeadingLevel.HEADING_2, children: [new TextRun("Credits")] }),
    ...credits.map(
      ({ words, address, licence, licenceAddress }) =>
        new Paragraph({
          style: "Reference",
          children: [
            asChild({ text: words, ...(address && { address }) }),
            new TextRun(", "),
            asChild({ text: licence, ...(licenceAddress && { address: licenceAddress }) }),
          ],
        }),
    ),
  ];
}

/** Lists inside lists, so deep. */
const DEEP = 5;
const levels = (
  format: (typeof LevelFormat)[keyof typeof LevelFormat],
  text: (level: number) => string,
  start = 1,
) =>
  Array.from({ length: DEEP }, (_, level) => ({
    ...{ level, format, text: text(level), alignment: AlignmentType.START, start: level ? 1 : start },
    style: { paragraph: { indent: { left: 400 * (level + 1), hanging: 300 } } },
  }));

/** The lists of a document: how many, since each counts anew, and what they begin with. */
type Lists = { made: number; starts: Set<number> };

function blockOf(block: Block, style: string, lists: Lists, depth = 0): Paragraph[] {
  if (block.kind === "words")
    return [
      new Paragraph({
        style,
        children: block.runs.map(asChild),
        ...(depth && { indent: { left: 400 * depth } }),
      }),
    ];
  const instance = ++lists.made;
  const level = Math.min(depth, DEEP - 1);
  const start = depth ? 1 : block.start;
  if (block.numbered) lists.starts.add(start);
  const numbering = block.numbered
    ? { reference: `numbers-${start}`, level, instance }
    : { reference: "bullets", level };
  return block.items.flatMap((item) => {
    const [first, ...rest] = item;
    const head =
      first?.kind === "words"
        ? [new Paragraph({ style, numbering, children: first.runs.map(asChild) })]
        : [new Paragraph({ style, numbering, children: [] }), ...blockOf(first!, style, lists, depth + 1)];
    return [...head, ...rest.flatMap((one) => blockOf(one, style, lists, depth + 1))];
  });
}

const plain = (style: string, text: string, more: object = {}) =>
  new Paragraph({ style, children: [new TextRun(text)], ...more });

function partOf(part: PrintedPart, instance: number, printed: Printed, pictures: Pictures, lists: Lists) {
  const level = Math.min(part.level, HEADINGS.length) - 1;
  const isFirst = instance === 0;
  return [
    new Paragraph({
      heading: HEADINGS[level],
      pageBreakBefore: !isFirst && part.level <= 2,
      children: [new TextRun(part.title)],
    }),
    ...part.about.flatMap((one) => blockOf(one, "Lead", lists)),
    plain("Source", isFirst ? [printed.team, part.holds, printed.day].join(" · ") : part.holds),
    ...(isFirst && printed.parts.length > 1
      ? [new TableOfContents("Contents", { hyperlink: true, headingStyleRange: "1-2" })]
      : []),
    ...part.sections.flatMap((section) => sectionOf(section, level + 1, instance, pictures, lists)),
  ];
}

function sectionOf(
  section: PrintedSection,
  level: number,
  instance: number,
  pictures: Pictures,
  lists: Lists,
): Paragraph[] {
  const heading = HEADINGS[Math.min(level, HEADINGS.length - 1)]!;
  return [
    ...(section.title
      ? [
          new Paragraph({
            heading,
            children: [
              new TextRun(section.title),
              ...(section.minutes
                ? [
                    new TextRun({
                      text: `  ${section.minutes}`,
                      bold: false,
                      size: 18,
                      color: colour("quiet"),
                    }),
                  ]
                : []),
            ],
          }),
        ]
      : []),
    ...section.intro.flatMap((one) => blockOf(one, "About", lists)),
    ...section.entries.flatMap((one) => entryOf(one, instance, pictures)),
  ];
}

function entryOf(one: PrintedEntry, instance: number, pictures: Pictures): Paragraph[] {
  if (one.number === null)
    return [
      ...(one.title ? [plain("ItemTitle", one.title)] : []),
      ...one.about.map((text) => plain("Lead", text)),
    ];
  const beneath = { indent: { left: 500 } };
  const bytes = one.picture && pictures[one.picture.hash];
  const drawn = bytes
    ? [
        new Paragraph({
          ...beneath,
          children: [
            new ImageRun({
              ...{ type: "jpg", data: standIn(one.picture!.hash), transformation: PICTURE },
              altText: {
                name: one.title,
                title: one.title,
                description: one.picture!.alternative || `Picture of the page “${one.title}”`,
              },
            }),
          ],
        }),
      ]
    : [];
  const text = [
    ...one.context.map((words) => ({ style: "Context", children: [new TextRun(words)] as ParagraphChild[] })),
    { style: "ItemTitle", children: [titleOf(one)] },
  ];
  return [
    ...text.map(
      ({ style, children }, i) =>
        new Paragraph({
          ...{ style, children },
          // The number stands before whatever comes first.
          ...(i === 0
            ? { numbering: { reference: "items", level: 0, instance }, spacing: { before: 240 } }
            : beneath),
        }),
    ),
    plain("Source", one.source, beneath),
    ...drawn,
    ...one.quotation.map((words) => plain("Quotation", words, { indent: { left: 840 } })),
    ...one.about.map((words) => plain("About", words, beneath)),
    ...(one.tags.length ? [plain("Source", one.tags.join(" · "), beneath)] : []),
  ];
}

const titleOf = ({ title, address }: PrintedEntry): ParagraphChild =>
  address
    ? new ExternalHyperlink({ link: address, children: [new TextRun({ text: title, style: "Hyperlink" })] })
    : new TextRun(title);
