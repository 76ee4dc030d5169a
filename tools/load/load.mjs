import { Listener } from "./listener.mjs";
import { makeTeam } from "./people.mjs";
import { Journal, Person } from "./person.mjs";
import { verify } from "./verify.mjs";
import { Work } from "./work.mjs";
import { wait } from "../lib/processes.mjs";

/** Writers and listeners on one team, and what came of it. */
export class Load {
  journal = new Journal();

  /**
   * @param {{ url: string, base: string, writers: number, listeners?: number, pause?: number }} options `base` is where
   *   Hobbin answers; `pause` is how long a writer rests between two calls
   */
  static async begin({ url, base, writers, listeners = 0, pause = 20 }) {
    const load = new Load();
    const { team, tokens } = await makeTeam(url, writers);
    const people = tokens.map((token) => new Person({ token, base, journal: load.journal }));
    const collections = [];
    for (let i = 0; i < 3; i++) {
      const made = await people[0].call("collections.make", { team, title: `Load ${i + 1}` });
      collections.push(made.collection.id);
    }
    load.listeners = Array.from(
      { length: listeners },
      (_, i) => new Listener({ token: tokens[i % tokens.length], base, team }),
    );
    load.work = new Work({ team, collections });
    load.writing = people.map((person) => load.work.write(person, { pause }));
    Object.assign(load, { url, people });
    return load;
  }

  /** Lets everybody finish, and looks at what there is. */
  async end() {
    this.work.stop();
    await Promise.all(this.writing);
    const { journal } = this;
    const { calls, again, longest } = journal;
    const errors = [...journal.errors];
    const verified = await verify(this.url, this.work, this.people[0]);
    // What was told last has been told.
    await wait(3_000);
    const items = [...this.work.placed.values()];
    // Whoever was told to read everything anew, or came again, has lost nothing by what was not told.
    const late = this.listeners.filter(
      ({ heard, anew }) => !anew && items.some((item) => !heard.has(item)),
    ).length;
    await Promise.all(this.listeners.map((listener) => listener.end()));
    return { ...verified, calls, again, longest, errors, late, journal };
  }
}
