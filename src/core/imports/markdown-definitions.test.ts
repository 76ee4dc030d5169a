import { expect, test } from "vitest";
import { linksIn } from "../formats/imported";
import { definitionsIn } from "./markdown-definitions";
import { readAny } from "./read-any";

/** CommonMark 0.31.2, 4.7: definitions with a title, in angle brackets, labels in any case. */
test("a link that is defined apart from its words has them for a title", () => {
  const text = `The [map of the moor][1], the [Dam] and [again][DAM].

[1]: https://bog.example/map "A title"
[dam]: <https://bog.example/dam> 'Dams'
[^2]: https://bog.example/foot
[Unused one]:   https://bog.example/unused`;
  const named = [
    ["https://bog.example/map", "map of the moor"],
    ["https://bog.example/dam", "again"],
    ["https://bog.example/foot", ""],
    ["https://bog.example/unused", "Unused one"],
  ];
  expect(definitionsIn(text).map(({ address, title }) => [address, title])).toEqual(named);
  const pasted = linksIn(readAny("", text).file.root).map(({ address, title }) => [address, title]);
  expect(pasted).toEqual(named);
  const file = linksIn(readAny("list.md", text).file.root).map((link) => link.address);
  // The dam is led to twice.
  expect(file.toSorted()).toEqual([named[1]![0], ...named.map(([address]) => address)].toSorted());
});

test("what is used a thousand times, or defined so, is gone through once", () => {
  const uses = "[a][b] ".repeat(40_000);
  expect(definitionsIn(`${uses}\n[b]: https://bog.example/\n`)).toHaveLength(1);
  expect(definitionsIn("[".repeat(200_000))).toEqual([]);
});
