import fc from "fast-check";
import { expect, test } from "vitest";
import { compareFragments, type Fragment, readFragment, sayFragment, writeFragment } from "./fragments";

// The examples of Media Fragments URI 1.0, W3C Recommendation of 25 September 2012, 4.2.1 and 4.2.2, from memory.
test("times and regions as the recommendation has them", () => {
  const times: [string, number | null, number | null][] = [
    ["t=10,20", 10, 20],
    ["t=,20", 0, 20],
    ["t=10", 10, null],
    ["t=npt:10,20", 10, 20],
    ["t=npt:0:02:00,121", 120, 121],
    ["t=1:35.7", 95, null],
    ["#t=10&other=1", 10, null],
  ];
  for (const [written, from, to] of times) expect(readFragment(written), written).toMatchObject({ from, to });
  expect(readFragment("xywh=percent:25,25,50,50")?.region).toEqual({ x: 25, y: 25, w: 50, h: 50 });
  expect(readFragment("page=3&xywh=percent%3A0,0,100,33.3")).toMatchObject({
    page: 3,
    region: { x: 0, y: 0, w: 100, h: 33.3 },
  });
  const none = [
    "",
    "t=",
    "t=20,10",
    "t=10,10",
    "t=smpte:10",
    "t=a",
    "xywh=160,120,320,240",
    "page=0",
    "page=x",
  ];
  const wide = [
    "xywh=percent:60,0,50,10",
    "xywh=percent:0,0,0,10",
    "xywh=percent:-1,0,5,5",
    "t=10&page=0",
    "t=%zz",
  ];
  for (const written of [...none, ...wide, "id=chapter"]) expect(readFragment(written), written).toBeNull();
});

const fragment: fc.Arbitrary<Fragment> = fc
  .record({
    page: fc.option(fc.integer({ min: 1, max: 2_000 })),
    from: fc.option(fc.nat({ max: 300_000 })),
    long: fc.option(fc.integer({ min: 1, max: 5_000 })),
    region: fc.option(
      fc
        .tuple(
          fc.nat({ max: 490 }),
          fc.nat({ max: 490 }),
          fc.integer({ min: 1, max: 500 }),
          fc.integer({ min: 1, max: 500 }),
        )
        .map(([x, y, w, h]) => ({ x: x / 10, y: y / 10, w: w / 10, h: h / 10 })),
    ),
  })
  .map(({ page, from, long, region }) => ({
    ...{ page, region, from },
    to: from === null || long === null ? null : from + long,
  }));

test("what is written is read back the same, and said in words", () => {
  fc.assert(
    fc.property(fragment, (one) => {
      const written = writeFragment(one);
      expect(written.length).toBeLessThan(120);
      const isWhole = one.page === null && one.from === null && one.region === null;
      expect(readFragment(written)).toEqual(isWhole ? null : one);
      expect(sayFragment(written) === "").toBe(isWhole);
    }),
  );
  expect(
    ["t=95", "t=95,130", "page=3&xywh=percent:1,1,5,5", "xywh=percent:1,1,5,5"].map(sayFragment),
  ).toEqual(["At 1:35", "1:35 to 2:10", "Page 3, a part of it", "A part of the picture"]);
  expect(["page=2", "t=9", "page=1&xywh=percent:0,50,1,1", "page=1", "t=8,9"].sort(compareFragments)).toEqual(
    ["t=8,9", "t=9", "page=1", "page=1&xywh=percent:0,50,1,1", "page=2"],
  );
});
