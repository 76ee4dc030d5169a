import { html } from "../publish/html";
import { listPage } from "../newsletter/list-document";

/**
 * What somebody finds at the address in letters about what is addressed to them.
 * @param address to which they go
 * @param self where the form is sent
 */
export const leaveLettersDocument = (address: string, self: string): string =>
  listPage(
    "en",
    "End these letters",
    html`<h1>End these letters</h1>
<p class="lead">What is addressed to you in Hobbin is sent to ${address}. It stands on your Desk all the same.</p>
<form class="list" action="${self}" method="post"><button name="do" value="leave">Send me no more</button></form>`,
  );

/** What was done. */
export const lettersEndedDocument = (): string =>
  listPage(
    "en",
    "No more letters",
    html`<h1>No more letters</h1><p class="lead">What is addressed to you stands on your Desk. In your account you say what you want to hear of by mail.</p>`,
  );
