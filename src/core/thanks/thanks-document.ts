import { html } from "../publish/html";
import { page } from "../publish/small-page";
import { FORM_STYLE } from "../publish/form-style";

/**
 * Where a reader says that something helped; whole with script off.
 * @param home where it is read
 * @param id of what is said: what is sent twice is said once
 * @param wrong what is wrong; empty: nothing yet
 */
export const helpedDocument = (
  { title, teamName, home, id }: { title: string; teamName: string; home: string; id: string },
  typed: { words: string; name: string },
  wrong: string,
): string =>
  page(
    `${wrong ? "Not quite: " : ""}It helped · ${title}`,
    "en",
    "/fonts",
    html`<nav class="up" aria-label="Part of"><a href="${home}">${title}</a></nav>
<h1>Say that it helped</h1>
<p class="lead">${teamName} reads it, and nobody else. With what you did with it, in a sentence, it is worth more; without one it is fine, too.</p>
<form class="form" action="${home}/helped" method="post"><input type="hidden" name="thanks" value="${id}">
<div><label class="head" for="words">What it was good for</label><textarea id="words" name="words" rows="3" maxlength="500">${typed.words}</textarea></div>
<div><label class="head" for="name">Your name, if you like</label><input id="name" name="name" value="${typed.name}" maxlength="80" autocomplete="name"></div>
<p class="wrong" role="status">${wrong}</p>
<button>Say so</button></form>`,
    { style: FORM_STYLE },
  );

/** What is said once it was sent. */
export const thankedDocument = (title: string, home: string): string =>
  page(
    `Said · ${title}`,
    "en",
    "/fonts",
    html`<h1>They will be glad</h1>
<p class="lead">Those who made “${title}” read it where they make it.</p>
<p><a class="to" href="${home}">Back to ${title}</a></p>`,
    { style: FORM_STYLE },
  );
