import { begin, drawPage, openWith } from "./draw-page";
import { PDF_PARTS } from "./parts";

/**
 * Begins a PDF with the page it is on, before anything on that is alive: until then its first page stands there.
 * `open-pdf.ts` takes it up.
 * @param src the address of the file
 * @param nonce of the scripts of this very page
 */
export const FirstPage = ({ src, nonce }: { src: string; nonce: string | undefined }) => (
  <script
    nonce={nonce}
    suppressHydrationWarning
    dangerouslySetInnerHTML={{
      __html: `try{window.hobbinPdf=(${begin})(${said(PDF_PARTS)},${said(src)},${openWith},${drawPage})}catch(e){}`,
    }}
  />
);

/** A text as a script has it, within a page. */
const said = (text: string) => JSON.stringify(text).replace(/</g, "\\u003c");
