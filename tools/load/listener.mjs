import { wait } from "../lib/processes.mjs";

/** Somebody who has a team open: hears events, comes again when the stream ends, and names what was heard last. */
export class Listener {
  heard = new Set();
  /** How often it was told to read everything anew. */
  anew = 0;
  opened = 0;
  #ended = false;
  #stop = new AbortController();

  constructor({ token, base, team }) {
    this.done = this.#listen({ token, base, team });
  }

  async #listen({ token, base, team }) {
    let last = "";
    while (!this.#ended) {
      try {
        const answer = await fetch(`${base}/api/live?team=${team}`, {
          headers: { authorization: `Bearer ${token}`, ...(last && { "last-event-id": last }) },
          signal: this.#stop.signal,
        });
        if (!answer.ok) throw new Error(String(answer.status));
        this.opened++;
        let rest = "";
        for await (const part of answer.body.pipeThrough(new TextDecoderStream())) {
          const blocks = (rest + part).split("\n\n");
          rest = blocks.pop();
          for (const block of blocks) {
            const id = /^id: ?(.+)$/m.exec(block)?.[1];
            const data = /^data: ?(.+)$/m.exec(block)?.[1];
            if (id) last = id;
            if (/^event: ?reload$/m.test(block)) this.anew++;
            else if (data) this.heard.add(JSON.parse(data).subject);
          }
        }
      } catch {
        // It is opened again.
      }
      if (!this.#ended) await wait(200);
    }
  }

  end() {
    this.#ended = true;
    this.#stop.abort();
    return this.done;
  }
}
