import { afterAll, expect, test, vi } from "vitest";

vi.mock("./settings", () => ({ settings: () => ({ secret: "a secret of at least thirty-two letters" }) }));
vi.resetModules();
const { seal, unseal } = await import("./seal");
// Other files of this process are to get the real settings.
afterAll(() => {
  vi.doUnmock("./settings");
  vi.resetModules();
});

test("what is sealed is not to be read, is another text each time, and comes out as it was", () => {
  const words = "Confirm here: https://hobbin.example/verify?token=abc Łódź";
  const [one, two] = [seal(words), seal(words)];
  expect(one).not.toBe(two);
  expect(Buffer.from(one, "base64").toString("latin1")).not.toContain("token");
  expect([unseal(one), unseal(two)]).toEqual([words, words]);
});

test("what was changed since is not opened", () => {
  const bytes = Buffer.from(seal("words"), "base64");
  bytes[bytes.length - 1]! ^= 1;
  expect(() => unseal(bytes.toString("base64"))).toThrow();
});
