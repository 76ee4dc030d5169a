import {
  ExternalHyperlink,
  Footer,
  AlignmentType,
  HeadingLevel,
  type IStylesOptions,
  LineRuleType,
  PageNumber,
  Paragraph,
  type ParagraphChild,
  TextRun,
} from "docx";
import type { Reference } from "../../cite/bibliography";
import type { Run } from "../../cite/runs";
import { LIGHT } from "../../look/colours";

export const HEADINGS = [
  HeadingLevel.HEADING_1,
  HeadingLevel.HEADING_2,
  HeadingLevel.HEADING_3,
  HeadingLevel.HEADING_4,
  HeadingLevel.HEADING_5,
  HeadingLevel.HEADING_6,
];
/** Sizes of paper in twentieths of a point, as WordprocessingML counts (ECMA-376, 17.6.13). */
export const PAPER = {
  a4: { width: 11_906, height: 16_838 },
  letter: { width: 12_240, height: 15_840 },
} as const;
export const colour = (name: "quiet" | "accent" | "ink") => LIGHT[name].slice(1);
/** Letters every word processor has. */
export const SERIF = "Georgia";
const SANS = "Arial";

/** The styles of every document of a word processor, by names, so that whoever gets it can give it another look at once. */
export function stylesOf(language: string, rightToLeft: boolean): IStylesOptions {
  return {
    default: {
      document: {
        run: {
          ...{ font: SANS, size: 21, color: colour("ink"), language: { value: language } },
          rightToLeft,
        },
        paragraph: { spacing: { after: 80, line: 276, lineRule: LineRuleType.AUTO } },
      },
      ...Object.fromEntries(
        HEADINGS.map((_, i) => [
          `heading${i + 1}`,
          {
            run: { font: SERIF, bold: true, size: [44, 30, 26, 24, 22, 22][i], color: colour("ink") },
            // Without it readers of the file find no headings in it.
            paragraph: { spacing: { before: i ? 320 : 0, after: 120 }, outlineLevel: i, keepNext: true },
          },
        ]),
      ),
    },
    paragraphStyles: [
      style("Context", "Context line", { font: SERIF, size: 25 }, { keepNext: true }),
      style("ItemTitle", "Title of an item", { bold: true }, { keepNext: true }),
      style("Source", "Source", { size: 18, color: colour("quiet") }),
      style("About", "About", { color: colour("quiet") }),
      style("Lead", "Lead", { font: SERIF, size: 25, color: colour("quiet") }),
      style("Reference", "Reference", {}, { indent: { left: 560, hanging: 560 } }),
      style("Quotation", "Quotation", { font: SERIF, italics: true }, { indent: { left: 340 } }),
    ],
  };
}

function style(id: string, name: string, run: object, paragraph: object = {}) {
  return { id, name, basedOn: "Normal", next: "Normal", quickFormat: true, run, paragraph };
}

/** “3 / 12” at the foot of each page. */
export const pageNumbers = (): Footer =>
  new Footer({
    children: [
      new Paragraph({
        style: "Source",
        alignment: AlignmentType.END,
        children: [new TextRun({ children: [PageNumber.CURRENT, " / ", PageNumber.TOTAL_PAGES] })],
      }),
    ],
  });

/** The bibliography, each entry with its second line further in. */
export function referencesOf(references: readonly Reference[]): Paragraph[] {
  if (!references.length) return [];
  return [
    new Paragraph({ heading: HeadingLevel.HEADING_2, children: [new TextRun("References")] }),
    ...references.map(
      ({ label, runs }) =>
        new Paragraph({
          style: "Reference",
          children: [...(label ? [new TextRun(`${label}\t`)] : []), ...runs.map(asChild)],
        }),
    ),
  ];
}

/** Words with their face, and where they lead. */
export function asChild({ text, italic, bold, small, raised, address }: Run): ParagraphChild {
  const face = { text, italics: italic, bold, smallCaps: small, superScript: raised };
  return address
    ? new ExternalHyperlink({ link: address, children: [new TextRun({ ...face, style: "Hyperlink" })] })
    : new TextRun(face);
}
