"use client";

import { useEffect, useState } from "react";
import { Button, buttonLook } from "../parts/button";
import { Key } from "../parts/key";
import { KEYS } from "../shell/commands";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

/** Bringing in from the browser: the extension and its pairing, and the bookmark that does without. */
export function BrowserPart() {
  const [offer, setOffer] = useState<{ code: string; marks: boolean } | null>(null);
  const [own, setOwn] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setOwn(window.location.origin), 0);
    return () => clearTimeout(timer);
  }, []);
  const pair = (marks: boolean) =>
    void call("tokens.offer", { scope: marks ? "marks" : "capture" })
      .then(({ code }) => setOffer({ code, marks }))
      .catch(sayFailure);
  // React refuses to draw such links, rightly; this one is to be dragged to the bookmarks, and does not run here.
  const draw = (link: HTMLAnchorElement | null) =>
    link?.setAttribute(
      "href",
      `javascript:(()=>{const s=getSelection().toString().slice(0,4000);open(${JSON.stringify(own)}+"/bring?url="+encodeURIComponent(location.href)+"&title="+encodeURIComponent(document.title)+(s?"&text="+encodeURIComponent(s):""),"_blank","width=520,height=720")})()`,
    );
  return (
    <div className="flex flex-col gap-4">
      <ol className="list-decimal pl-5 text-[15px]">
        <li>
          Download the extension for{" "}
          <a className="text-accent underline" href="/extension/hobbin-chromium.zip" download>
            Chromium and its relatives
          </a>{" "}
          or{" "}
          <a className="text-accent underline" href="/extension/hobbin-firefox.zip" download>
            Firefox
          </a>
          , and unpack it.
        </li>
        <li>
          Open the browser’s page of extensions, allow developer’s extensions, and load the unpacked folder.
        </li>
        <li>Come back here, press “Pair this browser”, then the Hobbin button beside the address.</li>
      </ol>
      {offer ? (
        <p
          role="status"
          data-hobbin-pairing={offer.code}
          data-hobbin-for={offer.marks ? "marks" : "capture"}
          className="rounded-md bg-wash p-3"
        >
          Now press the <b>Hobbin button</b> beside the address. This offer holds for ten minutes.
        </p>
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => pair(false)}>Pair this browser</Button>
          <Button onClick={() => pair(true)}>Pair it for marks</Button>
        </div>
      )}
      <p className="text-[15px]">
        Then <Key>{KEYS.extension}</Key> opens its window on any page, and <Key>{KEYS.atOnce}</Key> saves the
        page to the last place at once. The browser’s page of extensions changes these keys.
      </p>
      <p className="text-[15px] text-quiet">
        The extension sends what you save and nothing else: the address, the title and the visible text of the
        page, never what is typed into forms. A paired browser may only bring things in; revoke it among the
        access tokens below.
      </p>
      <p className="text-[15px]">
        Paired <b>for marks</b>, which is a pairing of its own, it shows the marks of a page on the page
        itself and marks there: on a page you press its button on (or <Key>{KEYS.pageMarks}</Key>), or on the
        sites you allow, one by one. Whether an address is in your catalogues is asked then, and nowhere else.
        What is marked the page’s own script could find out, what is noted beside it not.
      </p>
      <p className="flex flex-wrap items-center gap-3 text-[15px]">
        Without the extension, drag this to your bookmarks:
        {own && (
          <a ref={draw} className={buttonLook("line", true)} onClick={(event) => event.preventDefault()}>
            Bring into Hobbin
          </a>
        )}
      </p>
      <p className="text-[15px] text-quiet">
        On a phone, open Hobbin and add it to the home screen: then it takes what you share from other
        programs, photos and voice notes, also without a connection.
      </p>
    </div>
  );
}
