import { FORM_STYLE } from "../publish/form-style";
import { html, type Markup } from "../publish/html";
import { page } from "../publish/small-page";
import { REASON_WORDS, type Reason } from "./reasons";

/** What was typed, to stand in the form again, and what is wrong with it, by its field. */
export type Typed = { reason: string; words: string; address: string };
export type Wrong = Partial<Record<keyof Typed, string>>;

const wrongOf = (wrong: Wrong, field: keyof Typed): Markup | null =>
  wrong[field] ? html`<p class="wrong" id="wrong-${field}">${wrong[field]}</p>` : null;
const described = (wrong: Wrong, field: keyof Typed): Markup | null =>
  wrong[field] ? html` aria-invalid="true" aria-describedby="wrong-${field}"` : null;

/**
 * Where something public is reported to the stewards; whole with script off.
 * @param home where it is read
 */
export const reportDocument = (title: string, home: string, typed: Typed, wrong: Wrong): string =>
  page(
    `${Object.keys(wrong).length ? "Not quite: " : ""}Report “${title}”`,
    "en",
    "/fonts",
    html`<nav class="up" aria-label="Part of"><a href="${home}">${title}</a></nav>
<h1>Report this to the stewards</h1>
<p class="lead">Those who look after this installation read it, and can hide “${title}” from its readers. The people who made it are not told who reported it.</p>
<form class="form" action="${home}/report" method="post" novalidate>
<fieldset${described(wrong, "reason")}><legend>What is wrong with it?</legend>${(
      Object.keys(REASON_WORDS) as Reason[]
    ).map(
      (reason) =>
        html`<label class="one"><input type="radio" name="reason" value="${reason}"${typed.reason === reason ? html` checked` : null}> ${REASON_WORDS[reason]}</label>`,
    )}${wrongOf(wrong, "reason")}</fieldset>
<div><label class="head" for="words">Which part, and why</label><textarea id="words" name="words" rows="5" maxlength="2000"${described(wrong, "words")}>${typed.words}</textarea>${wrongOf(wrong, "words")}</div>
<div><label class="head" for="address">Your mail address, if they may ask you</label><input id="address" name="address" type="email" value="${typed.address}" maxlength="254" autocomplete="email"${described(wrong, "address")}>${wrongOf(wrong, "address")}</div>
<button>Send the report</button></form>`,
    { style: FORM_STYLE },
  );

/** What is said once it was sent. */
export const reportedDocument = (title: string, home: string): string =>
  page(
    `Sent · ${title}`,
    "en",
    "/fonts",
    html`<h1>The stewards have it</h1>
<p class="lead">They look at “${title}” and decide. Thank you for saying so.</p>
<p><a class="to" href="${home}">Back to ${title}</a></p>`,
    { style: FORM_STYLE },
  );
