import { isTyping } from "./commands";

/** So long a field that was asked for may take to be there, in milliseconds. */
const PATIENCE = 3_000;
let end: (() => void) | null = null;

/**
 * A field has been asked for and will be there in a moment: what is typed until then is meant for it, goes into it once it
 * has the focus, and is no key of what lies there meanwhile. Escape, a press of the pointer, or a dialog that came with a
 * button to be pressed first, ends the waiting.
 */
export function holdLetters(): void {
  end?.();
  let held = "";
  let field: HTMLElement | null = null;
  const stop = () => end?.();
  const put = () => {
    const words = held;
    held = "";
    // Somebody else may have asked for another field by then.
    if (end === mine) mine();
    if (words && document.activeElement === field) document.execCommand("insertText", false, words);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (isTyping(event.target) && event.target !== field) return stop();
    if (event.key === "Backspace" && held) held = held.slice(0, -1);
    else if (event.key.length === 1) held += event.key;
    // Whatever it does to the field, it does to what was typed before.
    else if (field) return put();
    else if (event.key === "Escape") return stop();
    // It would do something to what lies there; in the field it is pressed again.
    else if (event.key !== "Enter") return;
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const onFocus = (event: FocusEvent) => {
    const target = event.target as HTMLElement;
    // What came has a button first and no field: the keys are for that.
    if (!field && target.matches("[role=dialog] button")) return stop();
    if (field || !isTyping(target)) return;
    field = target;
    // Whoever focuses a field may choose its words a moment later; what is typed takes their place then.
    requestAnimationFrame(put);
  };
  window.addEventListener("keydown", onKey, true);
  window.addEventListener("focusin", onFocus, true);
  window.addEventListener("pointerdown", stop, true);
  const timer = setTimeout(stop, PATIENCE);
  const mine = () => {
    end = null;
    clearTimeout(timer);
    window.removeEventListener("keydown", onKey, true);
    window.removeEventListener("focusin", onFocus, true);
    window.removeEventListener("pointerdown", stop, true);
  };
  end = mine;
}
