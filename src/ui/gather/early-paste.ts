/** So long after it was pasted something still comes in, in milliseconds: a page that is slow is not waited for longer. */
const PATIENCE = 5_000;

type Early = { hobbinHears?: boolean; hobbinPasted?: { at: number; data: DataTransfer } | null };

/**
 * Stands in the page before any other script: what is pasted while nobody hears yet (the page is there to be seen, and its
 * script is on the way, or one screen gives way to the next) is kept, and not lost without a word.
 */
export const EARLY_PASTE = `addEventListener("paste",function(e){if(self.hobbinHears||/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)||e.target.isContentEditable)return;try{var c=e.clipboardData,d=new DataTransfer();["text/plain","text/html"].forEach(function(t){var v=c.getData(t);if(v)d.setData(t,v)});[].forEach.call(c.files,function(f){d.items.add(f)});self.hobbinPasted={at:Date.now(),data:d}}catch(x){}})`;

/**
 * From now on somebody hears; what was pasted just before is pasted once more.
 * @returns what says that nobody hears any more
 */
export function hearPastes(): () => void {
  const early = window as Window & Early;
  early.hobbinHears = true;
  const held = early.hobbinPasted;
  early.hobbinPasted = null;
  if (held && Date.now() - held.at < PATIENCE)
    // When everything of this screen is there.
    setTimeout(() =>
      document.body.dispatchEvent(
        new ClipboardEvent("paste", { clipboardData: held.data, bubbles: true, cancelable: true }),
      ),
    );
  return () => void (early.hobbinHears = false);
}
