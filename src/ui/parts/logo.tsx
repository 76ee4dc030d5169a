import { MARK } from "@/core/look/mark-drawn";

/** Hobbin's mark: a scrap of cloth with its selvedge. */
export const Logo = () => (
  <span
    aria-hidden
    className="block size-6 shrink-0 overflow-hidden rounded-[4px] [&>svg]:size-full"
    dangerouslySetInnerHTML={{ __html: MARK }}
  />
);
