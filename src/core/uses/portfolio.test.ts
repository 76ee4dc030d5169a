import { expect, test } from "vitest";
import type { PublishedItem } from "../publish/model";
import { asEntry, pointedTo } from "./portfolio";

const home = "https://hobbin.example";

test("an address of ours points to a collection, any other to none", () => {
  expect(pointedTo(`${home}/c/k3x`, home)).toEqual({ code: "k3x", isWhole: true });
  expect(pointedTo(`${home}/c/k3x/?view=cards#i-1`, home)).toEqual({ code: "k3x", isWhole: true });
  expect(pointedTo(`${home}/c/k3x/in/7`, home)).toEqual({ code: "k3x", isWhole: false });
  for (const other of [
    "",
    "nonsense",
    `${home}/go`,
    `${home}/c/`,
    "https://bog.example/c/k3x",
    `${home}.evil/c/k3x`,
  ])
    expect(pointedTo(other, home), other).toBeNull();
});

test("what is pointed to is shown as it is now; what is not public is not there", () => {
  const cloth = { threads: [], tags: [] };
  const entry = {
    ...{ title: "Bog birds", description: "By ear.", teamName: "Rhea", cover: "c0ffee" },
    ...{ count: 7, minutes: 31, cloth },
  };
  const open = new Map([["k3x", entry]]);
  const item = {
    id: "i",
    address: `${home}/c/k3x`,
    title: "As it was called once",
    copy: "chosen",
  } as PublishedItem;
  expect(asEntry(item, home, open)).toMatchObject({
    ...{ title: "Bog birds", siteName: "Rhea", minutes: 31, picture: "c0ffee", copy: null },
    opens: { count: 7, minutes: 31, cloth },
  });
  expect(asEntry({ ...item, address: `${home}/c/gone` }, home, open)).toBeNull();
  expect(asEntry({ ...item, address: `${home}/c/gone/in/4` }, home, open)).toBeNull();
  const part = { ...item, address: `${home}/c/k3x/in/4` };
  expect(asEntry(part, home, open)).toEqual(part);
  const single = { ...item, address: "https://bog.example/" };
  expect(asEntry(single, home, open)).toBe(single);
});
