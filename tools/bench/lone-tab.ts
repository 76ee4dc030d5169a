import type { Browser, CDPSession, Cookie } from "@playwright/test";

/** A message to a tab, and what it answers (Chrome DevTools Protocol). */
type Answer = { id: number; result?: { result?: { value?: unknown } }; error?: { message: string } };

/**
 * A tab that nobody is attached to while it works. Who drives one is told of each request and script, and holds up each
 * worker until they have looked at it, which makes the coming of a page longer by a third; nobody who reads there has that.
 */
export class LoneTab {
  private constructor(
    private readonly browser: CDPSession,
    private readonly target: string,
  ) {}

  /** @param cookies who is signed in */
  static async open(browser: Browser, cookies: readonly Cookie[]): Promise<LoneTab> {
    const session = await browser.newBrowserCDPSession();
    // Of a context it did not make itself the driver keeps away.
    const { browserContextId } = await session.send("Target.createBrowserContext");
    await session.send("Storage.setCookies", {
      cookies: cookies.map(({ name, value, domain, path }) => ({ name, value, domain, path })),
      browserContextId,
    });
    const { targetId } = await session.send("Target.createTarget", { url: "about:blank", browserContextId });
    return new LoneTab(session, targetId);
  }

  /** Goes to an address, and looks away. */
  async go(url: string): Promise<void> {
    await this.say("Page.navigate", { url });
  }

  /** What an expression is worth there, as JSON has it. @throws when the tab refuses it */
  async ask(expression: string): Promise<unknown> {
    return (await this.say("Runtime.evaluate", { expression, returnByValue: true })).result?.result?.value;
  }

  /** Is attached for as long as one answer takes. */
  private async say(method: string, params: object): Promise<Answer> {
    const { browser, target } = this;
    const { sessionId } = await browser.send("Target.attachToTarget", { targetId: target, flatten: false });
    const answered = new Promise<Answer>((resolve) => {
      const hear = (heard: { sessionId: string; message: string }) => {
        if (heard.sessionId !== sessionId) return;
        const answer = JSON.parse(heard.message) as Answer;
        if (answer.id !== 1) return;
        browser.off("Target.receivedMessageFromTarget", hear);
        resolve(answer);
      };
      browser.on("Target.receivedMessageFromTarget", hear);
    });
    await browser.send("Target.sendMessageToTarget", {
      sessionId,
      message: JSON.stringify({ id: 1, method, params }),
    });
    const answer = await answered;
    await browser.send("Target.detachFromTarget", { sessionId });
    if (answer.error) throw new Error(`${method}: ${answer.error.message}`);
    return answer;
  }
}
