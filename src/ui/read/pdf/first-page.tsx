import { begin, openWith, scriptsIn } from "./begin";
import { drawPage } from "./draw-page";
import { PDF_NEEDS, PDF_PARTS } from "./parts";
import { piecesOf, type Source } from "./pieces";

const MEANS = `{scriptsIn:${scriptsIn},piecesOf:${piecesOf},openWith:${openWith},drawPage:${drawPage}}`;

/**
 * Begins a PDF with the page it is on, before anything on that is alive: until then its first page stands there.
 * `open-pdf.ts` takes it up.
 * @param nonce of the scripts of this very page
 */
export const FirstPage = ({ source, nonce }: { source: Source; nonce: string | undefined }) => (
  <script
    nonce={nonce}
    suppressHydrationWarning
    dangerouslySetInnerHTML={{
      __html: `try{window.hobbinPdf=(${begin})(${said(source)},${said(PDF_PARTS)},${said(PDF_NEEDS)},${MEANS})}catch(e){}`,
    }}
  />
);

/** A value as a script has it, within a page. */
const said = (value: unknown) => JSON.stringify(value).replace(/</g, "\\u003c");
