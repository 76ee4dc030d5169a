import { tokenStyles } from "@/core/look/colours";
import { EARLY } from "./early";
import { Providers } from "./providers";

/** Chosen look, before anything is painted. */
const LOOK = `try{var l=localStorage.getItem("hobbin-look");if(l)document.documentElement.dataset.look=l}catch(e){}`;

/** The document around every page of the application. */
export function Root({
  fonts,
  nonce,
  children,
}: {
  fonts: string;
  /** Of the scripts of this very page. */
  nonce: string | undefined;
  children: React.ReactNode;
}) {
  return (
    <html lang="en-GB" className={fonts} suppressHydrationWarning>
      <head>
        <style dangerouslySetInnerHTML={{ __html: tokenStyles() }} />
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `${LOOK};${EARLY}` }}
        />
      </head>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
