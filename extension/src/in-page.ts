/**
 * What is looked up in the page itself. These functions are handed to the browser, which runs them in the page, so each
 * is whole in itself and uses nothing from outside.
 */

type Selector = { exact: string; prefix: string; suffix: string };
export type Seen = {
  address: string;
  title: string;
  description: string;
  pictures: string[];
  selection: Selector | null;
  html: string;
};

/** The page as the person sees it. Scripts, frames, what was typed into forms and what is hidden in them stay out. */
export function seePage(): Seen {
  const meta = (...names: string[]) => {
    for (const name of names) {
      const found = document
        .querySelector(`meta[property="${name}"],meta[name="${name}"]`)
        ?.getAttribute("content");
      if (found?.trim()) return found.trim();
    }
    return "";
  };
  const absolute = (source: string) => {
    try {
      const url = new URL(source, document.baseURI);
      return /^https?:$/.test(url.protocol) ? url.href : "";
    } catch {
      return "";
    }
  };
  const large = [...document.images].filter(
    (image) => image.naturalWidth >= 200 && image.naturalHeight >= 120,
  );
  const pictures = [
    meta("og:image"),
    meta("twitter:image"),
    ...large.slice(0, 8).map((image) => image.currentSrc || image.src),
  ]
    .map((source) => (source ? absolute(source) : ""))
    .filter(Boolean);
  const copy = document.documentElement.cloneNode(true) as HTMLElement;
  copy
    .querySelectorAll(
      "script:not([type='application/ld+json']),noscript,iframe,object,embed,input,textarea,select,option,[contenteditable='true'],template",
    )
    .forEach((one) => one.remove());
  copy.querySelectorAll("*").forEach((one) => {
    for (const { name } of [...one.attributes])
      if (/^on|^value$|^srcdoc$/i.test(name)) one.removeAttribute(name);
  });
  const chosen = window.getSelection();
  const exact = chosen?.toString().trim() ?? "";
  let selection: Selector | null = null;
  if (exact && chosen!.rangeCount) {
    const range = chosen!.getRangeAt(0);
    const around = (start: boolean) => {
      const other = document.createRange();
      other.selectNodeContents(document.body);
      if (start) other.setEnd(range.startContainer, range.startOffset);
      else other.setStart(range.endContainer, range.endOffset);
      const text = other.toString().replace(/\s+/g, " ");
      return start ? text.slice(-32) : text.slice(0, 32);
    };
    selection = { exact: exact.slice(0, 16000), prefix: around(true), suffix: around(false) };
  }
  return {
    address: location.href,
    title: (meta("og:title") || document.title || location.hostname).slice(0, 500),
    description: meta("og:description", "description").slice(0, 2000),
    pictures: [...new Set(pictures)].slice(0, 8),
    selection,
    html: `<!doctype html>${copy.outerHTML}`.slice(0, 2500000),
  };
}

export type PageLink = { address: string; text: string; main: boolean };

/** The links of the page: those of its main part, and those of menus and margins around it. */
export function seeLinks(): PageLink[] {
  const mains = [...document.querySelectorAll("main,[role=main],article")];
  const seen = new Map<string, PageLink>();
  for (const link of document.querySelectorAll<HTMLAnchorElement>("a[href]")) {
    if (!/^https?:/.test(link.href)) continue;
    const address = link.href;
    const text = (link.innerText || link.title || link.querySelector("img")?.alt || "")
      .replace(/\s+/g, " ")
      .trim()
      .slice(0, 300);
    const around = Boolean(
      link.closest(
        "nav,header,footer,aside,[role=navigation],[role=banner],[role=contentinfo],[role=complementary]",
      ),
    );
    const sameEntry = address.split("#")[0] === location.href.split("#")[0];
    const main =
      Boolean(text) &&
      !around &&
      !sameEntry &&
      (mains.length === 0 || mains.some((one) => one.contains(link)));
    const known = seen.get(address);
    if (!known || (!known.text && text) || (main && !known.main))
      seen.set(address, { address, text: text || known?.text || "", main: main || (known?.main ?? false) });
  }
  return [...seen.values()].slice(0, 2000);
}

/** The code on Hobbin's own page that pairs this browser. */
export const seePairing = (): { code: string; address: string; marks: boolean } | null => {
  const offer = document.querySelector<HTMLElement>("[data-hobbin-pairing]")?.dataset;
  const code = offer?.hobbinPairing;
  return code ? { code, address: location.origin, marks: offer.hobbinFor === "marks" } : null;
};

/** A picture of the page as data, fetched as the page itself would. */
export async function seePicture(address: string): Promise<string | null> {
  try {
    const blob = await (await fetch(address)).blob();
    if (!blob.type.startsWith("image/") || blob.size > 20_000_000) return null;
    return await new Promise((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(reader.result as string);
      reader.onerror = () => resolve(null);
      reader.readAsDataURL(blob);
    });
  } catch {
    return null;
  }
}

/** A short confirmation in the corner of the page, with the way back. */
export function confirmInPage(words: string, undo: string | null): void {
  document.getElementById("hobbin-said")?.remove();
  const host = document.createElement("div");
  host.id = "hobbin-said";
  const root = host.attachShadow({ mode: "open" });
  root.innerHTML = `<style>div{position:fixed;z-index:2147483647;right:16px;bottom:16px;max-width:340px;display:flex;gap:12px;align-items:center;padding:12px 16px;border-radius:6px;background:#16211f;color:#fbfcfa;font:15px/1.4 system-ui,sans-serif;box-shadow:0 8px 24px rgb(0 0 0/.3)}button{all:unset;cursor:pointer;color:#6fc3d3;font-weight:600}button:focus-visible{outline:2px solid #6fc3d3;outline-offset:3px}</style><div role="status"><span></span></div>`;
  root.querySelector("span")!.textContent = words;
  if (undo) {
    const button = document.createElement("button");
    button.textContent = "Undo";
    button.onclick = () => {
      void chrome.runtime.sendMessage({ what: "undo", id: undo });
      host.remove();
    };
    root.querySelector("div")!.append(button);
  }
  document.documentElement.append(host);
  setTimeout(() => host.remove(), 8000);
}
