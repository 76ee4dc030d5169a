import fc from "fast-check";
import { expect, test } from "vitest";
import { flowOf, flowRows, type RoundTally } from "./flow";
import { flowSvg } from "./flow-svg";

const NOT_HAD = "The whole text is not to be had";
const titles: RoundTally = {
  things: 180,
  in: 40,
  out: 130,
  open: 10,
  reasons: [{ reason: "Another question", count: 130 }],
};
const texts: RoundTally = {
  ...{ things: 50, in: 18, out: 30, open: 2 },
  reasons: [
    { reason: "Another kind of study", count: 20 },
    { reason: NOT_HAD, count: 6 },
    { reason: null, count: 4 },
  ],
};

test("every box of the figure follows from the rounds and the searches", () => {
  const searches = [
    { kind: "database" as const, hits: 150 },
    { kind: "register" as const, hits: 60 },
  ];
  const flow = flowOf(searches, [titles, texts], NOT_HAD)!;
  expect(flow).toMatchObject({
    identified: { databases: 150, registers: 60, other: 0 },
    ...{ removedBefore: 30, screened: 180, excluded: 130, sought: 50, notRetrieved: 6, assessed: 44 },
    excludedFor: [
      { reason: "Another kind of study", count: 20 },
      { reason: "no reason said", count: 4 },
    ],
    ...{ included: 18, undecided: 2 },
  });
  expect(flowRows(flow).at(-1)).toEqual(["Included", "Included in the review", 18]);
});

test("what is not known is not said: no searches, one round alone, fewer found than screened", () => {
  const flow = flowOf([], [titles], NOT_HAD)!;
  expect(flow).toMatchObject({
    identified: null,
    removedBefore: null,
    sought: null,
    assessed: null,
    included: 40,
  });
  expect(flowRows(flow).map(([, what]) => what)).toEqual([
    "Records screened",
    "Records excluded",
    "Not decided on yet",
    "Included in the review",
  ]);
  expect(flowOf([{ kind: "other", hits: 3 }], [titles], null)?.removedBefore).toBeNull();
  expect(flowOf([], [], null)).toBeNull();
});

test("whatever the rounds came to, what goes into a box comes out of it", () => {
  const round = (things: number) =>
    fc.tuple(fc.nat(things), fc.nat(things)).map(([a, b]): RoundTally => {
      const [out, open] = [Math.min(a, things), Math.min(b, things - Math.min(a, things))];
      const missing = Math.floor(out / 3);
      return {
        ...{ things, out, open, in: things - out - open },
        reasons: [
          { reason: NOT_HAD, count: missing },
          { reason: "Another", count: out - missing },
        ],
      };
    });
  fc.assert(
    fc.property(
      fc
        .nat(500)
        .chain((things) =>
          round(things).chain((first) => round(first.in + first.open).map((last) => ({ first, last }))),
        ),
      ({ first, last }) => {
        const flow = flowOf([], [first, last], NOT_HAD)!;
        expect(flow.screened - flow.excluded).toBe(flow.sought);
        expect(flow.sought! - flow.notRetrieved!).toBe(flow.assessed);
        const excluded = flow.excludedFor.reduce((sum, { count }) => sum + count, 0);
        expect(flow.assessed! - excluded - flow.undecided).toBe(flow.included);
      },
    ),
  );
});

test("the figure is well-formed whatever the reasons are, says every number, and no box stands in another", () => {
  const hostile = `a <b>"&' ]]> \u0000\ud800 ${"long ".repeat(40)}`;
  const flow = flowOf(
    [{ kind: "database", hits: 200 }],
    [titles, { ...texts, reasons: [{ reason: hostile, count: 24 }, ...texts.reasons.slice(1)] }],
    NOT_HAD,
  )!;
  const svg = flowSvg(flow);
  // What people wrote is text, and none of it a sign of XML or one it cannot have.
  const written = [...svg.matchAll(/<tspan[^>]*>([^<]*)<\/tspan>/g)].map(([, words]) => words!);
  expect(svg.replace(/<[^<>]*>/g, "")).toBe(written.join(""));
  expect(written.join("")).not.toMatch(/&(?!amp;|lt;|gt;|quot;|#39;)|[\u0000-\u0008\ud800-\udfff]/);
  // A number may stand in the next line.
  const said = written.join("").replaceAll(" ", "");
  for (const [, , n] of flowRows(flow)) if (n) expect(said).toContain(`(n=${n})`);
  const boxes = [...svg.matchAll(/<rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)"/g)].map(
    ([, ...sides]) => {
      const [x, y, width, height] = sides.map(Number) as [number, number, number, number];
      return { x, y, width, height };
    },
  );
  expect(boxes.length).toBeGreaterThan(7);
  for (const a of boxes)
    for (const b of boxes)
      if (a !== b)
        expect(
          a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y,
        ).toBe(true);
});
