import fc from "fast-check";
import { expect, test } from "vitest";
import { isInside, manifestLine, readManifest } from "./bag";
import { exchangeIds, IdBook, localId, readLocalId } from "./local-ids";
import { broughtBack, isMinted, mintedId } from "./minted-ids";

const UUID = fc.uuid();
const MINT = { at: Date.UTC(2026, 10, 28), salt: "0badcafe" };

test("ids are numbered by their order, each once, whatever the order in which they came", () => {
  fc.assert(
    fc.property(fc.array(UUID, { maxLength: 60 }), UUID, (ids, other) => {
      const book = new IdBook();
      for (const id of [...ids, ...ids.slice(0, 3)]) book.add(id);
      const sorted = [...new Set(ids)].sort();
      expect(sorted.map((id) => book.numberOf(id))).toEqual(sorted.map((_, i) => i));
      if (!ids.includes(other)) expect(book.numberOf(other)).toBeNull();
    }),
  );
});

test("what goes out and comes back twice has the same ids in the archive, in the same order", () => {
  fc.assert(
    fc.property(fc.array(fc.nat({ max: 2 ** 31 - 1 }), { minLength: 1, maxLength: 40 }), (counts) => {
      const all = [...new Set(counts)].sort((a, b) => a - b);
      const minted = all.map((count) => mintedId(MINT, "row", count));
      expect(minted.toSorted()).toEqual(minted);
      expect(new Set(minted).size).toBe(all.length);
      for (const id of minted) {
        expect(id).toMatch(/^[\da-f]{8}-[\da-f]{4}-7[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/);
        expect(isMinted(id, MINT)).toBe(true);
        expect(isMinted(id, { ...MINT, salt: "0badcaff" })).toBe(false);
      }
    }),
  );
  expect(isMinted(mintedId(MINT, "person", 3), MINT)).toBe(false);
});

test("no id from outside of the archive means anything once it is brought back", () => {
  const people = new Map([[0, "018f0000-0000-7000-8000-00000000aaaa"]]);
  const ours = "018f0000-0000-7000-8000-00000000bbbb";
  const back = broughtBack(MINT, ours, people, () => "c".repeat(64));
  const all = [localId("row", 7), localId("person", 0), localId("person", 9), localId("team", 0)];
  const [row, me, nobody, team] = all.map(back);
  expect(row).toBe(mintedId(MINT, "row", 7));
  expect([me, team]).toEqual([people.get(0), ours]);
  expect(readLocalId(nobody!)!.kind).toBe("other");
  fc.assert(
    fc.property(UUID, (id) => {
      expect(readLocalId(back(id))?.kind).toBe("other");
    }),
  );
  // What people wrote is theirs, whatever it looks like.
  const words = JSON.stringify({
    id: ours,
    note: `see https://x.example/${ours}`,
    file: `/api/file/${ours}`,
  });
  expect(JSON.parse(exchangeIds(words, () => "x"))).toEqual({
    ...{ id: "x", note: `see https://x.example/${ours}`, file: "/api/file/x" },
  });
});

test("a manifest is read back as it was written; a path that leads out, or stands twice, is refused (RFC 8493, 5.1)", () => {
  const hash = "a".repeat(64);
  for (const path of ["data/a b.txt", "data/100%.txt", "data/a\nb", "data/é.txt"])
    expect(readManifest(manifestLine(hash, path))).toEqual(new Map([[path, hash]]));
  for (const path of ["../x", "/etc/passwd", "data/../../x", "~/x", "data//x", "C:/x", "data\\x", "data/."])
    expect([isInside(path), readManifest(manifestLine(hash, path))], path).toEqual([false, null]);
  expect(readManifest(manifestLine(hash, "data/a") + manifestLine(hash, "data/a"))).toBeNull();
  expect(readManifest("no manifest\n")).toBeNull();
});
