import { toast } from "./toast";
import { call } from "./call";

export type One = { id: string; address: string; title?: string };

/** Beyond this many it is asked before all are opened. */
const MANY = 20;

/** Where the original of a resource opens: its address, or, for files and notes, its own page here. */
export const originalOf = (resource: One): string => resource.address || `/read/${resource.id}`;

/** Notes that a resource was used: when, not by whom. Nobody needs to hear of it if that fails. */
export const noteUse = (resource: string): void =>
  void call("resources.use", { resource }).catch(() => undefined);

/** What makes a link the way to the original of a resource, beside this page. */
export const originalLink = (resource: One) => ({
  href: originalOf(resource),
  target: "_blank",
  rel: "noreferrer",
  onClick: () => noteUse(resource.id),
  onAuxClick: () => noteUse(resource.id),
});

/** What some of could not be opened: how many were, and the others. */
export type HeldBack = { opened: number; rest: readonly One[] };
let show: (held: HeldBack) => void = () => undefined;

/** Whoever shows what the browser holds back hears of it here. */
export function onHeldBack(hear: typeof show): void {
  show = hear;
}

/**
 * Opens the originals beside this page, each in a window of its own; asks first when they are many. A browser lets one be
 * opened at a press and holds the others back, unless it was told otherwise: these are shown, to be opened one by one.
 */
export function openOriginals(resources: readonly One[]): void {
  const open = () => {
    const rest = resources.filter((one) => !openBeside(one));
    if (rest.length) show({ opened: resources.length - rest.length, rest });
  };
  if (resources.length <= MANY) return open();
  toast(`Open ${resources.length} pages at once?`, {
    duration: 15_000,
    action: { label: "Open them", onClick: open },
  });
}

/** @returns whether it is open */
function openBeside(one: One): boolean {
  // With "noreferrer" nobody would say whether it opened. Where one comes from no site is told anyway (Referrer-Policy),
  // and what is opened gets no hold of this page.
  const opened = window.open("about:blank", "_blank");
  if (!opened) return false;
  opened.opener = null;
  opened.location.href = originalOf(one);
  noteUse(one.id);
  return true;
}
