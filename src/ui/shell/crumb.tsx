import Link from "next/link";

/** The way up from a page that stands below another one, in the path at the top. */
export function Crumb({ href, children }: { href: string; children: React.ReactNode }) {
  return (
    <span className="flex min-w-0 items-center">
      <span className="text-quiet" aria-hidden>
        /
      </span>
      <Link
        href={href}
        className="max-w-64 truncate rounded-md px-2 py-1.5 text-quiet hover:bg-wash hover:text-ink"
      >
        {children}
      </Link>
    </span>
  );
}
