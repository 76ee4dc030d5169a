import { useLayoutEffect, useState } from "react";

/**
 * The words of a box that opens by a key and whose script may still be loading then: what is typed before it is there
 * goes into it, and is no key of what lies under it.
 * @param open whether it is open, there or not; closed, its words are forgotten
 */
export function useTypedAhead(open: boolean, onClose: () => void): [string, (words: string) => void] {
  const [words, setWords] = useState("");
  useLayoutEffect(() => {
    if (!open) return;
    const gather = (event: KeyboardEvent) => {
      const isThere = event.target instanceof Element && event.target.closest("[role=dialog]");
      if (isThere || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === "Escape") onClose();
      else if (event.key === "Backspace") setWords((before) => before.slice(0, -1));
      else if (event.key.length === 1) setWords((before) => before + event.key);
      else return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener("keydown", gather, true);
    return () => {
      window.removeEventListener("keydown", gather, true);
      setWords("");
    };
  }, [open, onClose]);
  return [words, setWords];
}
