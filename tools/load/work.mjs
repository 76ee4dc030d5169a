import { randomBytes } from "node:crypto";
import { v7 } from "uuid";
import { wait } from "../lib/processes.mjs";

/**
 * What writers do to one team until they are told to stop: they bring in addresses, move and edit what they brought in,
 * tag it, and search. Everything that was acknowledged is noted, to be looked for afterwards.
 */
export class Work {
  /** Addresses whose bringing in was acknowledged, with the placement that was asked for. */
  placed = new Map();
  /** The last context line of a placement that was acknowledged; each placement is written to by one writer alone. */
  contexts = new Map();
  /** Tags that were acknowledged, by resource. */
  tagged = new Map();
  #going = true;

  /** @param {{ team: string, collections: string[] }} where */
  constructor({ team, collections }) {
    Object.assign(this, { team, collections });
  }

  stop() {
    this.#going = false;
  }

  /** One writer; ends when the work is stopped and the last call is answered. */
  async write(person, { pause = 0 } = {}) {
    const own = [];
    for (let i = 0; this.#going; i++) {
      await this.#once(person, own, i);
      if (pause) await wait(pause);
    }
  }

  async #once(person, own, i) {
    const collection = this.collections[i % this.collections.length];
    const some = own[Math.floor(Math.random() * own.length)];
    const what = some ? i % 5 : 0;
    if (what === 0) {
      const [address, placement] = [`https://load.example/${v7()}`, v7()];
      const said = await person.call("capture.address", { team: this.team, address, collection, placement });
      if (!said) return;
      this.placed.set(address, placement);
      own.push({ placement, resource: said.resource.id });
    }
    if (what === 1) await person.call("placements.move", { placement: some.placement, after: null });
    if (what === 2) {
      const context = `Line ${i} of w${randomBytes(8).toString("hex")}`;
      const before = this.contexts.get(some.placement) ?? "";
      const input = { placement: some.placement, context, base: { context: before } };
      if (await person.call("placements.edit", input)) this.contexts.set(some.placement, context);
    }
    if (what === 3) {
      const tag = `tag ${i % 40}`;
      if (await person.call("tags.add", { resource: some.resource, tags: [tag] }))
        this.tagged.set(`${some.resource} ${tag}`, true);
    }
    if (what === 4) await person.call("search.find", { team: this.team, query: `line tag ${i % 40}` });
  }
}
