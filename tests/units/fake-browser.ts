/** A browser for extensions, as much of it as ours asks for: storage, tabs, menus, alarms, and what they call. */
import { vi } from "vitest";

type Listener = (...args: never[]) => unknown;
const happening = () => {
  const listeners: Listener[] = [];
  return { addListener: (one: Listener) => listeners.push(one), listeners };
};

/** A part of an extension's storage: copies go in and come out. */
export const area = (storage: Record<string, unknown>) => ({
  get: async (key: string | null) =>
    structuredClone(key === null ? storage : key in storage ? { [key]: storage[key] } : {}),
  set: async (values: object) => void Object.assign(storage, structuredClone(values)),
  remove: async (keys: string | string[]) => {
    for (const key of [keys].flat()) delete storage[key];
  },
});

/**
 * Puts a made-up browser and a made-up Hobbin in place of the real ones.
 * @param answer what Hobbin answers an action with; null when it cannot be reached
 * @returns what is stored and was sent, and the browser's happenings
 */
export function fakeBrowser(answer: (name: string, input: never) => { status: number; body: object } | null) {
  const storage: Record<string, unknown> = {};
  const sent: { name: string; input: Record<string, unknown> }[] = [];
  const opened: string[] = [];
  const badges: string[] = [];
  const events = {
    installed: happening(),
    started: happening(),
    alarm: happening(),
    command: happening(),
    menu: happening(),
    message: happening(),
    allowed: happening(),
    disallowed: happening(),
  };
  const menus: string[] = [];
  /** What a function handed to the browser answers from a page, by the function's name. */
  const inPage: Record<string, (...args: never[]) => unknown> = {};
  const tabs: { id: number; url?: string; title?: string }[] = [{ id: 7 }];
  const session: Record<string, unknown> = {};
  const chrome = {
    storage: { local: area(storage), session: area(session) },
    runtime: {
      onInstalled: events.installed,
      onStartup: events.started,
      onMessage: events.message,
      getURL: (path: string) => `extension://hobbin/${path}`,
      sendMessage: async () => undefined,
    },
    alarms: { create: async () => undefined, onAlarm: events.alarm },
    action: {
      setBadgeText: async ({ text }: { text: string }) => void badges.push(text),
      setBadgeBackgroundColor: async () => undefined,
    },
    commands: {
      onCommand: events.command,
      getAll: async () => [
        { name: "_execute_action", shortcut: "Alt+Shift+B" },
        { name: "save-at-once", shortcut: "Ctrl+Y" },
      ],
    },
    contextMenus: { create: ({ id }: { id: string }) => menus.push(id), onClicked: events.menu },
    tabs: {
      query: async () => tabs,
      create: async ({ url }: { url: string }) => void opened.push(url),
      captureVisibleTab: async () => "data:image/png;base64,iVBORw0KGgo=",
    },
    permissions: {
      request: async () => true,
      onAdded: events.allowed,
      onRemoved: events.disallowed,
    },
    scripting: {
      executeScript: async ({ func, args = [] }: { func: { name: string }; args?: never[] }) => {
        const page = inPage[func.name];
        if (!page) throw new Error("Cannot access this page");
        return [{ result: await page(...args) }];
      },
    },
  };
  vi.stubGlobal("chrome", chrome);
  vi.stubGlobal("fetch", async (address: string, { body }: { body?: string } = {}) => {
    const name = String(address).split("/").at(-1)!;
    const input = JSON.parse(body ?? "{}") as Record<string, unknown>;
    const said = answer(name, input as never);
    if (!said) throw new TypeError("Failed to fetch");
    sent.push({ name, input });
    return new Response(JSON.stringify(said.body), { status: said.status });
  });
  return { storage, sent, opened, badges, menus, events, inPage, tabs };
}

/** Lets everything happen that waits for nothing but the turn. */
export const settle = async (): Promise<void> => {
  for (let i = 0; i < 5; i++) await new Promise((resolve) => setTimeout(resolve));
};
