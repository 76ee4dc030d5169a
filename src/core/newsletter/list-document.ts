import { page } from "../publish/small-page";
import { html, Markup } from "../publish/html";

const STYLE = `<style>.list{display:flex;flex-wrap:wrap;gap:.75rem;margin-top:1.5rem}.list label{flex-basis:100%;font-weight:650}.list input{flex:1 1 16rem;min-width:0;font:1.1rem/1.2 "Atkinson Hyperlegible Next",system-ui,sans-serif;padding:.8rem;color:var(--ink);background:var(--sheet);border:2px solid var(--edge);border-radius:6px}.list input[aria-invalid]{border-color:var(--stop)}.list button{font:650 1.1rem/1 "Atkinson Hyperlegible Next",system-ui,sans-serif;padding:1rem 1.4rem;color:var(--on-accent);background:var(--accent);border:0;border-radius:6px;cursor:pointer}.list button.other{color:var(--accent);background:none;border:1px solid var(--edge)}#wrong{flex-basis:100%;min-height:1.5em;margin:0;color:var(--stop)}.to{color:var(--accent)}</style>`;

/** A small page with a form, whole with script off. */
export const listPage = (language: string, title: string, inner: Markup): string =>
  page(title, language, "/fonts", html`${new Markup(STYLE)}${inner}`);

/**
 * Where one asks for a newsletter; whole with script off.
 * @param home where it is read
 * @param typed what was typed, to stand in the field again
 * @param wrong what is wrong with it; empty: nothing yet
 */
export const joinDocument = (title: string, home: string, typed: string, wrong: string): string =>
  listPage(
    "en",
    `${wrong ? "Not quite: " : ""}${title} by mail`,
    html`<nav class="up" aria-label="Part of"><a href="${home}">${title}</a></nav>
<h1>Get it by mail</h1>
<p class="lead">Each new issue of “${title}” comes to your mailbox. You confirm it once, and leave by one press. Nobody is told whether you read it, and your address is used for nothing else.</p>
<form class="list" action="${home}/join" method="post"><label for="address">Mail address</label><input id="address" name="address" type="email" value="${typed}" required maxlength="254" autocomplete="email" aria-describedby="wrong"${wrong ? html` aria-invalid="true"` : null}><button>Ask for it</button><p id="wrong" role="status">${wrong}</p></form>`,
  );

/** What is said after somebody has asked; the same whether they were on the list or not. */
export const askedDocument = (title: string, home: string, address: string): string =>
  listPage(
    "en",
    `Look into your mailbox · ${title}`,
    html`<h1>Look into your mailbox</h1>
<p class="lead">A letter is on its way to ${address}. Press the address in it to say that it was you; until then nothing else is sent. Who is on the list already gets no letter.</p>
<p><a class="to" href="${home}">Back to ${title}</a></p>`,
  );

/** What a reader finds at the address in their letters. */
export const onListDocument = (
  { title, address, isConfirmed }: { title: string; address: string; isConfirmed: boolean },
  self: string,
): string =>
  isConfirmed
    ? listPage(
        "en",
        `Leave the list · ${title}`,
        html`<h1>Leave the list</h1>
<p class="lead">“${title}” comes to ${address}.</p>
<form class="list" action="${self}" method="post"><button name="do" value="leave">Leave the list</button></form>`,
      )
    : listPage(
        "en",
        `Do you want it by mail? · ${title}`,
        html`<h1>Do you want “${title}” by mail?</h1>
<p class="lead">It would come to ${address}.</p>
<form class="list" action="${self}" method="post"><button name="do" value="confirm">Yes, send it to me</button><button class="other" name="do" value="leave">No, forget my address</button></form>`,
      );

/** What was done. */
export const doneDocument = (done: "confirmed" | "left", title: string): string =>
  done === "confirmed"
    ? listPage(
        "en",
        `It comes to you · ${title}`,
        html`<h1>It comes to you</h1><p class="lead">The next issue of “${title}” goes to your mailbox. In each of them there is the way to leave.</p>`,
      )
    : listPage(
        "en",
        "You are off the list",
        html`<h1>You are off the list</h1><p class="lead">Nothing else is sent to you, and your address is deleted.</p>`,
      );
