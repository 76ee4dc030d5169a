import type { GuestRole } from "@/core/policy/abilities";

/** What each guest of a collection is called, and what they may do in it. */
export const GUEST_WORDS: Record<GuestRole, { name: string; can: string }> = {
  editor: { name: "Editor", can: "arrange and change it, without publishing or deleting it." },
  contributor: { name: "Contributor", can: "bring things in, tag and describe what stands in it." },
  viewer: { name: "Viewer", can: "look at it, and say something about it." },
};
