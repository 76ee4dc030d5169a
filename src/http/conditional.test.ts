import { expect, test } from "vitest";
import { hasAlready, isRangeOf } from "./conditional";

/** RFC 9110 §8.8.3.2, its table: two entity-tags, compared strongly and weakly. */
test.each([
  ['W/"1"', 'W/"1"', false, true],
  ['W/"1"', 'W/"2"', false, false],
  ['W/"1"', '"1"', false, true],
  ['"1"', '"1"', true, true],
])("%s and %s: strongly %s, weakly %s", (one, other, strong, weak) => {
  expect([isRangeOf(one, other), hasAlready(one, other)]).toEqual([strong, weak]);
  expect(hasAlready(other, one)).toBe(weak);
});

/** RFC 9110 §13.1.2, its examples. */
test.each([
  ['"xyzzy"', true],
  ['W/"xyzzy"', true],
  ['"xyzzy", "r2d2xxxx", "c3piozzzz"', true],
  ['W/"xyzzy", W/"r2d2xxxx", W/"c3piozzzz"', true],
  ["*", true],
  ['"r2d2xxxx"', false],
  ['"xyzzy-gzip", "a"', false],
  ["xyzzy", false],
  ["", false],
])("If-None-Match: %s", (header, expected) => expect(hasAlready(header, '"xyzzy"')).toBe(expected));

/** RFC 9110 §13.1.5: a validator that does not match means the whole; a date is no match for a tag. */
test("a range of something else, or as of a date, is none", () => {
  expect(isRangeOf(null, '"a"')).toBe(true);
  expect(isRangeOf('"a"', '"a"')).toBe(true);
  expect(isRangeOf('"b"', '"a"')).toBe(false);
  expect(isRangeOf("Sat, 29 Oct 1994 19:43:31 GMT", '"a"')).toBe(false);
});
