import { useEffect, useRef, useState } from "react";
import { barSays, type Said, toast } from "../talk/toast";

/** As long as a toast stands, in milliseconds. */
const STANDS = 8_000;

/**
 * What was done last, for a bar that stands where toasts do: it says so itself for a while. When the bar goes meanwhile, a
 * toast goes on saying it.
 */
export function useSaidHere(): Said | null {
  const [said, setSaid] = useState<Said | null>(null);
  const now = useRef<Said | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const show = (next: Said | null) => {
      clearTimeout(timer);
      now.current = next;
      setSaid(next);
      if (next) timer = setTimeout(show, STANDS, null);
    };
    const gone = barSays(show);
    return () => {
      clearTimeout(timer);
      gone();
      if (now.current) toast(now.current.words, now.current.more);
    };
  }, []);
  return said;
}
