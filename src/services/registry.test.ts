import { existsSync, readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { expect, test } from "vitest";

const SERVICES = path.join(process.cwd(), "src/services");
const folders = readdirSync(SERVICES, { withFileTypes: true }).filter((one) => one.isDirectory());

/** The actions a file defines, by their names. Read as text, because to load them all takes seconds. */
const namesIn = (file: string) =>
  [...readFileSync(file, "utf8").matchAll(/= (?:action|reading)\(\{\s*name: "([^"]+)"/g)].map(
    ([, name]) => name!,
  );

const defined = folders.flatMap(({ name: folder }) =>
  readdirSync(path.join(SERVICES, folder))
    .filter((file) => file.endsWith(".ts") && !file.endsWith(".test.ts"))
    .flatMap((file) => namesIn(path.join(SERVICES, folder, file)).map((name) => ({ name, folder, file }))),
);

test("an action stands in the folder its name begins with, in the file the rest of it names", () => {
  expect(defined.length).toBeGreaterThan(100);
  for (const { name, folder, file } of defined) expect(`${folder}.${file}`).toBe(`${name}.ts`);
});

test("each folder's index lists its actions, and the registry every folder that has some", () => {
  const registry = readFileSync(path.join(SERVICES, "registry.ts"), "utf8");
  for (const folder of new Set(defined.map((one) => one.folder))) {
    const index = path.join(SERVICES, folder, "index.ts");
    expect(existsSync(index), folder).toBe(true);
    const listed = [...readFileSync(index, "utf8").matchAll(/^ {2}"([^"]+)":/gm)].map(([, name]) => name);
    const own = defined.filter((one) => one.folder === folder).map((one) => one.name);
    expect(listed.toSorted()).toEqual(own.toSorted());
    expect(registry).toContain(`from "./${folder}"`);
  }
});
