import {
  Document,
  HeadingLevel,
  PageOrientation,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from "docx";
import type { Reference } from "../../cite/bibliography";
import { type EvidenceTable, sayPassage } from "../../marks/evidence";
import { asChild, pageNumbers, PAPER, referencesOf, stylesOf } from "./docx-look";

type About = { title: string; team: string; language: string; rightToLeft: boolean };
/** Margins of the page, in twentieths of a point. */
const MARGIN = 1_000;

/**
 * A table of evidence as a document of a word processor: across the page, its head again on each, and the references of its sources
 * beneath.
 */
export function evidenceDocument(
  { questions, rows }: EvidenceTable,
  references: readonly Reference[],
  { title, team, language, rightToLeft }: About,
  paper: keyof typeof PAPER,
): Document {
  const { width, height } = PAPER[paper];
  // What is across is as wide as a page is high.
  const each = Math.floor((height - 2 * MARGIN) / (questions.length + 1));
  const cell = (children: Paragraph[]) =>
    new TableCell({
      children: children.length ? children : [new Paragraph("")],
      width: { size: each, type: WidthType.DXA },
      margins: { top: 60, bottom: 60, left: 90, right: 90 },
    });
  const bold = (text: string) => new Paragraph({ children: [new TextRun({ text, bold: true })] });
  return new Document({
    ...{ title, creator: team, lastModifiedBy: team },
    styles: stylesOf(language, rightToLeft),
    sections: [
      {
        properties: {
          page: {
            size: { width, height, orientation: PageOrientation.LANDSCAPE },
            margin: { top: MARGIN, bottom: MARGIN, left: MARGIN, right: MARGIN },
          },
        },
        footers: { default: pageNumbers() },
        children: [
          new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun(title)] }),
          new Paragraph({ style: "Source", children: [new TextRun(team)] }),
          new Table({
            width: { size: each * (questions.length + 1), type: WidthType.DXA },
            columnWidths: Array<number>(questions.length + 1).fill(each),
            visuallyRightToLeft: rightToLeft,
            rows: [
              new TableRow({
                tableHeader: true,
                children: ["Source", ...questions].map((words) => cell([bold(words)])),
              }),
              ...rows.map(
                ({ source, cells }) =>
                  new TableRow({
                    children: [
                      cell([
                        new Paragraph({
                          children: [asChild({ text: source.title, address: source.address })],
                        }),
                        ...(source.site
                          ? [new Paragraph({ style: "Source", children: [new TextRun(source.site)] })]
                          : []),
                      ]),
                      ...cells.map((passages) =>
                        cell(
                          passages.map((one) => new Paragraph({ children: [new TextRun(sayPassage(one))] })),
                        ),
                      ),
                    ],
                  }),
              ),
            ],
          }),
          ...referencesOf(references),
        ],
      },
    ],
  });
}
