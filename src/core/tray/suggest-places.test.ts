import { expect, it } from "vitest";
import { suggestPlaces } from "./suggest-places";

it("suggests where what is like it stands, then where its site went; never where it stands", () => {
  const neighbours = [
    { collection: "a", title: "Week 3", likeness: 9 },
    { collection: "b", title: "Week 1", likeness: 2 },
    { collection: "c", title: "Here already", likeness: 30 },
  ];
  const sites = [{ collection: "d", title: "Newsletter", count: 12 }];
  expect(suggestPlaces(neighbours, sites, new Set(["c"]))).toEqual([
    { collection: "d", title: "Newsletter", why: "site" },
    { collection: "a", title: "Week 3", why: "alike" },
    { collection: "b", title: "Week 1", why: "alike" },
  ]);
  expect(suggestPlaces([], [], new Set())).toEqual([]);
});
