import { call, type Pairing, type Problem, stored, store } from "./api";
import { answerPage, isForMarks, leaveSites, showMarks, showOn } from "./marking";
import { confirmInPage, seePage, seePicture } from "./in-page";
import {
  type Place,
  recentPlaces,
  save,
  type Saved,
  sendWaiting,
  takeBack,
  waiting,
  type Wish,
} from "./saving";

/** What the extension does with no window open: the second key, the context menu, and what waits for a connection. */

/**
 * What was saved and can be taken back. The browser puts this to sleep after half a minute; what it knows by heart is
 * gone then, so it lies in the storage of the browser's session.
 */
const undoable = {
  keep: (saved: Saved) => chrome.storage.session.set({ [`saved:${saved.id}`]: saved }),
  get: async (id: string) =>
    (await chrome.storage.session.get(`saved:${id}`))[`saved:${id}`] as Saved | undefined,
};

chrome.runtime.onInstalled.addListener(() => {
  chrome.contextMenus.create({
    id: "passage",
    title: "Keep the selected passage in Hobbin",
    contexts: ["selection"],
  });
  chrome.contextMenus.create({ id: "picture", title: "Keep this picture in Hobbin", contexts: ["image"] });
  chrome.contextMenus.create({
    id: "link",
    title: "Bring what this leads to into Hobbin",
    contexts: ["link"],
  });
  chrome.contextMenus.create({ id: "page", title: "Bring this page into Hobbin", contexts: ["page"] });
  void chrome.alarms.create("waiting", { periodInMinutes: 1 });
});

// What one allows or no longer allows a site, in the window or among the browser's settings.
chrome.permissions.onAdded.addListener(({ origins }) => void showOn(origins ?? []));
chrome.permissions.onRemoved.addListener(({ origins }) => void leaveSites(origins ?? []));

chrome.alarms.onAlarm.addListener(() => void flush());
chrome.runtime.onStartup.addListener(() => void flush());

async function flush(): Promise<void> {
  const pairing = await stored<Pairing>("pairing");
  if (pairing) await badge(await sendWaiting(pairing));
}

async function badge(waiting: number): Promise<void> {
  await chrome.action.setBadgeText({ text: waiting ? String(waiting) : "" });
  await chrome.action.setBadgeBackgroundColor({ color: "#7a5600" });
}

chrome.commands.onCommand.addListener((command, tab) => {
  if (command === "save-at-once" && tab?.id) void saveTab(tab.id, "page");
  // The browser's own pages show nothing of others.
  if (command === "show-marks" && tab?.id) void showMarks(tab.id).catch(() => undefined);
});

chrome.contextMenus.onClicked.addListener((info, tab) => {
  if (!tab?.id) return;
  if (info.menuItemId === "link") void saveAddress(tab.id, info.linkUrl!);
  else if (info.menuItemId === "picture") void savePicture(tab.id, info.srcUrl!);
  else void saveTab(tab.id, info.menuItemId === "passage" ? "passage" : "page");
});

type Message = { what: string; id?: string; tab?: number };
chrome.runtime.onMessage.addListener((message: Message, sender, answer) => {
  if (isForMarks(message)) {
    void answerPage(message).then(answer);
    return true;
  } else if (message.what === "show-marks" && message.tab) {
    void showMarks(message.tab).then(
      () => answer(true),
      () => answer(false),
    );
    return true;
  } else if (message.what === "bring-in" && sender.tab?.id) {
    void saveTab(sender.tab.id, "page").then(() => answer(true));
    return true;
  } else if (message.what === "undo") {
    // Answered once it is done, so that the browser does not put this to sleep before.
    void undo(message.id!).then(() => answer(true));
    return true;
  } else if (message.what === "save-at-once" && message.tab) {
    void saveTab(message.tab, "page").then(() => answer(true));
    return true;
  } else if (message.what === "flush") {
    void flush().then(() => answer(true));
    return true;
  }
  return false;
});

async function undo(id: string): Promise<void> {
  const pairing = await stored<Pairing>("pairing");
  const saved = await undoable.get(id);
  if (pairing && saved) await takeBack(pairing, saved).catch(() => undefined);
}

/** The last place; at first the Tray of the first team. */
async function lastPlace(pairing: Pairing): Promise<Place> {
  const [last] = await recentPlaces();
  if (last) return last;
  const { teams } = await call<{ teams: { id: string; name: string; role: string }[] }>(
    pairing,
    "teams.read",
    {},
  );
  const team = teams.find((one) => one.role !== "viewer")!;
  return { team: team.id, title: `Tray of ${team.name}` };
}

async function inTab<A extends unknown[], T>(
  tab: number,
  func: (...args: A) => T,
  ...args: A
): Promise<Awaited<T>> {
  const [answer] = await chrome.scripting.executeScript({ target: { tabId: tab }, func, args });
  return answer!.result as Awaited<T>;
}

async function saveTab(tab: number, what: "page" | "passage"): Promise<void> {
  await saving(tab, async () => {
    const { selection, title, address, description, html } = await inTab(tab, seePage);
    return what === "passage" && selection
      ? { what, title, address, selection }
      : { what: "page", title, address, description, html };
  });
}

const saveAddress = (tab: number, address: string) =>
  saving(tab, async () => ({ what: "address", title: address, address }));

async function savePicture(tab: number, address: string): Promise<void> {
  await saving(tab, async () => {
    const data = await inTab(tab, seePicture, address);
    const title = decodeURIComponent(new URL(address).pathname.split("/").at(-1) || "Picture").replace(
      /\.\w+$/,
      "",
    );
    return data ? { what: "file", title, address, data } : { what: "address", title, address };
  });
}

async function saving(tab: number, see: () => Promise<Omit<Wish, "place">>): Promise<void> {
  const say = (words: string, undo: string | null) =>
    inTab(tab, confirmInPage, words, undo).catch(() => undefined);
  const pairing = await stored<Pairing>("pairing");
  if (!pairing)
    return void (await say(
      "Pair this browser first: press the Hobbin button on Hobbin’s Account page.",
      null,
    ));
  try {
    const place = await lastPlace(pairing);
    const saved = await save(pairing, { ...(await see()), place });
    await undoable.keep(saved);
    await say(
      saved.waits
        ? `No connection. It goes to ${place.title} as soon as there is one.`
        : `${saved.already ? "Here already; placed in" : "Saved to"} ${place.title}`,
      saved.id,
    );
    await badge((await waiting()).length);
  } catch (error) {
    await say((error as Problem).words ?? "This page cannot be read by extensions.", null);
  }
  await store({ lastSaved: Date.now() });
}
