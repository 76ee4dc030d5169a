import { expect, test } from "vitest";
import { type Sayings, weighedOf } from "./weighed";

const said = (more: Partial<Sayings> = {}): Sayings => ({
  ...{ resource: "a", people: 1, apart: false, agreed: false, copy: 1, newest: 1 },
  ...more,
});
const is = (...sayings: Sayings[]) => weighedOf(sayings).map((one) => one.is);

test("how far a thing is judged: what is to be done about comes first, whatever else is so", () => {
  expect(is(said())).toEqual(["one"]);
  expect(is(said({ people: 2 }))).toEqual(["some"]);
  expect(is(said({ agreed: true }))).toEqual(["agreed"]);
  expect(is(said({ agreed: true, newest: 2 }))).toEqual(["old"]);
  expect(is(said({ apart: true, newest: 2 }))).toEqual(["in dispute"]);
});

test("of several rounds the dispute of any, the agreement of any and the newest judgement count", () => {
  expect(is(said({ agreed: true }), said({ people: 3, apart: true }))).toEqual(["in dispute"]);
  expect(is(said({ copy: 1, newest: 2 }), said({ copy: 2, newest: 2, agreed: true }))).toEqual(["agreed"]);
  expect(weighedOf([said(), said({ people: 3 }), said({ resource: "b" })])).toEqual([
    { resource: "a", is: "some", people: 3 },
    { resource: "b", is: "one", people: 1 },
  ]);
});
