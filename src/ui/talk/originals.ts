import { toast } from "./toast";
import { call } from "./call";

type One = { id: string; address: string };

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

/** Opens the originals beside this page, each in a window of its own; asks first when they are many. */
export function openOriginals(resources: readonly One[]): void {
  const open = () => {
    for (const one of resources) window.open(originalOf(one), "_blank", "noreferrer");
    for (const one of resources) noteUse(one.id);
  };
  if (resources.length <= MANY) return open();
  toast(`Open ${resources.length} pages at once?`, {
    duration: 15_000,
    action: { label: "Open them", onClick: open },
  });
}
