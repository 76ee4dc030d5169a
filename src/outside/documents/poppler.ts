import { runProgram as poppler } from "./program";

export type PdfFacts = {
  text: string;
  pages: number | null;
  title: string | null;
  author: string | null;
  picture: Buffer | null;
};

/**
 * Text, number of pages, title and first page of a PDF, by Debian's poppler-utils; null when it is broken or locked.
 * @param file the path of a PDF in the file store
 */
export async function readPdf(file: string): Promise<PdfFacts | null> {
  try {
    const info = (await poppler("pdfinfo", ["-enc", "UTF-8", file])).toString("utf8");
    const said = (name: string) => new RegExp(`^${name}:\\s*(.+)$`, "m").exec(info)?.[1]?.trim() || null;
    const text = await poppler("pdftotext", ["-enc", "UTF-8", "-l", "400", file, "-"]).catch(() =>
      Buffer.alloc(0),
    );
    const picture = await poppler("pdftoppm", [
      "-png",
      "-f",
      "1",
      "-l",
      "1",
      "-singlefile",
      "-scale-to",
      "1000",
      file,
    ]).catch(() => null);
    return {
      text: text.toString("utf8"),
      pages: Number(said("Pages")) || null,
      title: said("Title"),
      author: said("Author"),
      picture: picture?.length ? picture : null,
    };
  } catch {
    return null;
  }
}
