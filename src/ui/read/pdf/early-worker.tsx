import { version } from "pdfjs-dist/package.json";

/** Where what PDF.js loads besides lies, under our own origin, by the version it is of. */
const PDF_PARTS = `/pdf/${version}/`;

/**
 * Begins the worker that reads a PDF with the page itself, before anything on it is alive: it takes as long to begin as all
 * the rest. `open-pdf.ts` takes it up.
 */
export const EarlyWorker = ({ nonce }: { nonce: string | undefined }) => (
  <script
    nonce={nonce}
    suppressHydrationWarning
    dangerouslySetInnerHTML={{
      __html: `try{window.hobbinPdf=new Worker("${PDF_PARTS}pdf.worker.min.mjs",{type:"module"})}catch(e){}`,
    }}
  />
);
