import { isTyping } from "./commands";

/**
 * So long after it was pasted or typed something still comes in, in milliseconds: a machine of a school may take ten seconds
 * to bring a page to life, and what was typed is still meant. Who has begun something else, by a press, means it no more.
 */
const PATIENCE = 30_000;

type Key = Pick<KeyboardEventInit, "key" | "ctrlKey" | "metaKey">;
type Early = {
  hobbinHears?: boolean;
  hobbinPasted?: { at: number; data: DataTransfer } | null;
  hobbinKeys?: { at: number; keys: Key[]; begun?: true } | null;
};

/**
 * Stands in the page before any other script: what is pasted, what is typed after the key that finds, and which button is
 * pressed while nobody hears yet (the page is there to be seen, and its script is on the way, or one screen gives way to the
 * next) is kept, and not lost without a word. A button hears as soon as React has taken it over, which marks it with its
 * props; then it is pressed once more, if it is still there.
 */
export const EARLY = `(function(){function field(e){return/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)||e.target.isContentEditable}
addEventListener("paste",function(e){if(self.hobbinHears||field(e))return;try{var c=e.clipboardData,d=new DataTransfer();["text/plain","text/html"].forEach(function(t){var v=c.getData(t);if(v)d.setData(t,v)});[].forEach.call(c.files,function(f){d.items.add(f)});self.hobbinPasted={at:Date.now(),data:d}}catch(x){}});
addEventListener("keydown",function(e){var h=self.hobbinKeys,c=e.ctrlKey||e.metaKey,f=!e.altKey&&(c?e.key.toLowerCase()==="k":e.key==="/");if(!e.isTrusted)return;if(h&&(e.key==="Tab"||!self.hobbinHears&&field(e)||Date.now()-h.at>${PATIENCE}))h=self.hobbinKeys=null;if(h?!f&&(c||e.altKey||!(e.key.length===1||/^(Backspace|Escape|Enter)$/.test(e.key))):field(e)||self.hobbinHears||!f)return;h=self.hobbinKeys=h||{at:Date.now(),keys:[]};h.keys.push({key:e.key,ctrlKey:e.ctrlKey,metaKey:e.metaKey});e.preventDefault();e.stopImmediatePropagation()},true);
addEventListener("pointerdown",function(){self.hobbinKeys=null},true);
function taken(b){return Object.keys(b).some(function(k){return k.indexOf("__reactProps")===0})}
addEventListener("click",function(e){var b=e.target.closest&&e.target.closest("button");if(!b||taken(b))return;e.preventDefault();e.stopImmediatePropagation();var at=Date.now();(function wait(){if(Date.now()-at>${PATIENCE}||!b.isConnected)return;if(!taken(b))return setTimeout(wait,50);["pointerdown","mousedown","pointerup","mouseup"].forEach(function(t){b.dispatchEvent(new (t[0]==="p"&&self.PointerEvent||MouseEvent)(t,{bubbles:true,cancelable:true,button:0}))});b.focus();b.click()})()},true)})()`;

/** Whether the screen that stands here is alive. */
export const isHeard = (): boolean => !!(window as Window & Early).hobbinHears;

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

/**
 * One key at a time, since what the first opens takes the next; what is typed meanwhile comes after them, also where the box
 * is there by then. Enter means what is in the box: it waits for it.
 */
function typeAgain(early: Early): void {
  const held = early.hobbinKeys;
  const next = held && Date.now() - held.at < PATIENCE ? held.keys[0] : undefined;
  if (!next) return void (early.hobbinKeys = null);
  // What finds was pressed outside of every field, whichever has the focus by now.
  const box = held!.begun && isTyping(document.activeElement) ? document.activeElement : null;
  if (next.key === "Enter" && !box) return void setTimeout(() => typeAgain(early), 50);
  held!.begun = true;
  held!.keys.shift();
  // The browser writes nothing for a key that a script presses.
  const letter = box && !next.ctrlKey && !next.metaKey && next.key;
  if (letter && letter.length === 1) document.execCommand("insertText", false, letter);
  else if (letter === "Backspace") document.execCommand("delete");
  else
    (box ?? document.body).dispatchEvent(
      new KeyboardEvent("keydown", { ...next, bubbles: true, cancelable: true }),
    );
  setTimeout(() => typeAgain(early));
}
