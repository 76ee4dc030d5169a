import { Readable } from "node:stream";
import { ABOUT_PERSON, rowsAbout } from "@/data/archive/about-person";
import { reading } from "@/mechanism/action";
import { database } from "@/mechanism/changing";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

export const aboutMe = reading({
  name: "people.about-me",
  about:
    "Whose everything /api/about-me gives: what Hobbin knows of oneself, as JSON; without what opens doors.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: ({ scope }) => Promise.resolve({ person: scope.person! }),
});

/** Everything about a person as JSON, made while it is read: a list of rows for each table. */
export function everythingAbout(person: string): Readable {
  // Bytes, since what is sent is bytes.
  return Readable.from(parts(person), { objectMode: false });
}

async function* parts(person: string): AsyncGenerator<string> {
  yield `{\n"form": 1,\n"at": ${JSON.stringify(now())}`;
  for (const table of ABOUT_PERSON) {
    yield `,\n${JSON.stringify(table.name)}: [`;
    let isFirst = true;
    for await (const rows of rowsAbout(database(), table, person))
      for (const row of rows) {
        yield `${isFirst ? "" : ","}\n${JSON.stringify(row)}`;
        isFirst = false;
      }
    yield "]";
  }
  yield "\n}\n";
}
