import { expect, test } from "vitest";
import { decodePage } from "./decode";

const bytes = (...parts: (string | number[])[]) =>
  Buffer.concat(
    parts.map((part) => (typeof part === "string" ? Buffer.from(part, "latin1") : Buffer.from(part))),
  );

test("valid UTF-8 is UTF-8, whatever the page or its server claims", () => {
  const page = Buffer.from('<meta charset="iso-8859-1">Hochmoor – Märzenbecher 沼');
  expect(decodePage(page, "text/html; charset=windows-1252")).toContain("Hochmoor – Märzenbecher 沼");
});

/** HTML standard, "determining the character encoding"; labels and tables of the Encoding standard (WHATWG). */
test("else a byte order mark counts first, then the server, then what the page says, then windows-1252", () => {
  const umlaut = [0xe4]; // "ä" in windows-1252, "д" in windows-1251, alone no UTF-8
  expect(decodePage(bytes("M", umlaut), undefined)).toBe("Mä");
  expect(decodePage(bytes("M", umlaut), "text/html; charset=windows-1251")).toBe("Mд");
  expect(decodePage(bytes("M", umlaut), 'text/html;charset="WINDOWS-1251"')).toBe("Mд");
  expect(decodePage(bytes('<meta charset="koi8-r">', umlaut), "text/html")).toContain("Д");
  const typed = '<meta http-equiv="content-type" content="text/html; charset=windows-1251">';
  expect(decodePage(bytes(typed, umlaut), undefined)).toContain("д");
  // The server is believed before the page.
  expect(decodePage(bytes('<meta charset="koi8-r">', umlaut), "text/html; charset=windows-1251")).toContain(
    "д",
  );
  expect(decodePage(bytes([0xff, 0xfe, 0x4d, 0x00, 0xe4, 0x00]), "text/html; charset=koi8-r")).toBe("Mä");
  expect(decodePage(bytes("M", umlaut), "text/html; charset=no-such-thing")).toBe("Mä");
  expect(decodePage(bytes("M", [0x80, 0x93], umlaut), undefined)).toBe("M€“ä");
  expect(decodePage(bytes('<?xml version="1.0" encoding="iso-8859-5"?><html>', umlaut), undefined)).toContain(
    "ф",
  );
});

test("pages in other scripts by the encodings of their countries", () => {
  // "湿地" in Shift_JIS, "습지" in EUC-KR, "湿地" in GBK.
  expect(decodePage(bytes([0x8e, 0xbc, 0x92, 0x6e]), "text/html; charset=shift_jis")).toBe("湿地");
  expect(decodePage(bytes([0xbd, 0xc0, 0xc1, 0xf6]), "text/html; charset=euc-kr")).toBe("습지");
  expect(decodePage(bytes([0xca, 0xaa, 0xb5, 0xd8]), "text/html; charset=gb2312")).toBe("湿地");
});
