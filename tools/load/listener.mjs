import http from "node:http";
import { wait } from "../lib/processes.mjs";

/**
 * Somebody who has a team open: hears events, comes again when the stream ends, and names what was heard last. By node:http,
 * because what `fetch` of Node 20 begins stays open on this side when it is broken off.
 */
export class Listener {
  heard = new Set();
  /** How often it was told to read everything anew. */
  anew = 0;
  opened = 0;
  #ended = false;
  #last = "";
  #request = null;

  constructor({ token, base, team }) {
    this.done = this.#listen({ token, base, team });
  }

  async #listen(where) {
    while (!this.#ended) {
      await this.#once(where);
      if (!this.#ended) await wait(200);
    }
  }

  /** One stream, to its end, whatever that is. */
  #once({ token, base, team }) {
    const headers = { authorization: `Bearer ${token}`, ...(this.#last && { "last-event-id": this.#last }) };
    return new Promise((resolve) => {
      this.#request = http.get(`${base}/api/live?team=${team}`, { headers, agent: false }, (answer) => {
        if (answer.statusCode === 200) this.opened++;
        let rest = "";
        answer.setEncoding("utf8");
        answer.on("data", (part) => {
          const blocks = (rest + part).split("\n\n");
          rest = blocks.pop();
          for (const block of blocks) this.#hear(block);
        });
        answer.on("close", resolve);
      });
      this.#request.on("error", resolve);
    });
  }

  #hear(block) {
    this.#last = /^id: ?(.+)$/m.exec(block)?.[1] ?? this.#last;
    const data = /^data: ?(.+)$/m.exec(block)?.[1];
    if (/^event: ?reload$/m.test(block)) this.anew++;
    else if (data) this.heard.add(JSON.parse(data).subject);
  }

  end() {
    this.#ended = true;
    this.#request?.destroy();
    return this.done;
  }
}
