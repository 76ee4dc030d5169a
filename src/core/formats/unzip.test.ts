import { strToU8, zipSync } from "fflate";
import { expect, test } from "vitest";
import { NotUnpacked, unzipWithin } from "./unzip";

const WITHIN = { bytes: 1_000_000, files: 10 };
const all = () => true;

test("what is wanted comes out as it went in, packed or not; the rest is only named", () => {
  const words = "Peat, layer by layer. ".repeat(3_000);
  const archive = zipSync({
    "a.xml": strToU8(words),
    "b.xml": [strToU8("as it is"), { level: 0 }],
    "c.xml": strToU8("x"),
  });
  const { files, names } = unzipWithin(archive, (name) => name !== "c.xml", WITHIN);
  expect(new TextDecoder().decode(files.get("a.xml"))).toBe(words);
  expect(new TextDecoder().decode(files.get("b.xml"))).toBe("as it is");
  expect([[...files.keys()], [...names]]).toEqual([
    ["a.xml", "b.xml"],
    ["a.xml", "b.xml", "c.xml"],
  ]);
});

test("an archive that says it is small and is not, wanted or not, is let go at the bound", () => {
  const archive = zipSync({ "bomb.xml": new Uint8Array(4_000_000) }, { level: 6 });
  const view = new DataView(archive.buffer);
  // Where local heads and the directory say how large it is unpacked (APPNOTE 4.3.7, 4.3.12).
  view.setUint32(22, 10, true);
  const directory = archive.findIndex(
    (_, i) => view.getUint32(Math.min(i, archive.length - 4), true) === 0x02014b50,
  );
  view.setUint32(directory + 24, 10, true);
  for (const wanted of [all, () => false])
    expect(() => unzipWithin(archive, wanted, WITHIN)).toThrow("too much in it");
});

test("too many files, half an archive and none at all are refused", () => {
  const many = zipSync(Object.fromEntries(Array.from({ length: 11 }, (_, i) => [`${i}`, strToU8("x")])));
  expect(() => unzipWithin(many, all, WITHIN)).toThrow("too many files");
  for (const broken of [many.subarray(0, 20), new Uint8Array(100), new Uint8Array(0)])
    expect(() => unzipWithin(broken, all, WITHIN)).toThrow(NotUnpacked);
});
