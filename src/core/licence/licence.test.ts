import { expect, test } from "vitest";
import { CHOICES, licenceAddress, mayHandOn, sayLicence } from "./known";
import { licenceId } from "./licence-id";
import { onlyLicence, readLicence } from "./read-licence";

test.each([
  // Addresses of Creative Commons, https://creativecommons.org/licenses/list.en
  ["https://creativecommons.org/licenses/by-sa/4.0/deed.de", "CC-BY-SA-4.0"],
  ["http://creativecommons.org/licenses/by/3.0/de/", "CC-BY-3.0-DE"],
  ["//creativecommons.org/licenses/by/2.5/ch/legalcode", "CC-BY-2.5"],
  ["https://creativecommons.org/publicdomain/zero/1.0/", "CC0-1.0"],
  ["https://creativecommons.org/publicdomain/mark/1.0/", "CC-PDM-1.0"],
  ["https://creativecommons.org/licenses/by/4.0/deed.en", "CC-BY-4.0"],
  ["CC BY-NC-SA 4.0", "CC-BY-NC-SA-4.0"],
  ["Text: CC-BY-ND", "CC-BY-ND"],
  ["Creative Commons Attribution-NonCommercial-ShareAlike 2.0 Generic", "CC-BY-NC-SA-2.0"],
  ["https://spdx.org/licenses/MIT.html", "MIT"],
  ["https://opensource.org/licenses/Apache-2.0", "Apache-2.0"],
  ["apache-2.0", "Apache-2.0"],
  ["Public domain", "CC-PDM-1.0"],
  ["All rights reserved. Do not copy.", "reserved"],
  ["https://shop.example/terms", null],
  ["Copyright 2026 Standing Water", null],
  ["A cc to all by 4.0 o'clock", null],
  ["", null],
])("%s names %s", (written, id) => {
  expect(readLicence(written)).toBe(id);
});

test("every licence that can be chosen has a name, reads back from its own address, and says whether it is handed on", () => {
  for (const id of CHOICES) {
    expect(licenceId(id), id).toBe(id);
    expect(sayLicence(id)).not.toBe("");
    const address = licenceAddress(id);
    if (address) expect(readLicence(address), id).toBe(id);
  }
  expect(CHOICES.map(mayHandOn).filter((one) => one !== "yes")).toEqual(["link"]);
  expect(sayLicence("CC-BY-3.0-DE")).toBe("CC BY 3.0 DE");
  expect(sayLicence("CC-BY-NC-SA-4.0")).toBe("CC BY-NC-SA 4.0");
  expect(mayHandOn("")).toBe("unknown");
});

test("a page's links name its licence when there is one of them, whatever else they lead to", () => {
  const by = "https://creativecommons.org/licenses/by/4.0/";
  expect(onlyLicence([by, `${by}deed.de`, "https://bog.example"])).toBe("CC-BY-4.0");
  expect(onlyLicence([by, "https://creativecommons.org/licenses/by-sa/4.0/"])).toBeNull();
  expect(onlyLicence(["https://creativecommons.org/"])).toBeNull();
});

test("ten times the words take no longer to read: only their beginning is looked at", () => {
  expect(readLicence(`${"cc by ".repeat(100_000)}`)).toBe("CC-BY");
});
