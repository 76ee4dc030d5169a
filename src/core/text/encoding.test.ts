import { expect, test } from "vitest";
import { encodingOf } from "./encoding";

const bytes = (...parts: (string | number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === "string" ? [...part].map((c) => c.charCodeAt(0)) : part)),
  );
const any = () => true;
/** “ä” in Western European, alone no UTF-8. */
const A = [0xe4];

test.each<[string, Uint8Array, string]>([
  ["a byte order mark", bytes([0xff, 0xfe, 0x4d, 0x00]), "utf-16le"],
  ["the other one", bytes([0xfe, 0xff, 0x00, 0x4d]), "utf-16be"],
  ["valid UTF-8, whatever it says", bytes('<?xml version="1.0" encoding="koi8-r"?>', [0xc3, 0xa4]), "utf-8"],
  ["an XML declaration", bytes('<?xml version="1.0" encoding="iso-8859-2"?><opml>', A), "iso-8859-2"],
  ["a meta element", bytes('<html><head><meta charset="windows-1251">', A), "windows-1251"],
  [
    "the older one",
    bytes('<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=Shift_JIS">', A),
    "Shift_JIS",
  ],
  ["two bytes said in one", bytes('<?xml version="1.0" encoding="UTF-16"?>', A), "windows-1252"],
  ["nothing said", bytes("M", A), "windows-1252"],
])("%s", (_, file, encoding) => {
  expect(encodingOf(file, any)).toBe(encoding);
});

test("a name nobody knows is no encoding", () => {
  expect(encodingOf(bytes('<meta charset="no-such">', A), (label) => label !== "no-such")).toBe(
    "windows-1252",
  );
});
