import { expect, it } from "vitest";
import { asComfort, minutesLeft, placeIn, USUAL } from "./comfort";

it("makes of whatever was stored something that can be shown", () => {
  expect(asComfort(null)).toEqual(USUAL);
  expect(asComfort({ size: "huge", face: "sans", extra: 1 })).toEqual({ ...USUAL, face: "sans" });
});

it("says what is left, and where one was in another copy", () => {
  expect([
    minutesLeft(9, 0, 900),
    minutesLeft(9, 850, 900),
    minutesLeft(9, 900, 900),
    minutesLeft(9, 5, 0),
  ]).toEqual([...[9, 1, 0, 0]]);
  expect([placeIn(450, 900, 1_800), placeIn(5, 0, 100), placeIn(2_000, 900, 100)]).toEqual([900, 0, 100]);
});
