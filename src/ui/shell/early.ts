/** So long after it was pasted or typed something still comes in, in milliseconds: a page that is slow is not waited for longer. */
const PATIENCE = 5_000;

type Key = Pick<KeyboardEventInit, "key" | "ctrlKey" | "metaKey">;
type Early = {
  hobbinHears?: boolean;
  hobbinPasted?: { at: number; data: DataTransfer } | null;
  hobbinKeys?: { at: number; keys: Key[] } | null;
};

/**
 * Stands in the page before any other script: what is pasted, and what is typed after the key that finds, while nobody
 * hears yet (the page is there to be seen, and its script is on the way, or one screen gives way to the next) is kept, and
 * not lost without a word.
 */
export const EARLY = `(function(){function field(e){return/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)||e.target.isContentEditable}
addEventListener("paste",function(e){if(self.hobbinHears||field(e))return;try{var c=e.clipboardData,d=new DataTransfer();["text/plain","text/html"].forEach(function(t){var v=c.getData(t);if(v)d.setData(t,v)});[].forEach.call(c.files,function(f){d.items.add(f)});self.hobbinPasted={at:Date.now(),data:d}}catch(x){}});
addEventListener("keydown",function(e){var h=self.hobbinKeys,c=e.ctrlKey||e.metaKey,f=!e.altKey&&(c?e.key.toLowerCase()==="k":e.key==="/");if(!e.isTrusted)return;if(h&&(field(e)||Date.now()-h.at>${PATIENCE}))h=self.hobbinKeys=null;if(field(e)||(h?!f&&(c||e.altKey||!(e.key.length===1||e.key==="Backspace"||e.key==="Escape")):self.hobbinHears||!f))return;h=self.hobbinKeys=h||{at:Date.now(),keys:[]};h.keys.push({key:e.key,ctrlKey:e.ctrlKey,metaKey:e.metaKey});e.preventDefault();e.stopImmediatePropagation()},true)})()`;

/**
 * From now on somebody hears; what was pasted and typed just before is pasted and typed once more.
 * @returns what says that nobody hears any more
 */
export function hear(): () => void {
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
  if (early.hobbinKeys) setTimeout(() => typeAgain(early));
  return () => void (early.hobbinHears = false);
}

/** One key at a time, since what the first opens takes the next; what is typed meanwhile comes after them. */
function typeAgain(early: Early): void {
  const held = early.hobbinKeys;
  const next = held && Date.now() - held.at < PATIENCE ? held.keys.shift() : undefined;
  if (!next) return void (early.hobbinKeys = null);
  (document.activeElement ?? document.body).dispatchEvent(
    new KeyboardEvent("keydown", { ...next, bubbles: true, cancelable: true }),
  );
  setTimeout(() => typeAgain(early));
}
