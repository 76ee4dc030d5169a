import { call, type Pairing, type Problem, store, stored } from "./api";

/**
 * Marks on the page itself, as far as it happens behind: the pairing for it, which is one of its own; on which pages they
 * are shown; what the script in the page asks. The page's own script hears nothing of it.
 */

export type Mark = {
  id: string;
  by: { id: string; name: string | null };
  private: boolean;
  meaning: string | null;
  quote: string;
  prefix: string;
  suffix: string;
  fragment: string;
  note: string;
};
export type Meaning = {
  id: string;
  name: string;
  pattern: "line" | "double" | "dots" | "dashes" | "wave";
  tint: "woad" | "weld" | "madder" | "birch" | "lichen";
  removed: boolean;
};
/** A page as one team has it in its catalogue. */
export type MarkedPage = {
  resource: string;
  title: string;
  team: string;
  teamName: string;
  brings: boolean;
  marks: Mark[];
  meanings: Meaning[];
};
export type OnPage = { person: string; pages: MarkedPage[] };
export type Wish =
  { what: "marks-of"; address: string } | { what: "mark"; input: object } | { what: "unmark"; mark: string };
export type Answer<T> = { said: T } | { problem: string; unpaired?: boolean };

/** The pairing for marks; null until there is one. */
export const pairedForMarks = async (): Promise<Pairing | null> =>
  (await stored<Pairing>("pairedForMarks")) ?? null;
export const keepForMarks = (pairing: Pairing): Promise<void> => store({ pairedForMarks: pairing });

/** Shows the marks in a page that the person has pressed the button on, or has allowed for good. */
export async function showMarks(tab: number): Promise<void> {
  const target = { tabId: tab };
  await chrome.scripting.insertCSS({ target, files: ["page-marks.css"] });
  await chrome.scripting.executeScript({ target, func: askForMarks });
  await chrome.scripting.executeScript({ target, files: ["page-marks.js"] });
}

/** Handed to the browser, which runs it in the page before the script there: it was asked for, and did not come by itself. */
const askForMarks = (): void => {
  (globalThis as { hobbinAsked?: boolean }).hobbinAsked = true;
};

const siteOf = (address: string): string => `${new URL(address).origin}/*`;
const scriptOf = (site: string): string => `marks:${site}`;

/** Whether the marks are shown on this site without a press. */
export async function isAlways(address: string): Promise<boolean> {
  const id = scriptOf(siteOf(address));
  return (await chrome.scripting.getRegisteredContentScripts({ ids: [id] })).length > 0;
}

/**
 * Shows the marks on every page of a site from now on, or no longer. The browser asks the person, for that site alone;
 * it must be called by a press.
 * @returns whether they are shown now
 */
export async function showAlways(address: string, always: boolean): Promise<boolean> {
  const site = siteOf(address);
  if (!always) {
    await leaveSites([site]);
    await chrome.permissions.remove({ origins: [site] }).catch(() => undefined);
    return false;
  }
  // The window may close over the browser's question, and the rest of this with it: what follows is done behind as well.
  if (!(await chrome.permissions.request({ origins: [site] }))) return false;
  await showOn([site]);
  return true;
}

/** Shows the marks on every page of these sites, which the person has allowed. */
export async function showOn(sites: readonly string[]): Promise<void> {
  for (const site of sites)
    await chrome.scripting
      .registerContentScripts([
        {
          ...{ id: scriptOf(site), matches: [site], runAt: "document_idle" },
          ...{ js: ["page-marks.js"], css: ["page-marks.css"] },
        },
      ])
      // It is there already.
      .catch(() => undefined);
}

/** Shows them there no longer, because it is not allowed any more. */
export async function leaveSites(sites: readonly string[]): Promise<void> {
  for (const site of sites)
    await chrome.scripting
      .unregisterContentScripts({ ids: [scriptOf(site)] })
      // It was not shown there.
      .catch(() => undefined);
}

/** Answers what the script in a page asks for. */
export async function answerPage(wish: Wish): Promise<Answer<unknown>> {
  const pairing = await pairedForMarks();
  if (!pairing)
    return { problem: "Pair this browser for marks first, on Hobbin’s Account page.", unpaired: true };
  try {
    if (wish.what === "marks-of")
      return { said: await call(pairing, "marks.on-page", { address: wish.address }) };
    if (wish.what === "mark") return { said: await call(pairing, "marks.add", wish.input) };
    return { said: await call(pairing, "marks.remove", { mark: wish.mark }) };
  } catch (error) {
    const { status, words } = error as Problem;
    if (status === 401) await chrome.storage.local.remove("pairedForMarks");
    return { problem: words ?? "Hobbin refused this.", unpaired: status === 401 };
  }
}

export const isForMarks = (message: { what: string }): message is Wish =>
  ["marks-of", "mark", "unmark"].includes(message.what);
