import { expect, test } from "vitest";
import { sitesToLeaveOut, whatToLeaveOut } from "./wrong";

test("a site a rule is nearly always wrong about could be left out, unless the rule is about nothing else", () => {
  const said = [
    { host: "shop.bog.example", right: 1, wrong: 5 },
    { host: "news.bog.example", right: 2, wrong: 4 },
    { host: "maps.bog.example", right: 0, wrong: 2 },
    { host: "ads.bog.example", right: 0, wrong: 9 },
  ];
  const hosts = (when: object, unless: { host: string }[] = []) =>
    sitesToLeaveOut(when, unless, said).map((one) => one.host);
  expect(hosts({ host: "bog.example" })).toEqual(["ads.bog.example", "shop.bog.example"]);
  expect(hosts({ word: "peat" })).toEqual(["ads.bog.example", "shop.bog.example"]);
  expect(hosts({ host: "bog.example" }, [{ host: "ads.bog.example" }])).toEqual(["shop.bog.example"]);
  expect(hosts({ host: "ads.bog.example" })).toEqual([]);
});

test("of one thing its site and its sender could be left out", () => {
  const facts = { host: "news.bog.example", sender: "The Weekly <weekly@peat.example>" };
  expect(whatToLeaveOut({ word: "peat" }, facts)).toEqual([
    { host: "news.bog.example" },
    { sender: "weekly@peat.example" },
  ]);
  expect(whatToLeaveOut({ host: "bog.example" }, facts)[0]).toEqual({ host: "news.bog.example" });
  expect(whatToLeaveOut({ host: "news.bog.example", sender: "peat" }, facts)).toEqual([]);
  expect(whatToLeaveOut({ word: "peat" }, { host: "", sender: "" })).toEqual([]);
});
