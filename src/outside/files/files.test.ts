import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { text } from "node:stream/consumers";
import { afterAll, afterEach, beforeEach, expect, test, vi } from "vitest";
import { sha256 } from "../hash";

const folder = vi.hoisted(() => ({ path: "" }));
vi.mock("../settings", () => ({ settings: () => ({ files: folder.path, s3: "" }) }));
const { adoptFile, headOf, openFile, readStored, storeFile, withStored } = await import(".");
beforeEach(() => {
  folder.path = mkdtempSync(path.join(os.tmpdir(), "hobbin-files-"));
});
afterEach(() => rmSync(folder.path, { recursive: true, force: true }));
afterAll(() => vi.resetModules());

const peat = Buffer.from("Peat is what moss becomes.");
const files = () =>
  readdirSync(folder.path, { recursive: true, withFileTypes: true }).filter((one) => one.isFile());

/** The name is the SHA-256 of the content (FIPS 180-4), so that the same content is the same file. */
test("a file is stored once under the hash of its content, however often and by however many at once", async () => {
  const hashes = await Promise.all([1, 2, 3].map(() => storeFile(peat)));
  expect(new Set(hashes)).toEqual(new Set([sha256(peat)]));
  expect(files()).toHaveLength(1);
  expect(await withStored(hashes[0]!, async (file) => readFileSync(file))).toEqual(peat);
});

test("a file that was sent is taken over, and stays where it lay until it is let go; one that is here already too", async () => {
  for (let i = 0; i < 2; i++) {
    const sent = path.join(folder.path, "sent");
    writeFileSync(sent, "A longer one");
    expect(await adoptFile(sent)).toEqual({ hash: sha256(Buffer.from("A longer one")), bytes: 12 });
    expect(existsSync(sent)).toBe(true);
    rmSync(sent);
  }
  expect(files()).toHaveLength(1);
});

test("it is read whole, from one byte to another, or only its beginning", async () => {
  const hash = await storeFile(peat);
  const whole = await openFile(hash);
  expect([await text(whole!.stream), whole!.bytes]).toEqual([peat.toString(), peat.length]);
  expect(await text((await openFile(hash, { start: 8, end: 11 }))!.stream)).toBe("what");
  expect((await headOf(hash, 4)).toString()).toBe("Peat");
  expect(await readStored(hash)).toEqual(peat);
});

test("only what is the hash of something stored opens anything", async () => {
  for (const name of [
    "",
    "../../etc/passwd",
    sha256(Buffer.from("not here")),
    sha256(peat).toUpperCase(),
    `${sha256(peat)}/..`,
  ]) {
    expect(await openFile(name)).toBeNull();
    expect(await readStored(name)).toBeNull();
  }
});
