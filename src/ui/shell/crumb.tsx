import { ChevronLeft } from "lucide-react";
import { Link } from "../parts/link";

/** The way up from a page that stands below another one, above its title. */
export const Crumb = ({ href, children }: { href: string; children: React.ReactNode }) => (
  <Link
    href={href}
    className="-ml-1 flex h-7 w-fit max-w-full items-center gap-0.5 rounded-md pr-1.5 text-[15px] text-quiet hover:bg-wash hover:text-ink"
  >
    <ChevronLeft size={16} aria-hidden className="shrink-0" />
    <span className="truncate">{children}</span>
  </Link>
);
