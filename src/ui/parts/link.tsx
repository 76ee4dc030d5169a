import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A way to another page of Hobbin. Nothing is asked for before somebody goes there: each page is made anew for who asks, so
 * that beforehand a browser would be given its outline only, by two requests for every link that is in sight.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
