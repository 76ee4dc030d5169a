import type { IncomingMessage } from "node:http";
import { expect, test } from "vitest";
import { codingOf, readerAsked } from "./reader";

/** RFC 9110 §12.5.3, with its examples of Accept-Encoding. */
test.each([
  ["gzip, deflate, br, zstd", "br"],
  ["compress, gzip", "gzip"],
  ["", "identity"],
  ["*", "br"],
  ["compress;q=0.5, gzip;q=1.0", "gzip"],
  ["gzip;q=1.0, identity; q=0.5, *;q=0", "gzip"],
  ["br;q=0, gzip", "gzip"],
  ["br; q=0.0, gzip;q=0.000", "identity"],
  ["BR", "br"],
  ["x-br, vgzip", "identity"],
  [undefined, "identity"],
])("who takes “%s” gets %s", (accepted, coding) => {
  expect(codingOf(accepted)).toBe(coding);
});

test("only the page itself is sent by the front, in one of its views", () => {
  const asked = (url: string, method = "GET") => readerAsked({ url, method } as IncomingMessage);
  expect(asked("/c/abc-DEF_1")).toEqual({ code: "abc-DEF_1", part: null, edition: null, view: null });
  expect(asked("/c/abc?view=cards", "HEAD")).toEqual({
    code: "abc",
    part: null,
    edition: null,
    view: "cards",
  });
  expect(asked("/c/abc?view=<script>")).toEqual({ code: "abc", part: null, edition: null, view: null });
  expect(asked("/c/abc/e/12")).toEqual({ code: "abc", part: null, edition: 12, view: null });
  for (const url of ["/c/abc/e/0", "/c/abc/e/2/changes", "/c/abc/p/1", "/c/", "/c/a%20b", "/collections"])
    expect(asked(url)).toBeNull();
  expect(asked("/c/abc", "POST")).toBeNull();
});
